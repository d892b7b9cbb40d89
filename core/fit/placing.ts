import { cross, plus, times, type Vec3 } from '../geometry/vec3'

/** A turn about the origin (a quaternion of length 1) and then a shift. mm */
export type Placing = { turn: { x: number; y: number; z: number; w: number }; shift: Vec3 }

/** A place after a placing: q·v·q* + shift. */
export const placed = (p: Placing, v: Vec3): Vec3 => plus(turned(p.turn, v), p.shift)

/** A direction turned: v + 2w(u × v) + 2u × (u × v). */
export function turned({ x, y, z, w }: Placing['turn'], v: Vec3): Vec3 {
  const u = { x, y, z }
  const uv = cross(u, v)
  return plus(v, plus(times(uv, 2 * w), times(cross(u, uv), 2)))
}
