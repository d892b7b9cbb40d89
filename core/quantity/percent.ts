/** More than this says nothing more: it is far over. */
const MOST_PERCENT = 999

/** A share as people read it: 0.974 → 97 %, 54.2 → more than 999 %. */
export const percentText = (ratio: number): string => {
  const percent = Math.round(ratio * 100)
  return percent > MOST_PERCENT ? `more than ${MOST_PERCENT} %` : `${percent} %`
}
