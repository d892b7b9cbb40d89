import type { Point } from './vec3'

/** A chord leaves its arc by no more than this. mm */
const OFF_MM = 0.02
const MOST_CHORDS = 360

/** Points along an arc, both ends with it, from one angle by so much to the left. mm, radians */
export function arcPoints(centre: Point, radiusMm: number, from: number, by: number): Point[] {
  const step = 2 * Math.acos(Math.max(-1, 1 - OFF_MM / Math.max(OFF_MM, radiusMm)))
  const n = Math.min(MOST_CHORDS, Math.max(2, Math.ceil(Math.abs(by) / step)))
  return Array.from({ length: n + 1 }, (_, i) => ({
    x: centre.x + radiusMm * Math.cos(from + (by * i) / n),
    y: centre.y + radiusMm * Math.sin(from + (by * i) / n),
  }))
}

/** Points along the arc of a bulge, both ends with it: bulge = tan(¼ of the angle), to the left where positive (DXF reference, LWPOLYLINE, code 42). mm */
export function bulgePoints(a: Point, b: Point, bulge: number): Point[] {
  const chord = Math.hypot(b.x - a.x, b.y - a.y)
  if (Math.abs(bulge) < 1e-9 || chord < 1e-9) return [a, b]
  const by = 4 * Math.atan(bulge)
  // the centre lies square to the chord's middle, by what the angle leaves
  const off = (chord * (1 - bulge * bulge)) / (4 * bulge)
  const centre = { x: (a.x + b.x) / 2 - ((b.y - a.y) / chord) * off, y: (a.y + b.y) / 2 + ((b.x - a.x) / chord) * off }
  const points = arcPoints(centre, Math.hypot(a.x - centre.x, a.y - centre.y), Math.atan2(a.y - centre.y, a.x - centre.x), by)
  return [a, ...points.slice(1, -1), b]
}

/** Points along a B-spline by its knots (de Boor), so many to a span. Weights are not known here: a rational one is another curve. mm */
export function splinePoints(control: Point[], degree: number, knots: number[], perSpan = 16): Point[] {
  const from = knots[degree]!
  const to = knots[knots.length - 1 - degree]!
  const spans = Math.max(1, control.length - degree)
  const n = Math.min(2000, spans * perSpan)
  return Array.from({ length: n + 1 }, (_, i) => deBoor(from + ((to - from) * i) / n, control, degree, knots))
}

function deBoor(u: number, control: Point[], p: number, knots: number[]): Point {
  let k = p
  while (k < control.length - 1 && u >= knots[k + 1]!) k++
  const d = Array.from({ length: p + 1 }, (_, j) => ({ ...control[j + k - p]! }))
  for (let r = 1; r <= p; r++)
    for (let j = p; j >= r; j--) {
      const low = knots[j + k - p]!
      const span = knots[j + 1 + k - r]! - low
      const t = span > 0 ? (u - low) / span : 0
      d[j] = { x: d[j - 1]!.x * (1 - t) + d[j]!.x * t, y: d[j - 1]!.y * (1 - t) + d[j]!.y * t }
    }
  return d[p]!
}
