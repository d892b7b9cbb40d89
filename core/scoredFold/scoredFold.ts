import { Impossible } from '../issue/impossible'

export type ScoredFold = { widthMm: number; webMm: number; closes: boolean; closesAtDeg: number; bead: string }
/**
 * A fold along a groove cut into the inside of plate: it closes when the groove's two sides meet, w = 2·d·tan(θ/2) for a groove of depth d folded by θ
 * (geometry of a wedge). What is left under it bends as a thin web. mm, degrees. Throws `Impossible` for a groove through the plate, or a fold of 180°.
 */
export function scoredFold(thicknessMm: number, depthMm: number, angleDeg: number, cutMm: number | null): ScoredFold {
  if (depthMm >= thicknessMm)
    throw new Impossible(`a groove of ${depthMm} mm goes through plate of ${thicknessMm} mm: leave a web of a fifth of it`)
  const half = (angleDeg / 2) * (Math.PI / 180)
  const widthMm = 2 * depthMm * Math.tan(half)
  const cut = cutMm ?? widthMm
  return {
    widthMm,
    webMm: thicknessMm - depthMm,
    closes: cut >= widthMm - 1e-9,
    closesAtDeg: (2 * Math.atan(cut / (2 * depthMm)) * 180) / Math.PI,
    bead: 'a scored corner has only its web: weld a bead into the closed groove along all of it before it carries anything',
  }
}
