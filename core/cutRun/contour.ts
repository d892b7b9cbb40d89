import { Clipper, EndType, JoinType } from 'clipper2-ts'
import { cornersOfSlot, edgeOfHole, type Hole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'

/** A corner of a path; to the next one straight, or by an arc: `bulge` = tangent of a quarter of its angle, more than 0 counter-clockwise (DXF reference, LWPOLYLINE, code 42). mm */
export type PathPoint = Point & { bulge?: number }
/** `closes` = somewhere it is narrower than the kerf, and that is not cut */
export type Contour = { what: 'hole' | 'edge'; path: PathPoint[]; closes: boolean }

/** Digits after the point that the clipping keeps of a mm. */
const DIGITS = 4
/**
 * Where the middle of the cut runs, half a kerf to the side that falls away: outside an edge, inside a hole. Edges clockwise and holes counter-clockwise where the
 * square side of the cut lies to the right of its travel, the other way round where it lies to the left. null = a hole no wider than the kerf.
 */
export function edgeContour(outline: Point[], kerfMm: number, square: 'right' | 'left'): Contour {
  const all = grown([counter(outline)], kerfMm / 2)
  const out = largestOf(all) ?? outline
  return {
    what: 'edge',
    path: square === 'right' ? counter(out).reverse() : counter(out),
    closes: differs(outline, grown(all, -kerfMm / 2), kerfMm),
  }
}

export function holeContour(h: Hole, kerfMm: number, square: 'right' | 'left'): Contour | null {
  if (!h.edge && h.diameterMm <= kerfMm) return null
  const smaller: Hole = {
    ...h,
    diameterMm: h.diameterMm - kerfMm,
    ...(h.slot ? { slot: { ...h.slot, lengthMm: h.slot.lengthMm - kerfMm } } : {}),
  }
  const inner = h.edge ? grown([counter(edgeOfHole(h))], -kerfMm / 2) : []
  const largest = largestOf(inner)
  const path = h.edge ? largest && counter(largest) : h.slot ? slotPath(smaller) : roundPath(smaller)
  const closes = h.edge !== undefined && (inner.length > 1 || differs(edgeOfHole(h), grown(inner, kerfMm / 2), kerfMm))
  return path ? { what: 'hole', path: square === 'right' ? path : backwards(path), closes } : null
}

const signedArea = (points: Point[]): number =>
  points.reduce((s, a, i) => {
    const b = points[(i + 1) % points.length]!
    return s + (a.x * b.y - b.x * a.y) / 2
  }, 0)
const counter = (points: Point[]): Point[] => (signedArea(points) < 0 ? [...points].reverse() : [...points])

const grown = (paths: Point[][], mm: number): Point[][] => Clipper.inflatePathsD(paths, mm, JoinType.Miter, EndType.Polygon, 2, DIGITS)
const largestOf = (paths: Point[][]): Point[] | null =>
  paths.reduce<Point[] | null>((best, p) => (!best || Math.abs(signedArea(p)) > Math.abs(signedArea(best)) ? p : best), null)
/** Whether an outline comes back otherwise once the kerf went along it: by more than its sharp corners lose, half a kerf squared each. mm */
function differs(outline: Point[], back: Point[][], kerfMm: number): boolean {
  const lost = Math.abs(Math.abs(signedArea(outline)) - Math.abs(back.reduce((s, p) => s + signedArea(p), 0)))
  return lost > 0.5 * kerfMm ** 2 * (1 + sharpCorners(outline))
}
/** Corners of less than 60°: past the limit of a mitre of 2 they are cut off. */
const sharpCorners = (outline: Point[]): number =>
  outline.filter((p, i) => {
    const [a, b] = [outline[(i + outline.length - 1) % outline.length]!, outline[(i + 1) % outline.length]!]
    const [u, v] = [
      { x: a.x - p.x, y: a.y - p.y },
      { x: b.x - p.x, y: b.y - p.y },
    ]
    return (u.x * v.x + u.y * v.y) / (Math.hypot(u.x, u.y) * Math.hypot(v.x, v.y)) > 0.5
  }).length

const roundPath = ({ at, diameterMm }: Hole): PathPoint[] => [
  { x: at.x + diameterMm / 2, y: at.y, bulge: 1 },
  { x: at.x - diameterMm / 2, y: at.y, bulge: 1 },
]
/** Its corners run counter-clockwise: an arc, a straight, an arc, a straight. */
const slotPath = (h: Hole): PathPoint[] => cornersOfSlot(h).map((p, i) => (i % 2 === 0 ? { ...p, bulge: 1 } : { ...p }))

/** The same closed path the other way round, from the same corner. */
export function backwards(path: PathPoint[]): PathPoint[] {
  const n = path.length
  return path.map((_, i) => {
    const p = path[(n - i) % n]!
    const bulge = path[(n - i - 1 + n) % n]!.bulge
    return { x: p.x, y: p.y, ...(bulge ? { bulge: -bulge } : {}) }
  })
}

/** The same closed path from another of its corners. */
export const startedAt = (path: PathPoint[], i: number): PathPoint[] => [...path.slice(i), ...path.slice(0, i)]

/** Length of one stretch: the chord, or its arc of 4·atan(bulge). mm */
export function stretchMm(a: PathPoint, b: Point): number {
  const chord = Math.hypot(b.x - a.x, b.y - a.y)
  if (!a.bulge) return chord
  const angle = 4 * Math.atan(Math.abs(a.bulge))
  return (chord * angle) / (2 * Math.sin(angle / 2))
}
export const lengthOf = (path: PathPoint[]): number => path.reduce((s, a, i) => s + stretchMm(a, path[(i + 1) % path.length]!), 0)

/** The middle of an arc, to the left of its chord where it runs counter-clockwise by less than half a turn. mm */
export function middleOfArc(a: Point, b: Point, bulge: number): Point {
  const half = 2 * Math.atan(Math.abs(bulge))
  const chord = Math.hypot(b.x - a.x, b.y - a.y)
  const away = (chord / (2 * Math.tan(half))) * Math.sign(bulge)
  return { x: (a.x + b.x) / 2 - ((b.y - a.y) / chord) * away, y: (a.y + b.y) / 2 + ((b.x - a.x) / chord) * away }
}

/** Chords of a stretch, without its last point. */
export function chordsOf(a: PathPoint, b: Point, n = 16): Point[] {
  if (!a.bulge) return [a]
  const angle = 4 * Math.atan(a.bulge)
  const middle = middleOfArc(a, b, a.bulge)
  const radius = Math.hypot(a.x - middle.x, a.y - middle.y)
  const from = Math.atan2(a.y - middle.y, a.x - middle.x)
  return Array.from({ length: n }, (_, i) => {
    const by = from + (angle * i) / n
    return { x: middle.x + radius * Math.cos(by), y: middle.y + radius * Math.sin(by) }
  })
}
export const pointsOf = (path: PathPoint[]): Point[] => path.flatMap((a, i) => chordsOf(a, path[(i + 1) % path.length]!))
