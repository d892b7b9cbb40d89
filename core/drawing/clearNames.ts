import type { Point } from '../geometry/vec3'
import { bounds, type Entity } from './sheet'

type Box = { min: Point; max: Point }
/** About so wide is a letter of a name, and so high a line of it, where a vehicle fills the view. mm */
const LETTER_MM = 56
const LINE_MM = 115
const OFF_MM = 24
/** A ring round a mark is about so large. mm */
const RING_MM = 125

const overlap = (a: Box, b: Box): boolean => a.min.x < b.max.x && b.min.x < a.max.x && a.min.y < b.max.y && b.min.y < a.max.y
const round = (p: Point, r: number): Box => ({ min: { x: p.x - r, y: p.y - r }, max: { x: p.x + r, y: p.y + r } })

/**
 * Names of cargo where they stand clear: along the edges of their item, outside it or in it, so that as few rings, other names and members as can be are
 * drawn over. The usual place, over its rear end, where that is as good as any.
 */
export function clearNames(entities: Entity[]): Entity[] {
  const rings = entities.flatMap((e) => (e.kind === 'balloon' ? [round(e.at, RING_MM)] : []))
  const parts = entities.flatMap((e) =>
    (e.kind === 'polygon' && e.layer === 'member') || (e.kind === 'line' && e.layer === 'strap') ? [bounds([e])] : [],
  )
  const told: Box[] = []
  return entities.map((e) => {
    if (e.kind !== 'text' || e.layer !== 'cargo' || !e.ref) return e
    const item = entities.find((o) => o.kind === 'polygon' && o.layer === 'cargo' && o.ref === e.ref)
    if (!item) return e
    const { min, max } = bounds([item])
    const long = e.text.length * LETTER_MM
    const others = entities.flatMap((o) => (o.kind === 'polygon' && o.layer === 'cargo' && o.ref !== e.ref ? [bounds([o])] : []))
    const ys = [max.y + OFF_MM, min.y - OFF_MM - LINE_MM, max.y - OFF_MM - LINE_MM, min.y + OFF_MM]
    // it never begins off its item
    const xs = [0, 0.12, 0.25, 0.4, 0.55]
      .map((k) => min.x + (max.x - min.x) * k)
      .concat(max.x - long)
      .filter((x) => x >= min.x)
    const score = (at: Point): number => {
      const box = { min: at, max: { x: at.x + long, y: at.y + LINE_MM } }
      const hits = (list: Box[]) => list.filter((b) => overlap(box, b)).length
      // a name past the end of a short item is better than one through a ring
      const past = Math.max(0, at.x + long - max.x) > long * 0.6 || at.x < min.x ? 1 : 0
      return 12 * hits(rings) + 12 * hits(told) + 4 * hits(others) + hits(parts) + past
    }
    // ahead of an item or behind it a name stands on nothing of its own; that is better than through two parts
    const off = [max.x + OFF_MM, min.x - OFF_MM - long].map((x) => ({ x, y: (min.y + max.y - LINE_MM) / 2 }))
    const places = [...ys.flatMap((y) => xs.map((x) => ({ x, y }))), ...off]
    const at = places.reduce((best, p) => (score(p) < score(best) ? p : best))
    told.push({ min: at, max: { x: at.x + long, y: at.y + LINE_MM } })
    return { ...e, at }
  })
}
