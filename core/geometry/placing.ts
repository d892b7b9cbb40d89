import { radians } from '../quantity/units'
import { cross, minus, plus, times, type Vec3 } from './vec3'

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

/** Where something has gone that turned so many degrees about a line, or slid so many mm along it; `way` of length 1. */
export function placingAt(m: { kind: 'turn' | 'slide'; axis: { at: Vec3; way: Vec3 } }, value: number): Placing {
  const still = { x: 0, y: 0, z: 0, w: 1 }
  if (m.kind === 'slide') return { turn: still, shift: times(m.axis.way, value) }
  const half = radians(value) / 2
  const s = Math.sin(half)
  const turn = { x: m.axis.way.x * s, y: m.axis.way.y * s, z: m.axis.way.z * s, w: Math.cos(half) }
  // about a line off the origin: x → at + R·(x − at)
  return { turn, shift: minus(m.axis.at, turned(turn, m.axis.at)) }
}

/** The turn that brings upright to another way, of length 1, once it was turned about itself by so much. radians */
export function uprightTo(way: Vec3, twist: number): Placing['turn'] {
  // half way between the two: q = (1 + z·w, z × w), normed; straight down it is half a turn about x
  const w = 1 + way.z
  const k = Math.hypot(way.x, way.y, w)
  const lean = k < 1e-6 ? { x: 1, y: 0, z: 0, w: 0 } : { x: -way.y / k, y: way.x / k, z: 0, w: w / k }
  const [s, c] = [Math.sin(twist / 2), Math.cos(twist / 2)]
  // lean · (0, 0, s, c)
  return { x: lean.x * c + lean.y * s, y: lean.y * c - lean.x * s, z: lean.w * s, w: lean.w * c }
}
