import type { Point } from './vec3'

/** Area of a closed outline, whichever way round it is given (shoelace). mm² */
export const areaMm2 = (outline: Point[]): number =>
  Math.abs(
    outline.reduce((s, p, i) => {
      const q = outline[(i + 1) % outline.length]!
      return s + p.x * q.y - q.x * p.y
    }, 0),
  ) / 2

/** Middle of a closed outline by its area; the mean of its points where it has none. mm */
export function centroid(outline: Point[]): Point {
  let [a, x, y] = [0, 0, 0]
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length]!
    const w = p.x * q.y - q.x * p.y
    a += w
    x += (p.x + q.x) * w
    y += (p.y + q.y) * w
  })
  if (Math.abs(a) > 1e-9) return { x: x / (3 * a), y: y / (3 * a) }
  const n = Math.max(1, outline.length)
  return { x: outline.reduce((s, p) => s + p.x, 0) / n, y: outline.reduce((s, p) => s + p.y, 0) / n }
}

/** Closer than this points count as on one line. mm */
const GRID_MM = 1e-6
const onGrid = (v: number): number => Math.round(v / GRID_MM) * GRID_MM

/** The points on the outside, counter-clockwise (Andrew's monotone chain). On a grid, for noise in one coordinate would order an edge wrongly and lose a corner. */
export function hull(points: Point[]): Point[] {
  const sorted = points.map((p) => ({ x: onGrid(p.x), y: onGrid(p.y) })).sort((a, b) => a.x - b.x || a.y - b.y)
  const turn = (o: Point, a: Point, b: Point) => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x)
  const half = (list: Point[]) => {
    const out: Point[] = []
    for (const p of list) {
      while (out.length >= 2 && turn(out[out.length - 2]!, out[out.length - 1]!, p) <= 1e-9) out.pop()
      out.push(p)
    }
    return out.slice(0, -1)
  }
  const all = [...half(sorted), ...half([...sorted].reverse())]
  return all.length ? all : sorted.slice(0, 1)
}

/** A rectangle about a place, mm. */
export const rectangle = (lengthMm: number, widthMm: number): Point[] => [
  { x: -lengthMm / 2, y: -widthMm / 2 },
  { x: lengthMm / 2, y: -widthMm / 2 },
  { x: lengthMm / 2, y: widthMm / 2 },
  { x: -lengthMm / 2, y: widthMm / 2 },
]

/** A rectangle from its lower left corner, mm. */
export const rectangleFrom0 = (lengthMm: number, widthMm: number): Point[] => [
  { x: 0, y: 0 },
  { x: lengthMm, y: 0 },
  { x: lengthMm, y: widthMm },
  { x: 0, y: widthMm },
]

/** Whether a closed outline turns one way only; points in a line count as turning either way. */
export function isConvex(outline: Point[]): boolean {
  const turns = outline.map((a, i) => {
    const [b, c] = [outline[(i + 1) % outline.length]!, outline[(i + 2) % outline.length]!]
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x)
  })
  return turns.every((t) => t >= -1e-9) || turns.every((t) => t <= 1e-9)
}

/** How far the origin is from a convex outline that turns counter-clockwise; 0 inside it. mm */
export function offOrigin(outline: Point[]): number {
  if (outline.length === 1) return Math.hypot(outline[0]!.x, outline[0]!.y)
  const sides = outline.map((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    const d = { x: b.x - a.x, y: b.y - a.y }
    const long = d.x ** 2 + d.y ** 2
    const t = long > 0 ? Math.max(0, Math.min(1, -(a.x * d.x + a.y * d.y) / long)) : 0
    return { off: Math.hypot(a.x + t * d.x, a.y + t * d.y), inward: a.x * d.y - a.y * d.x >= 0 }
  })
  return outline.length > 2 && sides.every((s) => s.inward) ? 0 : Math.min(...sides.map((s) => s.off))
}
