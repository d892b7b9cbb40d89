import type { Face, Fold } from '../assembly/assembly'
import type { Hole } from '../geometry/hole'
import { along, cross, type Point, times, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'

/** A fold across a strip: its line on the blank, the angle it turns by, and whether towards the side that the thickness lies on. mm, degrees */
export type StripFold = { atMm: number; angleDeg: number; side: Fold['side'] }
export type StripGiven = {
  /** the blank, folds upright in it, x along the strip */
  outline: Point[]
  holes: Hole[]
  folds: StripFold[]
  thicknessMm: number
  insideRadiusMm: number
  kFactor: number
}

/** An arc is drawn in so many flat strips. */
const STRIPS = 4

/** BA = (r + K·t)·A: Machinery's Handbook, as in `flatPattern`. mm */
export const allowanceMm = (angleDeg: number, g: Pick<StripGiven, 'thicknessMm' | 'insideRadiusMm' | 'kFactor'>): number =>
  (g.insideRadiusMm + g.kFactor * g.thicknessMm) * radians(angleDeg)

/**
 * A blank of any outline folded along parallel lines: L, Z, U, jog, hat. The first face lies in the plane of its outline with its thickness to the side that x × y
 * looks to; faces come in order, each with its share of outline and holes, the arcs between them as strips. mm and degrees
 */
export function foldedStrip(g: StripGiven): { bends: Fold[]; faces: Face[] } {
  const folds = [...g.folds].sort((a, b) => a.atMm - b.atMm)
  const ys = g.outline.map((p) => p.y)
  const [low, high] = [Math.min(...ys), Math.max(...ys)]
  const bends = folds.map(
    (f): Fold => ({
      line: acrossAt(g.outline, f.atMm) ?? [
        { x: f.atMm, y: low },
        { x: f.atMm, y: high },
      ],
      angleDeg: f.angleDeg,
      side: f.side,
      insideRadiusMm: g.insideRadiusMm,
    }),
  )
  const faces: Face[] = []
  const up: Vec3 = { x: 0, y: 1, z: 0 }
  let way: Vec3 = { x: 1, y: 0, z: 0 }
  let from = Math.min(...g.outline.map((p) => p.x))
  let at: Vec3 = { x: from, y: 0, z: 0 }
  const lay = (toMm: number, longMm: number, bend: boolean) => {
    const scale = longMm / Math.max(1e-9, toMm - from)
    const outline = cutBetween(g.outline, from, toMm).map((p) => ({ x: (p.x - from) * scale, y: p.y }))
    const start = from
    const holes = bend
      ? []
      : g.holes.filter((h) => h.at.x >= start && h.at.x < toMm).map((h) => ({ ...h, at: { x: h.at.x - start, y: h.at.y } }))
    if (outline.length > 2)
      faces.push({
        pose: { origin: at, along: way, up },
        outline,
        ...(holes.length ? { holes } : {}),
        ...(bend ? { bend: true as const } : {}),
      })
    at = along(at, way, longMm)
    from = toMm
  }
  // towards the thickness the face's own plane is the outside of the arc, away from it the inside
  const turned = (by: number): Vec3 => along(times(way, Math.cos(by)), cross(way, up), Math.sin(by))
  for (const f of folds) {
    const long = allowanceMm(f.angleDeg, g)
    lay(f.atMm - long / 2, f.atMm - long / 2 - from, false)
    const radius = f.side === 'up' ? g.insideRadiusMm + g.thicknessMm : g.insideRadiusMm
    const step = ((f.side === 'up' ? 1 : -1) * radians(f.angleDeg)) / STRIPS
    const [begin, chord] = [from, 2 * radius * Math.sin(Math.abs(step) / 2)]
    for (let i = 0; i < STRIPS; i++) {
      way = turned(i === 0 ? step / 2 : step)
      lay(begin + (long * (i + 1)) / STRIPS, chord, true)
    }
    way = turned(step / 2)
  }
  const end = Math.max(...g.outline.map((p) => p.x))
  lay(end, end - from, false)
  return { bends, faces }
}

/** Where an upright line crosses the outline, from the lowest to the highest place. mm */
export function acrossAt(outline: Point[], x: number): [Point, Point] | null {
  const ys = outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    if ((a.x - x) * (b.x - x) > 0 || a.x === b.x) return []
    return [a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)]
  })
  return ys.length > 1
    ? [
        { x, y: Math.min(...ys) },
        { x, y: Math.max(...ys) },
      ]
    : null
}

/** What of an outline lies between two upright lines (Sutherland & Hodgman, 1974, one line after the other). */
export function cutBetween(outline: Point[], fromMm: number, toMm: number): Point[] {
  const half = (points: Point[], x: number, sign: 1 | -1): Point[] =>
    points.flatMap((a, i) => {
      const b = points[(i + 1) % points.length]!
      const [da, db] = [sign * (a.x - x), sign * (b.x - x)]
      const crossing = (): Point => ({ x, y: a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x) })
      const out: Point[] = da >= 0 ? [a] : []
      return da * db < 0 ? [...out, crossing()] : out
    })
  return half(half(outline, fromMm, 1), toMm, -1)
}
