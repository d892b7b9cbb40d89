import type { OpenAs } from '../brief/cargo'
import type { Carried } from './carried'

/**
 * A thing as it stands open: half of it has gone out over its edge, so its weight stands farther out; its faces are as long, wide and high as it is then, and
 * stop all of the wind. What carries it is where it was: a ladder or leg under its outer edge is taken to hold nothing. Null while nobody knows how far or how
 * high it opens. mm
 */
export function openedOut(c: Carried, { to, reachMm, highMm }: OpenAs): Carried | null {
  if (reachMm === null || highMm === null || c.middleZMm === null) return null
  const along = to === 'front' || to === 'rear'
  const sign = to === 'left' || to === 'front' ? 1 : -1
  const [lengthMm, widthMm] = [c.lengthMm + (along ? reachMm : 0), c.widthMm + (along ? 0 : reachMm)]
  // half of it lies beside the other half now: its middle has gone out by a quarter of both together
  const goes = reachMm > 0 ? (sign * (along ? lengthMm : widthMm)) / 4 : 0
  const face = (sign * reachMm) / 2
  return {
    ...c,
    counts: 'both',
    xMm: c.xMm + (along ? goes : 0),
    yMm: c.yMm + (along ? 0 : goes),
    faceXMm: c.middleXMm + (along ? face : 0),
    faceYMm: c.middleYMm + (along ? 0 : face),
    middleZMm: c.middleZMm - c.heightMm / 2 + highMm / 2,
    frontalM2: (widthMm * highMm) / 1e6,
    sideM2: (lengthMm * highMm) / 1e6,
    planM2: (lengthMm * widthMm) / 1e6,
  }
}
