import type { Cargo } from '../brief/cargo'
import type { Securing, StrapWay } from '../brief/securing'
import { equalPositions } from '../spacing/spacing'
import { anchorRating } from './anchors'
import { type SecuringGiven, securingNeeds } from './securing'
import { isMet, strapMissing } from './straps'

/** Direct straps tried besides those over the top, fewest first: each stops one way. */
const DIRECT: StrapWay[][] = [
  [],
  ['forward'],
  ['forward', 'forward'],
  ['forward', 'rear'],
  ['forward', 'forward', 'rear'],
  ['forward', 'forward', 'rear', 'left', 'right'],
  ['forward', 'forward', 'rear', 'rear', 'left', 'left', 'right', 'right'],
]
const MOST_OVER = 8
const OVER_DEG = 65
const DIRECT_DEG = 30

/**
 * The fewest straps that meet every need of an item, with their places along it: over the top at even places a sixth of the length from its ends, direct ones at the
 * ends. Found by trying, with the strap and the anchor the item already uses, else the shop's usual strap and the strongest anchor. Says what still
 * lacks where none does.
 */
export function proposeStraps(c: Cargo, given: SecuringGiven): { securing: Securing; lacks: string | null } {
  const now = c.securing
  const [used] = now?.by === 'straps' ? now.straps : []
  const strongest = [...given.anchors].sort((a, b) => (anchorRating(b).value ?? 0) - (anchorRating(a).value ?? 0))[0]
  const strap = { wllKg: used?.wllKg ?? given.rules.strapWllKg, anchorId: used?.anchorId ?? strongest?.id ?? null }
  const start: Securing = {
    by: 'straps',
    blockedForward: now?.blockedForward ?? false,
    blockHoldsN: now?.blockHoldsN ?? null,
    friction: now?.friction ?? null,
    bolts: now?.bolts ?? null,
    straps: [],
  }
  const make = (over: number, direct: StrapWay[]): Securing => ({
    ...start,
    straps: [
      ...placesOver(c, over).map((atMm) => ({ ...strap, angleDeg: OVER_DEG, way: 'over' as const, atMm })),
      ...direct.map((way) => ({
        ...strap,
        angleDeg: DIRECT_DEG,
        way,
        atMm: way === 'rear' ? -c.lengthMm / 2 : way === 'forward' ? c.lengthMm / 2 : 0,
      })),
    ],
  })
  const needsOf = (securing: Securing) => {
    const tried = { ...c, securing }
    return securingNeeds(tried, { ...given, cargo: given.cargo.map((o) => (o.id === c.id ? tried : o)) })
  }
  const tries = Array.from({ length: MOST_OVER }, (_, i) => i + 1)
    .flatMap((over) => DIRECT.map((direct) => ({ over, direct })))
    .sort((a, b) => a.over + a.direct.length - b.over - b.direct.length || a.direct.length - b.direct.length)
  for (const { over, direct } of tries) {
    const securing = make(over, direct)
    const needs = needsOf(securing)
    if (needs?.every((n) => n.need <= 0 || isMet(n))) return { securing, lacks: null }
  }
  const most = make(4, DIRECT[5]!)
  const needs = needsOf(most)
  return { securing: most, lacks: needs === null ? `mass of ${c.name} and the driving speed` : strapMissing(needs) }
}

/** Even places along the item; on a long flat one the first near its front edge. mm forward of its middle */
const placesOver = (c: Cargo, count: number): number[] => {
  const inset = Math.min(c.lengthMm / 6, 350)
  return equalPositions(-c.lengthMm / 2 + inset, c.lengthMm / 2 - inset, count).reverse()
}
