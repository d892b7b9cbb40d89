import { z } from 'zod'
import { circleOf, crossingOf, isInside, type joined, meetingOf, slotOf } from '../geometry/contours'
import { edgeOfHole, type Hole, isRound } from '../geometry/hole'
import { areaMm2, centroid } from '../geometry/polygon'
import type { Point } from '../geometry/vec3'
import type { Fault } from '../issue/faults'

const mm = z.number().min(-20_000).max(20_000)
const point = z.object({ x: mm, y: mm })
/** A flat part from a drawing made elsewhere: its edge from the lower left corner of its box, counter-clockwise, and what is cut out of it. mm */
export const DrawnSchema = z.object({
  name: z.string().max(120),
  outline: z.array(point).min(3, 'three corners at least').max(2000, 'two thousand corners at most'),
  holes: z
    .array(
      z.object({
        at: point,
        diameterMm: z.number().min(0.1).max(5000),
        slot: z.object({ lengthMm: z.number().min(0.1).max(5000), turnDeg: z.number().min(-360).max(360) }).optional(),
        edge: z.array(point).min(3).max(500).optional(),
      }),
    )
    .max(500, 'five hundred holes at most'),
})
export type Drawn = z.infer<typeof DrawnSchema>

const place = (p: Point): string => `{${Math.round(p.x * 10) / 10}}, {${Math.round(p.y * 10) / 10}}`
/** Larger is no part of a vehicle, smaller none of a rack: the unit is wrong. mm */
const LARGEST_MM = 6000
const SMALLEST_MM = 20

function cutOutOf(l: Point[]): Hole {
  const round = circleOf(l)
  if (round) return round
  const slot = slotOf(l)
  if (slot) return { at: slot.at, diameterMm: slot.diameterMm, slot: { lengthMm: slot.lengthMm, turnDeg: slot.turnDeg } }
  const at = centroid(l)
  const xs = l.map((q) => q.x)
  const ys = l.map((q) => q.y)
  return {
    at,
    diameterMm: Math.min(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)),
    edge: l.map((q) => ({ x: q.x - at.x, y: q.y - at.y })),
  }
}
/** A round hole drawn as a circle, and again in chords or arcs, is one. */
const once = (holes: Hole[]): Hole[] =>
  holes.filter(
    (h, i) =>
      !isRound(h) ||
      !holes
        .slice(0, i)
        .some((o) => isRound(o) && Math.hypot(o.at.x - h.at.x, o.at.y - h.at.y) < 0.1 && Math.abs(o.diameterMm - h.diameterMm) < 0.2),
  )

/** Cut-outs that are not wholly inside the edge, or not apart from one another. */
function misplaced(edge: Point[], holes: Hole[]): Fault[] {
  const cuts = holes.map((h) => edgeOfHole(h, 12))
  return cuts.flatMap((c, i): Fault[] => {
    const over = meetingOf(c, edge)
    if (over)
      return [{ where: `at ${place(over)}`, expected: 'a cut-out within the edge: this one runs over it, draw it as part of the edge' }]
    if (!isInside(c[0]!, edge))
      return [{ where: `at ${place(holes[i]!.at)}`, expected: 'one part to a drawing: this lies outside its edge' }]
    for (const o of cuts.slice(0, i)) {
      const at = meetingOf(c, o)
      if (at) return [{ where: `at ${place(at)}`, expected: 'cut-outs apart from one another: these two run into one, draw them as one' }]
      if (isInside(c[0]!, o) || isInside(o[0]!, c))
        return [
          {
            where: `at ${place(holes[i]!.at)}`,
            expected: 'metal round every cut-out: this one lies within another, and what is between falls out',
          },
        ]
    }
    return []
  })
}

/**
 * One flat part of the outlines of a drawing: the largest is its edge, all others are cut out of it. What cannot be one is named with its place, lengths in
 * braces, mm. A cut-out is a round hole, a slot, or an edge of its own.
 */
export function drawnFrom(
  name: string,
  { closed, open }: Pick<ReturnType<typeof joined>, 'closed' | 'open'>,
  circles: Hole[],
): { drawn: Drawn } | { faults: Fault[] } {
  if (open.length)
    return {
      faults: open.slice(0, 8).map((o) => ({
        where: `at ${place(o.at)}`,
        expected: `an edge that goes on: it is open there${o.gapMm === null || o.gapMm > 1000 ? '' : `, {g ${Math.round(o.gapMm * 100) / 100}} short of the next end`}`,
      })),
    }
  const edge = closed.reduce<Point[] | null>((best, l) => (!best || areaMm2(l) > areaMm2(best) ? l : best), null)
  if (!edge)
    return {
      faults: [{ where: 'the drawing', expected: circles.length ? 'a closed edge round its holes' : 'a closed edge: it has no outline' }],
    }
  const faults: Fault[] = []
  for (const l of closed) {
    const at = crossingOf(l)
    if (at) faults.push({ where: `at ${place(at)}`, expected: 'an edge that does not cross itself' })
  }
  const holes = once([...circles, ...closed.filter((l) => l !== edge).map(cutOutOf)])
  if (!faults.length) faults.push(...misplaced(edge, holes))
  const [xs, ys] = [edge.map((q) => q.x), edge.map((q) => q.y)]
  const low = { x: Math.min(...xs), y: Math.min(...ys) }
  const size = Math.max(Math.max(...xs) - low.x, Math.max(...ys) - low.y)
  if (size > LARGEST_MM || size < SMALLEST_MM)
    faults.push({
      where: 'its size',
      expected: `a part of {${SMALLEST_MM}} to {${LARGEST_MM}}: this is {${Math.round(size * 10) / 10}}, its lengths may be in another unit`,
    })
  if (faults.length) return { faults: faults.slice(0, 8) }
  const moved = (q: Point): Point => ({ x: q.x - low.x, y: q.y - low.y })
  const read = DrawnSchema.safeParse({
    name: name.slice(0, 120),
    outline: edge.map(moved),
    holes: holes.map((h) => ({ ...h, at: moved(h.at) })),
  })
  return read.success
    ? { drawn: read.data }
    : { faults: read.error.issues.slice(0, 4).map((i) => ({ where: i.path.join('.'), expected: i.message })) }
}
