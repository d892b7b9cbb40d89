import { Clipper, FillRule, type Path64, type Paths64 } from 'clipper2-ts'
import type { Turn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import type { Packer, Piece, Placed } from './packing'
import { type Given, moved, PER_MM, type Shape, type Shapes, turnsOf } from './shapes'
import { boxOfPart } from './sheetNesting'

/** From so many parts on the boxes have to do: the time it takes grows with the square of their number. */
export const MOST_BY_OUTLINE = 150
/** A part that fills its box by no less gains nothing by its outline. */
const AS_A_BOX = 0.94

/** Whether laying by outline can be worth its time: some part is far from filling its box, or has room for another in a cut-out. */
export function worthOutlines({ parts }: Given, pieces: Piece[]): boolean {
  const there = parts.filter((p) => p.quantity > 0)
  const odd = there.some((p) => {
    const { width, height, areaMm2 } = boxOfPart(p)
    return areaMm2 < AS_A_BOX * width * height || (p.cutOuts?.length ?? 0) > 0
  })
  return odd && pieces.length > 1 && pieces.length <= MOST_BY_OUTLINE
}

/**
 * Parts by their outlines, in quarter turns, also within the cut-outs of others: each goes as low as it can, then as far to the left (bottom-left with no-fit
 * polygons: Burke et al., 2007, Complete and robust no-fit polygon generation). Outlines keep their gap to `SLACK_MM`. mm
 */
export function outlinePacker({ edge }: Given, { part, shape: shapes, between }: Shapes): Packer {
  return (pieces, sheet) => {
    const left: Piece[] = []
    const laid: { partId: string; turn: Turn; at: Point }[] = []
    const placements: Placed['placements'] = []
    const taken = new Map<string, { upTo: number; region: Paths64 }>()
    const full = new Set<string>()
    let [area, top] = [0, 0]
    for (const p of pieces) {
      const shape = shapes.get(p.partId)!
      let best: { turn: Turn; at: Point; top: number } | null = null
      for (const turn of full.has(p.partId) ? [] : turnsOf(part.get(p.partId)!)) {
        const [w, h] = turn % 180 ? [shape.height, shape.width] : [shape.width, shape.height]
        const room = roomFor(sheet, edge, w, h)
        if (!room) continue
        const key = `${p.partId} ${turn}`
        const was = taken.get(key) ?? { upTo: 0, region: [] }
        const more = laid.slice(was.upTo).flatMap((l) => moved(between(l.partId, l.turn, p.partId, turn), l.at))
        const region = more.length ? Clipper.union([...was.region, ...more], FillRule.NonZero) : was.region
        taken.set(key, { upTo: laid.length, region })
        for (const path of region.length ? Clipper.difference([room], region, FillRule.NonZero) : [room])
          for (const at of path) {
            const over = at.y + h / 2
            if (!best || over < best.top - 1 || (over < best.top + 1 && at.x - w / 2 < leftOf(best, shape) - 1))
              best = { turn, at, top: over }
          }
      }
      if (!best) {
        left.push(p)
        full.add(p.partId)
        continue
      }
      laid.push({ partId: p.partId, turn: best.turn, at: best.at })
      const rotated = best.turn % 180 !== 0
      const [w, h] = rotated ? [p.height, p.width] : [p.width, p.height]
      placements.push({ partId: p.partId, x: best.at.x / PER_MM - w / 2, y: best.at.y / PER_MM - h / 2, rotated, turn: best.turn })
      area += p.area
      top = Math.max(top, best.top / PER_MM)
    }
    return { placed: { sheet, placements, area, usedHeight: top }, left }
  }
}

const leftOf = (b: { turn: Turn; at: Point }, s: Shape): number => b.at.x - (b.turn % 180 ? s.height : s.width) / 2

/** Where the middle of a box of that size may stand; null where it does not go on the sheet. */
function roomFor(sheet: { width: number; height: number }, edge: number, w: number, h: number): Path64 | null {
  const low = edge * PER_MM
  const [x0, x1] = [low + w / 2, sheet.width * PER_MM - low - w / 2]
  const [y0, y1] = [low + h / 2, sheet.height * PER_MM - low - h / 2]
  if (x1 < x0 - 1 || y1 < y0 - 1) return null
  const [l, r, b, t] = [
    Math.floor(x0),
    Math.max(Math.floor(x0) + 1, Math.floor(x1)),
    Math.floor(y0),
    Math.max(Math.floor(y0) + 1, Math.floor(y1)),
  ]
  return [
    { x: l, y: b },
    { x: r, y: b },
    { x: r, y: t },
    { x: l, y: t },
  ]
}
