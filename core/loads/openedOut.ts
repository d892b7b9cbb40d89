import type { OpenAs } from '../brief/cargo'
import type { Carried } from './carried'

/**
 * A thing as it stands open: its weight lies evenly on all that it covers then, half its reach farther out; its faces are as long, wide and high as it is, and
 * stop all of the wind. What carries it is where it was: a ladder or leg under its outer edge is taken to hold nothing. Null while nobody knows how far or how
 * high it opens. mm
 */
export function openedOut(c: Carried, { to, reachMm, highMm }: OpenAs): Carried | null {
  if (reachMm === null || highMm === null || c.middleZMm === null) return null
  const along = to === 'front' || to === 'rear'
  const sign = to === 'left' || to === 'front' ? 1 : -1
  const [lengthMm, widthMm] = [c.lengthMm + (along ? reachMm : 0), c.widthMm + (along ? 0 : reachMm)]
  const out = (sign * reachMm) / 2
  const [outXMm, outYMm] = along ? [out, 0] : [0, out]
  return {
    ...c,
    counts: 'both',
    xMm: c.xMm + outXMm,
    yMm: c.yMm + outYMm,
    faceXMm: c.middleXMm + outXMm,
    faceYMm: c.middleYMm + outYMm,
    middleZMm: c.middleZMm - c.heightMm / 2 + highMm / 2,
    frontalM2: (widthMm * highMm) / 1e6,
    sideM2: (lengthMm * highMm) / 1e6,
    planM2: (lengthMm * widthMm) / 1e6,
  }
}
