import { type Figure, figure, type Input, sum } from '../figure/figure'
import { archesOf, type Block, blocksOf } from './blocks'
import { heightOf, type Inside, type InsidePlace, type InsideThing, lacksOf, roomLacks } from './inside'
import { bearersOf, type Stowed } from './stacks'

export type Stowing = {
  /** the things with their places, side by side from the left wall */
  things: InsideThing[]
  /** what they take of the width, gaps to things and to the left wall with them. mm */
  widthMm: number
  leftMm: number
  fits: boolean
  /** every way on the grid was tried; otherwise the best that was found */
  proven: boolean
  /** the width with its working: what stands against what, from wall to wall */
  width: Figure
}

/** Places along the room that are tried for each thing. */
const PLACES = 7
/** So many ways are looked at before the search is cut short. */
const MOST_WAYS = 400_000
/** Lateral steps finer than this are no different. mm */
const SAME_MM = 0.01

/** What stands on top of a thing as it is stowed, and on that, and so on. */
function onTopOf(r: Inside): Map<string, Stowed[]> {
  const all = r.things.filter((t): t is Stowed => t.place !== null).map((t) => ({ t, blocks: blocksOf(t, t.place, r.bicycle) }))
  // what stands on several goes with the first of them
  const under = new Map([...bearersOf(all)].map(([a, [first]]) => [a.t.id, first?.t.id]))
  const lowest = (id: string): string => {
    const below = under.get(id)
    return below === undefined ? id : lowest(below)
  }
  const out = new Map<string, Stowed[]>()
  for (const { t } of all) if (under.get(t.id) !== undefined) out.set(lowest(t.id), [...(out.get(lowest(t.id)) ?? []), t])
  return out
}
/** Where what stands on a thing comes to when that is put elsewhere, turned as it was. */
const carriedAlong = (on: Stowed, from: InsidePlace, to: Omit<InsidePlace, 'zMm'>): InsidePlace => ({
  ...on.place,
  xMm: on.place.xMm + to.xMm - from.xMm,
  yMm: on.place.yMm + to.yMm - from.yMm,
})

/**
 * Things side by side in the order of the list, each looking to the front or reversed and anywhere along the room, for the least width: depth-first, a
 * way given up once it is no narrower than the best (branch and bound). What stands on a thing stays on it, and goes where it goes. Throws nothing; null = something is not measured or longer than the room.
 */
export function stow(r: Inside): Stowing | null {
  if (roomLacks(r).length || r.things.some((t) => lacksOf(t).length) || !r.things.length) return null
  const [L, W] = [r.lengthMm ?? 0, r.widthMm ?? 0]
  const top = onTopOf(r)
  const stacked = new Set([...top.values()].flat().map((t) => t.id))
  const below = r.things.filter((t) => !stacked.has(t.id))
  if (below.some((t) => (t.lengthMm ?? 0) > L)) return null
  const arches = archesOf(r)
  const options = below.map((t) => optionsOf(t, r, top.get(t.id) ?? []))
  const walls = options.map((list) =>
    list.map((o) => ({ left: fromWall(o.blocks, arches, r.gapMm), right: fromWall(mirrored(o.blocks), arches, r.gapMm) })),
  )
  // how far the middle lines of two must be apart, each in each of its ways
  const pitch = options.map((a, i) =>
    options.map((b, j) => (j <= i ? [] : a.map((p) => b.map((q) => lateral(p.blocks, q.blocks, r.gapMm))))),
  )
  const n = options.length
  let best: { width: number; chosen: number[]; ys: number[] } | null = null
  let ways = 0
  const go = (k: number, chosen: number[], ys: number[]): void => {
    if (ways++ > MOST_WAYS) return
    if (k === n) {
      const width = Math.max(...ys.map((y, i) => y + walls[i]![chosen[i]!]!.right.mm))
      if (!best || width < best.width - SAME_MM) best = { width, chosen: [...chosen], ys: [...ys] }
      return
    }
    options[k]!.forEach((_, o) => {
      let y = walls[k]![o]!.left.mm
      for (let i = 0; i < k; i++) y = Math.max(y, ys[i]! + pitch[i]![k]![chosen[i]!]![o]!.mm)
      if (best && y + walls[k]![o]!.right.mm >= best.width - SAME_MM) return
      go(k + 1, [...chosen, o], [...ys, y])
    })
  }
  go(0, [], [])
  /** what decides the width, from the left wall to the right one: back from the thing that reaches farthest, always to what it stands against */
  const across = ({ chosen, ys, width }: { width: number; chosen: number[]; ys: number[] }): Across[] => {
    const wall = (i: number) => walls[i]![chosen[i]!]!
    let at = ys.findIndex((y, i) => y + wall(i).right.mm >= width - SAME_MM)
    const out: Across[] = [wall(at).right]
    for (;;) {
      const from = ys.findIndex((y, i) => i < at && Math.abs(y + pitch[i]![at]![chosen[i]!]![chosen[at]!]!.mm - ys[at]!) < SAME_MM)
      if (from < 0) return [wall(at).left, ...out]
      out.unshift(pitch[from]![at]![chosen[from]!]![chosen[at]!]!)
      at = from
    }
  }
  const found = best as { width: number; chosen: number[]; ys: number[] } | null
  if (!found) return null
  const placed = new Map<string, InsidePlace>()
  below.forEach((t, i) => {
    const { xMm, deg } = options[i]![found.chosen[i]!]!
    const place = { xMm, yMm: found.ys[i]!, deg }
    placed.set(t.id, place)
    if (t.place) for (const on of top.get(t.id) ?? []) placed.set(on.id, carriedAlong(on, t.place, place))
  })
  return {
    things: r.things.map((t) => ({ ...t, place: placed.get(t.id) ?? t.place })),
    widthMm: found.width,
    leftMm: W - found.width,
    fits:
      found.width <= W + SAME_MM &&
      r.things.every((t) => (t.heightMm ?? 0) + (stacked.has(t.id) && t.place ? heightOf(t.place) : 0) <= (r.heightMm ?? 0)),
    proven: ways <= MOST_WAYS,
    width: widthFigure(across(found)),
  }
}

const widthFigure = (parts: Across[]): Figure =>
  figure(
    {
      ...{
        id: 'inside.width',
        name: 'Width taken',
        unit: 'mm',
        formula: 'w = Σ from middle line to middle line',
        source: 'geometry; sizes of a bicycle that nobody measured: the shop’s own',
      },
      with: { w: parts.map((p): Input => [p.mm, 'mm', p.says]) },
    },
    ({ w }) => sum(w),
  )

type Option = { xMm: number; deg: InsidePlace['deg']; blocks: Block[] }
/** Ways of one thing: its places along the room, and both ways round where that makes a difference; what stands on it keeps it the way it stands. */
function optionsOf(t: InsideThing, r: Inside, on: Stowed[]): Option[] {
  const ways: InsidePlace['deg'][] = on.length && t.place ? [t.place.deg] : t.kind === 'box' ? [0] : [0, 180]
  const longMm = Math.max(...blocksOf(t, { xMm: 0, yMm: 0, deg: ways[0]! }, r.bicycle).map((b) => b.x1))
  const room = (r.lengthMm ?? 0) - longMm
  const xs = room < 1 ? [0] : Array.from({ length: PLACES }, (_, i) => (room * i) / (PLACES - 1))
  return xs.flatMap((xMm) =>
    ways.map((deg) => {
      const place = { xMm, yMm: 0, deg }
      const more = t.place ? on.flatMap((s) => blocksOf(s, carriedAlong(s, t.place!, place), r.bicycle)) : []
      return { xMm, deg, blocks: [...blocksOf(t, place, r.bicycle), ...more] }
    }),
  )
}
const mirrored = (blocks: Block[]): Block[] => blocks.map((b) => ({ ...b, y0: -b.y1, y1: -b.y0 }))

/** A distance across the room, and what decides it. mm */
type Across = { mm: number; says: string }
const wider = (a: Across, b: Across): Across => (b.mm > a.mm ? b : a)

/** How far a thing's middle line must stay from a wall: its own reach, and the arch where it does not pass over it. `blocks` as seen from that wall. */
function fromWall(blocks: Block[], arches: Block[], gapMm: number): Across {
  const [arch] = arches
  return blocks
    .map((b): Across => {
      const meets = arch && b.x0 < arch.x1 + gapMm && arch.x0 < b.x1 + gapMm && b.z0 < arch.z1
      return {
        mm: (meets ? arch.y1 : 0) + gapMm - b.y0,
        says: `${meets ? 'wheel arch' : 'wall'} to the middle of ${b.of}, by its ${partOf(b)}`,
      }
    })
    .reduce(wider)
}
/** How far apart the middle lines of two must be so that the second stands right of the first with the gap between all that could meet; −∞ = one behind the other. */
function lateral(a: Block[], b: Block[], gapMm: number): Across {
  let least: Across = { mm: Number.NEGATIVE_INFINITY, says: '' }
  for (const p of a)
    for (const q of b) {
      const meet = p.x0 < q.x1 + gapMm && q.x0 < p.x1 + gapMm && p.z0 < q.z1 && q.z0 < p.z1
      if (meet) least = wider(least, { mm: p.y1 - q.y0 + gapMm, says: `${p.of} to ${q.of}, ${partOf(p)} beside ${partOf(q)}` })
    }
  return least
}
const partOf = (b: Block): string => b.part || 'side'

export type Frees = { says: string; freesMm: number }
/** What a change gives of the width, each worked out anew: handlebars turned along the frame, one thing left at home, the gaps halved. */
export function whatFrees(r: Inside, now: Stowing): Frees[] {
  const bikes = r.things.filter((t) => t.kind === 'bicycle' && !t.barsTurned)
  const tries: { says: string; room: Inside }[] = [
    ...(bikes.length
      ? [
          {
            says: 'handlebars turned along the frames',
            room: { ...r, things: r.things.map((t) => (t.kind === 'bicycle' ? { ...t, barsTurned: true } : t)) },
          },
        ]
      : []),
    ...r.things.map((t) => ({ says: `without ${t.name}`, room: { ...r, things: r.things.filter((o) => o.id !== t.id) } })),
    ...(r.gapMm > 0 ? [{ says: 'gaps half as wide', room: { ...r, gapMm: r.gapMm / 2 } }] : []),
  ]
  return tries
    .flatMap(({ says, room }) => {
      const then = room.things.length ? stow(room) : null
      const width = room.things.length ? then?.widthMm : 0
      return width === undefined ? [] : [{ says, freesMm: now.widthMm - width }]
    })
    .filter((f) => f.freesMm > 0.5)
    .sort((a, b) => b.freesMm - a.freesMm)
}
