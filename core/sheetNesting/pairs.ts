import { quarterTurn, type Turn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import type { Packer, Piece } from './packing'
import { PER_MM, type Shapes, turnsOf } from './shapes'
import { boxOfPart, type SheetNestingInput } from './sheetNesting'

/** Two parts laid into one another, as one piece by its box: the second turned against the first, both from the corner of the box. mm */
type Pair = { width: number; height: number; area: number; mayRotate: boolean; turn: Turn; first: Point; second: Point; filled: number }

/** Two are laid together where they fill their box by no less; and of so many kinds at most, for every two of them are tried. */
const FILLS = 0.8
const MOST_KINDS = 40
const id = (a: string, b: string): string => JSON.stringify([a, b])

/** The best place of each two kinds to one another: where their common box is least, at a corner of the no-fit polygon or where sides of the boxes fall in line. */
function pairsOf({ parts }: Pick<SheetNestingInput, 'parts'>, shapes: Shapes): Map<string, Pair> {
  const there = parts.filter((p) => p.quantity > 0)
  const found = new Map<string, Pair>()
  if (there.length > MOST_KINDS) return found
  const boxes = new Map(there.map((p) => [p.id, boxOfPart(p)]))
  for (const [i, a] of there.entries())
    for (const b of there.slice(i)) {
      if (a === b && a.quantity < 2) continue
      const [A, B] = [boxes.get(a.id)!, boxes.get(b.id)!]
      let best: Pair | null = null
      for (const turn of turnsOf(b)) {
        const [w, h] = turn % 180 ? [B.height, B.width] : [B.width, B.height]
        for (const at of placesFor(shapes.between(a.id, 0, b.id, turn), A, { width: w, height: h })) {
          const left = Math.min(-A.width / 2, at.x - w / 2)
          const low = Math.min(-A.height / 2, at.y - h / 2)
          const width = Math.max(A.width / 2, at.x + w / 2) - left
          const height = Math.max(A.height / 2, at.y + h / 2) - low
          const area = A.areaMm2 + B.areaMm2
          const filled = area / (width * height)
          if (filled > (best?.filled ?? FILLS))
            best = {
              ...{ width, height, area, filled, turn, mayRotate: a.mayRotate && b.mayRotate },
              first: { x: -A.width / 2 - left, y: -A.height / 2 - low },
              second: { x: at.x - w / 2 - left, y: at.y - h / 2 - low },
            }
        }
      }
      // two that fill their own boxes as well gain nothing
      if (best && best.filled > Math.max(A.areaMm2 / (A.width * A.height), B.areaMm2 / (B.width * B.height)) + 0.02)
        found.set(id(a.id, b.id), best)
    }
  return found
}

type Box = { width: number; height: number }
function placesFor(around: Point[][], a: Box, b: Box): Point[] {
  const xs = [(a.width - b.width) / 2, (b.width - a.width) / 2]
  const ys = [(a.height - b.height) / 2, (b.height - a.height) / 2]
  return around.flatMap((path) =>
    path.flatMap((p, i) => {
      const q = path[(i + 1) % path.length]!
      const [from, to] = [
        { x: p.x / PER_MM, y: p.y / PER_MM },
        { x: q.x / PER_MM, y: q.y / PER_MM },
      ]
      const onX = xs.flatMap((x) => {
        const t = (x - from.x) / (to.x - from.x)
        return t > 0 && t < 1 ? [{ x, y: from.y + t * (to.y - from.y) }] : []
      })
      const onY = ys.flatMap((y) => {
        const t = (y - from.y) / (to.y - from.y)
        return t > 0 && t < 1 ? [{ x: from.x + t * (to.x - from.x), y }] : []
      })
      return [from, ...onX, ...onY]
    }),
  )
}

/**
 * Pieces that fill a box better by two than alone are laid as one (clusters in rectangles: Adamowicz & Albano, 1976, Nesting two-dimensional shapes in rectangular
 * modules), the best filled first; then all of them by another packer. null = no two of them do.
 */
export function pairPacker(input: SheetNestingInput, shapes: Shapes, pack: Packer): Packer | null {
  const pairs = pairsOf(input, shapes)
  if (!pairs.size) return null
  const byFill = [...pairs].sort(([, a], [, b]) => b.filled - a.filled)
  return (pieces, sheet) => {
    const count = new Map<string, number>()
    for (const p of pieces) count.set(p.partId, (count.get(p.partId) ?? 0) + 1)
    const made = new Map<string, number>()
    for (const [key] of byFill) {
      const [a, b] = JSON.parse(key) as [string, string]
      const n = a === b ? Math.floor((count.get(a) ?? 0) / 2) : Math.min(count.get(a) ?? 0, count.get(b) ?? 0)
      if (!n) continue
      made.set(key, n)
      for (const x of [a, b]) count.set(x, (count.get(x) ?? 0) - n)
    }
    const mixed = together(pieces, pairs, made)
    const { placed, left } = pack(mixed, sheet)
    const of = new Map(pieces.map((p) => [p.partId, p]))
    const apart = (p: Piece): Piece[] => (pairs.has(p.partId) ? (JSON.parse(p.partId) as string[]).map((x) => of.get(x)!) : [p])
    const placements = placed.placements.flatMap((at) => {
      const pair = pairs.get(at.partId)
      if (!pair) return [at]
      const [a, b] = (JSON.parse(at.partId) as string[]).map((x) => of.get(x)!) as [Piece, Piece]
      return [within(pair, at, a, pair.first, 0), within(pair, at, b, pair.second, pair.turn)]
    })
    return { placed: { ...placed, placements }, left: left.flatMap(apart) }
  }
}

/** Each pair where the first of its two stood in the order, the others as they were. */
function together(pieces: Piece[], pairs: Map<string, Pair>, made: Map<string, number>): Piece[] {
  const open = new Map(made)
  const owed = new Map<string, number>()
  return pieces.flatMap((p): Piece[] => {
    const debt = owed.get(p.partId) ?? 0
    if (debt) {
      owed.set(p.partId, debt - 1)
      return []
    }
    const key = [...open.keys()].find((k) => (open.get(k) ?? 0) > 0 && (JSON.parse(k) as string[]).includes(p.partId))
    if (!key) return [p]
    open.set(key, open.get(key)! - 1)
    const [a, b] = JSON.parse(key) as [string, string]
    const other = p.partId === a ? b : a
    owed.set(other, (owed.get(other) ?? 0) + 1)
    const { width, height, area, mayRotate } = pairs.get(key)!
    return [{ partId: key, width, height, area, mayRotate }]
  })
}

type Placement = ReturnType<Packer>['placed']['placements'][number]
/** One of a pair on the sheet: its own corner in the pair's box, turned with that. */
function within(pair: Pair, at: Placement, p: Piece, corner: Point, turn: Turn): Placement {
  const [w, h] = turn % 180 ? [p.height, p.width] : [p.width, p.height]
  const own = { x: corner.x + w / 2 - pair.width / 2, y: corner.y + h / 2 - pair.height / 2 }
  const box = at.turn % 180 ? { x: pair.height, y: pair.width } : { x: pair.width, y: pair.height }
  const middle = quarterTurn[at.turn](own)
  const lies = ((turn + at.turn) % 360) as Turn
  const [lw, lh] = lies % 180 ? [p.height, p.width] : [p.width, p.height]
  return {
    partId: p.partId,
    x: at.x + box.x / 2 + middle.x - lw / 2,
    y: at.y + box.y / 2 + middle.y - lh / 2,
    rotated: lies % 180 !== 0,
    turn: lies,
  }
}
