import { hull } from '../geometry/polygon'
import type { Point, Vec3 } from '../geometry/vec3'
import { type Entity, project, type ViewName } from './sheet'

/** A gap as it is shown: its two nearest points, in words, and whether it may stay. */
export type ShownGap = {
  at: [Vec3, Vec3]
  text: string
  bad: boolean
  /** convex bodies of a tool that is held there, by their corners */
  room?: Vec3[][]
}

/** Rings round the two nearest points, at the vehicle's own size. mm */
const RING_MM = 22
/** So far beside the gap its words stand. mm */
const ASIDE_MM = 70

/** The line between two nearest points in one view, a ring at each, and how much it is beside it. */
export function gapLines(view: ViewName, gaps: ShownGap[]): Entity[] {
  return gaps.flatMap(({ at, text, bad, room = [] }): Entity[] => {
    const [a, b] = at.map((p) => project(view, p)) as [Point, Point]
    const layer = bad ? ('limit' as const) : ('dimension' as const)
    const long = Math.hypot(b.x - a.x, b.y - a.y)
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
    return [
      ...room.map((corners): Entity => ({ kind: 'polygon', layer, points: hull(corners.map((c) => project(view, c))), closed: true })),
      ...(long > 1 ? [{ kind: 'line' as const, layer, from: a, to: b }] : []),
      { kind: 'circle', layer, centre: a, radius: RING_MM },
      ...(long > RING_MM ? [{ kind: 'circle' as const, layer, centre: b, radius: RING_MM }] : []),
      {
        kind: 'line',
        layer,
        from: { x: middle.x + RING_MM * 0.7, y: middle.y + RING_MM * 0.7 },
        to: { x: middle.x + ASIDE_MM, y: middle.y + ASIDE_MM },
      },
      { kind: 'text', layer, at: { x: middle.x + ASIDE_MM + 12, y: middle.y + ASIDE_MM }, text, anchor: 'start' },
    ]
  })
}
