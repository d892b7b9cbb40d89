import { radians } from '../quantity/units'
import { dot, type Vec3 } from './vec3'

/** A place or a direction as three numbers: x, y, z. */
export type Triple = [number, number, number]

const cross = (a: Triple, b: Triple): Triple => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const unit = (a: Triple): Triple => {
  const l = Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2])
  return [a[0] / l, a[1] / l, a[2] / l]
}
/** Less than this off upright is upright: the sine of its lean. */
export const VERTICAL = 1e-6

/** Local axes as rows: x from one end to the other, y = global Z × x (global Y for an upright member), turned by the roll, z = x × y. */
export function localAxes(from: Triple, to: Triple, rollDeg: number): [Triple, Triple, Triple] {
  const x = unit([to[0] - from[0], to[1] - from[1], to[2] - from[2]])
  const upright = x[0] * x[0] + x[1] * x[1] < VERTICAL * VERTICAL
  // global Y made square to a member that is upright but for a hair
  const y0: Triple = upright ? unit([-x[1] * x[0], 1 - x[1] * x[1], -x[1] * x[2]]) : unit(cross([0, 0, 1], x))
  const z0 = cross(x, y0)
  if (!rollDeg) return [x, y0, z0]
  const [c, s] = [Math.cos(radians(rollDeg)), Math.sin(radians(rollDeg))]
  const y: Triple = [y0[0] * c + z0[0] * s, y0[1] * c + z0[1] * s, y0[2] * c + z0[2] * s]
  return [x, y, cross(x, y)]
}

const triple = (v: Vec3): Triple => [v.x, v.y, v.z]
const vec = ([x, y, z]: Triple): Vec3 => ({ x, y, z })

/** How a section lies on a straight piece of member: the way it runs, the way its width lies, and the way its height does; each of length 1. */
export function sectionAxes(from: Vec3, to: Vec3, rollDeg = 0): { run: Vec3; width: Vec3; height: Vec3 } {
  const [run, width, height] = localAxes(triple(from), triple(to), rollDeg)
  return { run: vec(run), width: vec(width), height: vec(height) }
}

/** The roll that lays a section's width as near as it can along a direction. degrees */
export function rollFor(from: Vec3, to: Vec3, widthWay: Vec3): number {
  const { width, height } = sectionAxes(from, to)
  return (Math.atan2(dot(height, widthWay), dot(width, widthWay)) * 180) / Math.PI
}
