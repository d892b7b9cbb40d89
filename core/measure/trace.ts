type Point = { x: number; y: number }
export type Trace = { points: Point[]; sides: { lengthMm: number; squared: boolean }[]; deviationMm: number }

const SQUARE_WITHIN = (2.5 * Math.PI) / 180 // a hand that traces a photo cannot hold an angle better than this: the shop's own

/** How many mm one picture unit is: two points of the picture and the real distance between them. Null when they lie together. */
export function scaleOf(a: Point, b: Point, realMm: number): number | null {
  const drawn = Math.hypot(a.x - b.x, a.y - b.y)
  return drawn > 1e-6 && realMm > 0 ? realMm / drawn : null
}

/**
 * A hand-traced outline made of straight lines: points nearer than the tolerance to a line between their neighbours are left out (Douglas &
 * Peucker 1973), and sides that stand nearly square to the longest one are set square to it. `deviationMm` = the farthest that any traced
 * point lies from the result: it is kept with the figures taken from it. Points in mm.
 */
export function regularise(traced: Point[], toleranceMm: number, closed: boolean): Trace {
  const ring = closed && traced.length > 2 ? [...traced, traced[0]!] : traced
  const kept = simplify(ring, toleranceMm)
  const corners = closed && kept.length > 3 ? kept.slice(0, -1) : kept
  const squared = squareUp(corners, closed && corners.length > 2)
  const outline = closed && squared.points.length > 2 ? [...squared.points, squared.points[0]!] : squared.points
  const deviationMm = Math.max(
    0,
    ...traced.map((p) =>
      Math.min(
        ...outline.slice(1).map((q, i) => distance(p, outline[i]!, q)),
        ...(outline.length === 1 ? [Math.hypot(p.x - outline[0]!.x, p.y - outline[0]!.y)] : []),
      ),
    ),
  )
  return {
    points: squared.points,
    deviationMm,
    sides: outline
      .slice(1)
      .map((q, i) => ({ lengthMm: Math.hypot(q.x - outline[i]!.x, q.y - outline[i]!.y), squared: squared.sides[i] ?? false })),
  }
}

function simplify(points: Point[], tolerance: number): Point[] {
  if (points.length < 3) return points
  const [first, last] = [points[0]!, points[points.length - 1]!]
  const far = points.reduce(
    (best, p, i) => {
      const d = distance(p, first, last)
      return i > 0 && i < points.length - 1 && d > best.d ? { d, i } : best
    },
    { d: -1, i: 0 },
  )
  if (far.d <= tolerance) return [first, last]
  return [...simplify(points.slice(0, far.i + 1), tolerance).slice(0, -1), ...simplify(points.slice(far.i), tolerance)]
}

/** Sides within a couple of degrees of the longest side's direction or its normal are turned about their middles; corners are where neighbours meet. */
function squareUp(points: Point[], closed: boolean): { points: Point[]; sides: boolean[] } {
  const n = points.length
  const count = closed ? n : n - 1
  if (count < 2) return { points, sides: [] }
  const side = (i: number) => ({ a: points[i]!, b: points[(i + 1) % n]! })
  const sides = Array.from({ length: count }, (_, i) => side(i))
  const longest = sides.reduce((best, s) =>
    Math.hypot(s.b.x - s.a.x, s.b.y - s.a.y) > Math.hypot(best.b.x - best.a.x, best.b.y - best.a.y) ? s : best,
  )
  const base = Math.atan2(longest.b.y - longest.a.y, longest.b.x - longest.a.x)
  const lines = sides.map(({ a, b }) => {
    const own = Math.atan2(b.y - a.y, b.x - a.x)
    const quarter = Math.round((own - base) / (Math.PI / 2))
    const wanted = base + (quarter * Math.PI) / 2
    const squared = Math.abs(own - wanted) <= SQUARE_WITHIN
    return { middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, angle: squared ? wanted : own, squared }
  })
  const meet = (i: number, j: number): Point | null => {
    const [p, q] = [lines[i]!, lines[j]!]
    const cross = Math.cos(p.angle) * Math.sin(q.angle) - Math.sin(p.angle) * Math.cos(q.angle)
    if (Math.abs(cross) < 0.02) return null
    const t = ((q.middle.x - p.middle.x) * Math.sin(q.angle) - (q.middle.y - p.middle.y) * Math.cos(q.angle)) / cross
    return { x: p.middle.x + t * Math.cos(p.angle), y: p.middle.y + t * Math.sin(p.angle) }
  }
  const moved = points.map((p, i) => (closed || (i > 0 && i < n - 1) ? (meet((i - 1 + count) % count, i % count) ?? p) : p))
  return { points: moved, sides: lines.map((l) => l.squared) }
}

function distance(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const along = dx * dx + dy * dy > 0 ? Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy))) : 0
  return Math.hypot(p.x - a.x - along * dx, p.y - a.y - along * dy)
}
