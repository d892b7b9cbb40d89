import { along, cross, dot, minus, size, unit, type Vec3 } from './vec3'

/** Chords of an arc turn by no more than 7.5°: the chord is then shorter than its arc by under 0.08 %. */
const MOST_TURN = Math.PI / 24

/** One bend of a path: how far it turns (radians), its radius, and what it takes off each leg, R·tan(A/2). mm */
type Bend = { turn: number; radiusMm: number; setbackMm: number }

/** The bend at an inner point; a radius its legs have no room for is none, and the corner stays sharp. */
function bendAt(path: Vec3[], i: number, radiiMm: number[]): Bend {
  const [back, ahead] = [minus(path[i - 1]!, path[i]!), minus(path[i + 1]!, path[i]!)]
  const turn = Math.PI - Math.acos(Math.max(-1, Math.min(1, dot(unit(back), unit(ahead)))))
  const radiusMm = radiiMm[i - 1] ?? 0
  const setbackMm = radiusMm * Math.tan(turn / 2)
  const room = setbackMm <= size(back) + 1e-9 && setbackMm <= size(ahead) + 1e-9
  return radiusMm > 0 && turn > 1e-6 && room ? { turn, radiusMm, setbackMm } : { turn, radiusMm: 0, setbackMm: 0 }
}

/**
 * Length of a bent tube along its centre line: Σ legs − Σ 2·R·tan(A/2) + Σ R·A (Machinery's Handbook, arcs and their tangents). mm. The one length
 * that is cut, weighed, coated, priced and drawn.
 */
export function developedLengthMm(path: Vec3[], radiiMm: number[] = []): number {
  const legs = path.slice(1).reduce((sum, p, k) => sum + size(minus(p, path[k]!)), 0)
  const gains = path.slice(1, -1).reduce((sum, _, k) => {
    const { turn, radiusMm, setbackMm } = bendAt(path, k + 1, radiiMm)
    return sum + radiusMm * turn - 2 * setbackMm
  }, 0)
  return legs + gains
}

/**
 * The centre line of a bent tube as points: straight legs, and at each inner point an arc of its radius in the plane of its two legs, in short
 * chords. mm.
 */
export function centreLine(path: Vec3[], radiiMm: number[] = []): Vec3[] {
  const out: Vec3[] = [path[0]!]
  for (let i = 1; i < path.length - 1; i++) {
    const at = path[i]!
    const { turn, radiusMm, setbackMm } = bendAt(path, i, radiiMm)
    if (radiusMm === 0) {
      out.push(at)
      continue
    }
    const [u, v] = [unit(minus(path[i - 1]!, at)), unit(minus(path[i + 1]!, at))]
    const inward = unit({ x: u.x + v.x, y: u.y + v.y, z: u.z + v.z })
    const centre = along(at, inward, radiusMm / Math.cos(turn / 2))
    // from the first tangent point the tube goes on against u and then bends towards v
    const e1 = unit(minus(along(at, u, setbackMm), centre))
    const e2 = cross(unit(cross(e1, along({ x: 0, y: 0, z: 0 }, u, -1))), e1)
    const steps = Math.ceil(turn / MOST_TURN)
    for (let s = 0; s <= steps; s++) {
      const a = (turn * s) / steps
      out.push(along(along(centre, e1, radiusMm * Math.cos(a)), e2, radiusMm * Math.sin(a)))
    }
  }
  out.push(path[path.length - 1]!)
  return out
}

/** The point at a distance along a line of points, its ends for what lies beyond. mm */
export function pointAlong(points: Vec3[], atMm: number): Vec3 {
  let left = atMm
  for (let i = 1; i < points.length; i++) {
    const [from, to] = [points[i - 1]!, points[i]!]
    const step = minus(to, from)
    const length = size(step)
    if (left <= length || i === points.length - 1) return length > 0 ? along(from, step, Math.max(0, Math.min(1, left / length))) : to
    left -= length
  }
  return points[0]!
}

/** The place along a line of points nearest to a point, and how far off it is. mm */
export function nearestAlong(points: Vec3[], p: Vec3): { atMm: number; offMm: number } {
  let best = { atMm: 0, offMm: Number.POSITIVE_INFINITY }
  let start = 0
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!
    const d = minus(points[i]!, a)
    const length = size(d)
    const t = length > 0 ? Math.max(0, Math.min(1, dot(minus(p, a), d) / length ** 2)) : 0
    const offMm = size(minus(p, along(a, d, t)))
    if (offMm < best.offMm - 1e-9) best = { atMm: start + t * length, offMm }
    start += length
  }
  return best
}

/** The way a line of points runs at a distance along it, of length 1. */
export function headingAlong(points: Vec3[], atMm: number): Vec3 {
  const length = points.slice(1).reduce((s, p, i) => s + size(minus(p, points[i]!)), 0)
  return unit(minus(pointAlong(points, Math.min(length, atMm + 1)), pointAlong(points, Math.max(0, atMm - 1))))
}
