import { apart, dot, minus, type Vec3 } from './vec3'

/** A straight between two places. mm */
export type Segment = { from: Vec3; to: Vec3 }

/** Smallest distance of two straight pieces (Ericson, Real-Time Collision Detection, 5.1.9). mm */
export function segmentsApart(p: Segment, q: Segment): number {
  const [d1, d2, r] = [minus(p.to, p.from), minus(q.to, q.from), minus(p.from, q.from)]
  const [a, e, f, c, b] = [dot(d1, d1), dot(d2, d2), dot(d2, r), dot(d1, r), dot(d1, d2)]
  const clamp = (t: number) => Math.max(0, Math.min(1, t))
  const over = a * e - b * b
  let s = over > 1e-9 ? clamp((b * f - c * e) / over) : 0
  let t = e > 0 ? (b * s + f) / e : 0
  // a straight of no length is a place: the other one's nearest to it
  if (e <= 0 || t < 0 || t > 1) {
    t = clamp(t)
    s = a > 0 ? clamp((b * t - c) / a) : 0
  }
  return apart(
    { x: p.from.x + d1.x * s, y: p.from.y + d1.y * s, z: p.from.z + d1.z * s },
    { x: q.from.x + d2.x * t, y: q.from.y + d2.y * t, z: q.from.z + d2.z * t },
  )
}
