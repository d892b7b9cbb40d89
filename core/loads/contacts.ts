import type { Member } from '../assembly/assembly'
import { nearestNode, type RackFrame } from '../structure/rackFrame'
import type { Carried } from './carried'
import { shareAlong, shareLimp, shareRigid } from './shareAlong'

/** Where a carried thing touches a bar: the place on it, how far beyond the bar's end it really is (left positive), and the share of the load there. mm */
export type Contact = { atMm: number; beyondMm: number; share: number }

/** Places where an item touches a bar, from the bar's left end, and the share of its load on each: levers to its centre of mass. */
export function contactsOf(c: Carried, bar: Member): Contact[] {
  const [left, right] = [bar.path[0]!.y, bar.path[bar.path.length - 1]!.y]
  const contact = (y: number, share: number): Contact => {
    const on = Math.min(left, Math.max(right, y))
    return { atMm: left - on, beyondMm: y - on, share }
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

/** How far outside the ends of its bars an item's contacts hang; 0 = it lies on them. mm */
export const hangsOutsideMm = (c: Carried, bars: Member[]): number =>
  Math.max(0, ...c.bars.flatMap((b) => contactsOf(c, bars[b]!).map((p) => (p.share === 0 ? 0 : Math.abs(p.beyondMm)))))

/** Shares of an item's weight on the bars under it: a box by the bars' own give, a bundle as a limp beam, brackets as equal springs. Σ = 1, about its centre of mass. */
export function verticalShares(c: Carried, contacts: Contact[][], bars: Member[], rack: RackFrame): number[] {
  const xs = c.bars.map((b) => bars[b]!.path[0]!.x)
  if (c.rests === 'bundle' && c.kind === 'cargo' && xs.length > 1 && new Set(xs).size === xs.length) {
    const [rear, front] = [c.xMm - c.lengthMm / 2, c.xMm + c.lengthMm / 2]
    const limp = shareLimp(xs, Math.min(rear, ...xs) - 1, Math.max(front, ...xs) + 1)
    const centre = limp.reduce((s, r, i) => s + r * xs[i]!, 0)
    // what the spread does not say of the centre of mass is put right by levers
    const correction = shareAlong(xs, 0, 0, c.xMm - centre)
    return limp.map((r, i) => r + correction[i]!)
  }
  if (c.rests !== 'box' || xs.length < 3) return shareAlong(xs, c.xMm, 1, 0)
  const nodes = c.bars.map((b, k) =>
    contacts[k]!.map((p) => ({ node: nearestNode(rack.along.get(bars[b]!.id) ?? [], p.atMm), share: p.share })),
  )
  const flexibility = nodes.map(() => [] as number[])
  for (const own of nodes) {
    const solved = rack.frame.solve({
      nodes: own.map((p) => ({ node: String(p.node), force: [0, 0, -p.share], moment: [0, 0, 0] })),
      members: [],
    })
    nodes.forEach((other, i) => {
      flexibility[i]!.push(-other.reduce((s, p) => s + p.share * solved.movement(p.node)[2]!, 0))
    })
  }
  return shareRigid(xs, c.xMm, flexibility)
}
