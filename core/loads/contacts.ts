import type { Bearing } from '../assembly/assembly'
import type { Carried } from './carried'
import { shareAlong, shareLimp, shareRigid } from './shareAlong'

/** Where a carried thing touches a line it rests on: the place on it, how far beyond the line's end it really is (left positive), and the share of the load there. mm */
export type Contact = { yMm: number; beyondMm: number; share: number }

/** Places where an item touches a bearing, and the share of its load on each: levers to its centre of mass. */
export function contactsOf(c: Carried, bearing: Bearing): Contact[] {
  const contact = (y: number, share: number): Contact => {
    const on = Math.min(bearing.leftMm, Math.max(bearing.rightMm, y))
    return { yMm: on, beyondMm: y - on, share }
  }
  const [edgeLeft, edgeRight] = [c.middleYMm + c.widthMm / 2, c.middleYMm - c.widthMm / 2]
  if (c.rests === 'brackets' || c.widthMm < 2) return [contact(c.yMm, 1)]
  if (c.rests === 'box') {
    const onRight = (edgeLeft - c.yMm) / c.widthMm
    return [contact(edgeLeft, 1 - onRight), contact(edgeRight, onRight)]
  }
  // a limp load spread evenly over each half, so much on either that its centre of mass is met; each half as ends and middle, 1 : 2 : 1
  const onLeft = (c.yMm - (edgeLeft + 3 * edgeRight) / 4) / (c.widthMm / 2)
  return [
    contact(edgeLeft, onLeft / 4),
    contact((edgeLeft + c.middleYMm) / 2, onLeft / 2),
    contact(c.middleYMm, 1 / 4),
    contact((c.middleYMm + edgeRight) / 2, (1 - onLeft) / 2),
    contact(edgeRight, (1 - onLeft) / 4),
  ]
}

/** How far outside the ends of what it lies on an item's contacts hang; 0 = it lies on them. mm */
export const hangsOutsideMm = (c: Carried): number =>
  Math.max(0, ...c.bearings.flatMap((b) => contactsOf(c, b).map((p) => (p.share === 0 ? 0 : Math.abs(p.beyondMm)))))

/**
 * Shares of an item's weight on the lines under it: a box by their own give, a bundle as a limp beam, brackets as equal springs. Σ = 1, about its centre of
 * mass. `sinks()[i][k]` = how far line k sinks under a load of 1 N put on line i, both as this item puts it. mm/N
 */
export function verticalShares(c: Carried, sinks: () => number[][]): number[] {
  const xs = c.bearings.map((b) => b.xMm)
  if (c.rests === 'bundle' && xs.length > 1 && new Set(xs).size === xs.length) {
    const [rear, front] = [c.middleXMm - c.lengthMm / 2, c.middleXMm + c.lengthMm / 2]
    const limp = shareLimp(xs, Math.min(rear, ...xs) - 1, Math.max(front, ...xs) + 1)
    const centre = limp.reduce((s, r, i) => s + r * xs[i]!, 0)
    // what the spread does not say of the centre of mass is put right by levers
    const correction = shareAlong(xs, 0, 0, c.xMm - centre)
    return limp.map((r, i) => r + correction[i]!)
  }
  if (c.rests !== 'box' || xs.length < 3) return shareAlong(xs, c.xMm, 1, 0)
  return shareRigid(xs, c.xMm, sinks())
}
