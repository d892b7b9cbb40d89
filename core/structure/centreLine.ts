import type { Vec3 } from '../assembly/assembly'

/** Chords of an arc turn by no more than this: the chord is then shorter than its arc by under 0.03 %. */
const MOST_TURN = Math.PI / 18

const minus = (a: Vec3, b: Vec3): Vec3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z })
const along = (a: Vec3, d: Vec3, by: number): Vec3 => ({ x: a.x + d.x * by, y: a.y + d.y * by, z: a.z + d.z * by })
const size = (a: Vec3): number => Math.hypot(a.x, a.y, a.z)
const unit = (a: Vec3): Vec3 => along({ x: 0, y: 0, z: 0 }, a, 1 / size(a))

/**
 * The centre line of a bent tube as points: straight legs, and at each inner point an arc of its radius in the plane of its two legs, in chords of
 * ten degrees. mm. Setback = R·tan(A/2). An arc that its legs have no room for is left a sharp corner.
 */
export function centreLine(path: Vec3[], radiiMm: number[] = []): Vec3[] {
  const out: Vec3[] = [path[0]]
  for (let i = 1; i < path.length - 1; i++) {
    const radius = radiiMm[i - 1] ?? 0
    const [back, ahead] = [minus(path[i - 1], path[i]), minus(path[i + 1], path[i])]
    const [u, v] = [unit(back), unit(ahead)]
    const turn = Math.PI - Math.acos(Math.max(-1, Math.min(1, u.x * v.x + u.y * v.y + u.z * v.z)))
    const setback = radius * Math.tan(turn / 2)
    if (!(radius > 0) || turn < 1e-6 || setback > size(back) + 1e-9 || setback > size(ahead) + 1e-9) {
      out.push(path[i])
      continue
    }
    const inward = unit({ x: u.x + v.x, y: u.y + v.y, z: u.z + v.z })
    const centre = along(path[i], inward, radius / Math.cos(turn / 2))
    const start = minus(along(path[i], u, setback), centre)
    // from the first tangent point the tube goes on against u and then bends towards v
    const steps = Math.ceil(turn / MOST_TURN)
    const [e1, e2] = [unit(start), unit(along({ x: 0, y: 0, z: 0 }, u, -1))]
    for (let s = 0; s <= steps; s++) {
      const a = (turn * s) / steps
      out.push(along(along(centre, e1, radius * Math.cos(a)), e2, radius * Math.sin(a)))
    }
  }
  out.push(path[path.length - 1])
  return out
}

/** The point at a distance along a line of points, its ends for what lies beyond. mm */
export function pointAlong(points: Vec3[], atMm: number): Vec3 {
  let left = atMm
  for (let i = 1; i < points.length; i++) {
    const step = minus(points[i], points[i - 1])
    const length = size(step)
    if (left <= length || i === points.length - 1)
      return length > 0 ? along(points[i - 1], step, Math.max(0, Math.min(1, left / length))) : points[i]
    left -= length
  }
  return points[0]
}
