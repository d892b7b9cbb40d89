import { z } from 'zod'
import type { Assembly } from '../assembly/assembly'
import type { Cargo } from '../brief/cargo'
import { chainFigure, strengthWords } from '../limits/strength'

export const anchorParts = ['ring', 'weld', 'rail', 'bolt', 'skin', 'T-nut'] as const
/** What straps are hooked to, and every part the pull passes through. Rated by the weakest; one unknown part makes it unrated. N */
export const AnchorSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().min(1, 'give it a name').max(80),
  /** how many points of this kind there are; straps beyond them share. null = nobody counted */
  count: z.number().int().min(1).max(200).nullable().default(null),
  links: z
    .array(z.object({ part: z.enum(anchorParts), word: z.enum(strengthWords), holdsN: z.number().min(0).max(1e6).nullable() }))
    .max(12)
    .default([]),
})
export type Anchor = z.infer<typeof AnchorSchema>

export const anchorRating = (anchor: Anchor) =>
  chainFigure(
    `anchor.${anchor.id}`,
    `Anchor ${anchor.name}`,
    anchor.links.map((l) => ({
      ...l,
      source: l.word === 'maker-rated' ? 'its maker' : 'the shop',
      asked: `what the ${l.part} of ${anchor.name} holds`,
    })),
  )

/** What straps may be hooked to: what the shop wrote down, and the rings, hooks and loops that the pieces themselves have, one point each. */
export const anchorsOf = (job: { anchors: Anchor[] }, assembly: Pick<Assembly, 'anchors'>): Anchor[] => [
  ...job.anchors,
  ...assembly.anchors.map(
    (a): Anchor => ({
      id: a.id,
      name: a.name,
      count: 1,
      links: a.links.map((l) => ({ part: anchorParts.find((p) => p === l.part) ?? 'ring', word: l.word, holdsN: l.holdsN })),
    }),
  ),
]

/** A strap over the top hangs on two points, a direct one on one. */
const endsOn = (way: string): number => (way === 'over' ? 2 : 1)

/** How many strap ends hang on each anchor, of everything that is carried. */
export function endsOnAnchors(cargo: Cargo[]): Map<string, number> {
  const ends = new Map<string, number>()
  for (const c of cargo)
    if (c.securing?.by === 'straps' && c.counts !== 'parked')
      for (const s of c.securing.straps) if (s.anchorId) ends.set(s.anchorId, (ends.get(s.anchorId) ?? 0) + endsOn(s.way))
  return ends
}

/** What one strap end may pull on: its anchor's rating, less where more ends hang on it than it has points. Null while rating or count is unknown. N */
export function eachEndN(anchor: Anchor, ends: number): number | null {
  const rating = anchorRating(anchor).value
  return rating === null || anchor.count === null ? null : rating * Math.min(1, anchor.count / Math.max(1, ends))
}
