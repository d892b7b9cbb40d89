/** A place or a direction in space. Vehicle axes (ISO 8855: x forward, y left, z up), mm where it is a place. */
export type Vec3 = { x: number; y: number; z: number }
/** A place in a plane, mm; on a drawing y runs up the sheet. */
export type Point = { x: number; y: number }

export const minus = (a: Vec3, b: Vec3): Vec3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z })
/** From `a` along `d`, `by` times its length. */
export const along = (a: Vec3, d: Vec3, by: number): Vec3 => ({ x: a.x + d.x * by, y: a.y + d.y * by, z: a.z + d.z * by })
export const dot = (a: Vec3, b: Vec3): number => a.x * b.x + a.y * b.y + a.z * b.z
export const cross = (a: Vec3, b: Vec3): Vec3 => ({ x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x })
// by the root itself: Math.hypot costs ten times as much, and no length here is near what overflows
export const size = (a: Vec3): number => Math.sqrt(a.x * a.x + a.y * a.y + a.z * a.z)
export const apart = (a: Vec3, b: Vec3): number => Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2 + (a.z - b.z) ** 2)
/** Length 1; a vector of no length stays as it is. */
export const unit = (a: Vec3): Vec3 => {
  const s = size(a)
  return s > 0 ? { x: a.x / s, y: a.y / s, z: a.z / s } : a
}

export const plus = (a: Vec3, b: Vec3): Vec3 => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z })
export const times = (a: Vec3, by: number): Vec3 => ({ x: a.x * by, y: a.y * by, z: a.z * by })
export const middleOf = (a: Vec3, b: Vec3): Vec3 => times(plus(a, b), 0.5)

/** A direction as it is after a tube turns from one way to another, turned with it and not about it (Rodrigues). Both ways of length 1. */
export function turnedWith(before: Vec3, way: Vec3, v: Vec3): Vec3 {
  const axis = cross(before, way)
  const s = size(axis)
  if (s < 1e-9) return v
  const k = times(axis, 1 / s)
  const c = dot(before, way)
  return along(along(times(v, c), cross(k, v), s), k, dot(k, v) * (1 - c))
}
