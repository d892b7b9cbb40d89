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

/** The points on the outside, counter-clockwise (Andrew's monotone chain). */
export function hull(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y)
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
