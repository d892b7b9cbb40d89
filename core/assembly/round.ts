import { cross, plus, times, unit, type Vec3 } from '../geometry/vec3'
import type { Fitting, Round } from './assembly'

const SIDES = 32

/** The rims of a round thing, either end of its axis, drawn just round it so that nothing of it lies outside. */
export function rimsOf(middle: Vec3, r: Round): [Vec3[], Vec3[]] {
  const axis = unit(r.axis)
  const aside = unit(cross(axis, Math.abs(axis.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }))
  const up = cross(axis, aside)
  const radius = r.acrossMm / 2 / Math.cos(Math.PI / SIDES)
  const rim = (end: 1 | -1): Vec3[] =>
    Array.from({ length: SIDES }, (_, i) => {
      const a = (2 * Math.PI * i) / SIDES
      const out = plus(times(aside, radius * Math.cos(a)), times(up, radius * Math.sin(a)))
      return plus(plus(middle, times(axis, (end * r.wideMm) / 2)), out)
    })
  return [rim(-1), rim(1)]
}

/** The corners of what a fitting fills: of its rims where it is round, of its box elsewhere. */
export function fittingCorners(f: Pick<Fitting, 'middle' | 'size' | 'round'>): Vec3[] {
  if (f.round) return rimsOf(f.middle, f.round).flat()
  return [-0.5, 0.5].flatMap((i) =>
    [-0.5, 0.5].flatMap((j) => [-0.5, 0.5].map((k) => plus(f.middle, { x: i * f.size.x, y: j * f.size.y, z: k * f.size.z }))),
  )
}
