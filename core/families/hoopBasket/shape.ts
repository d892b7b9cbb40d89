import type { Vec3 } from '../../geometry/vec3'
import { radians } from '../../quantity/units'
import { type MountLine, mountHalfWidthMm } from '../../vehicle/vehicle'
import type { Side } from '../feetOnEdge'
import { type BasketParams, outsideMm } from './params'

/** Hoops stand this far in from the ends of the runners; nothing saddles over a cut end. Shop's own, mm */
const IN_MM = 40
/** Air between two saddles on one leg, so that a torch gets between. Shop's own, mm */
const APART_MM = 12

export type Hoop = {
  name: 'front' | 'rear'
  x: number
  half: number
  path: [Vec3, Vec3, Vec3, Vec3]
  legAt: (upMm: number, side: Side) => Vec3
}
export type BasketShape = {
  rearX: number
  frontX: number
  /** middle of the runners above the ground */
  z: number
  half: (x: number) => number
  crossX: number[]
  hoops: [Hoop, Hoop]
  /** above the runners' middle: side bars and the lamp shell, null where a leg has no straight left for them */
  sideUpMm: number | null
  shellUpMm: number | null
}

export function basketShape(p: BasketParams, line: MountLine): BasketShape {
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const [firstX, lastX] = [xs[0]!, xs[xs.length - 1]!]
  const [rearX, frontX] = [firstX - p.pastMm, lastX + p.pastMm]
  const runner = outsideMm(p.runnerProfileId)
  const z = line.zMm + p.footHeightMm + runner / 2
  // straight from the rear foot to the front one, and on past both
  const [a, b] = [mountHalfWidthMm(line, firstX), mountHalfWidthMm(line, lastX)]
  const half = (x: number) => Math.max(60, a + ((b - a) * (x - firstX)) / Math.max(1, lastX - firstX))
  const hoop = (name: Hoop['name']): Hoop => {
    const x = name === 'front' ? frontX - IN_MM : rearX + IN_MM
    const lean = Math.tan(radians(name === 'front' ? p.frontLeanDeg : -p.rearLeanDeg))
    const own = half(x)
    const legAt = (up: number, side: Side): Vec3 => ({ x: x + up * lean, y: side * own, z: z + up })
    return { name, x, half: own, legAt, path: [legAt(0, 1), legAt(p.sideMm, 1), legAt(p.sideMm, -1), legAt(0, -1)] }
  }
  const [first, last] = [rearX + IN_MM + outsideMm(p.hoopProfileId) + APART_MM, frontX - IN_MM - outsideMm(p.hoopProfileId) - APART_MM]
  const hoops: [Hoop, Hoop] = [hoop('front'), hoop('rear')]
  // what a leg has straight between the runner and where it begins to bend
  const steep = Math.cos(radians(Math.max(Math.abs(p.frontLeanDeg), Math.abs(p.rearLeanDeg))))
  const straightTo = p.sideMm - (p.bendRadiusMm ?? 0) * steep
  const low = (od: number) => (runner + od) / 2 + APART_MM
  const side = outsideMm(p.sideProfileId)
  const sideUp = straightTo - side / 2 - 4
  const shellUp = p.sideBars
    ? sideUp - side / 2 - APART_MM - outsideMm(p.hoopProfileId) / 2
    : straightTo - outsideMm(p.hoopProfileId) / 2 - 4
  return {
    rearX,
    frontX,
    z,
    half,
    crossX: Array.from({ length: p.crossTubes }, (_, i) => first + ((last - first) * i) / Math.max(1, p.crossTubes - 1)),
    hoops,
    sideUpMm: p.sideBars && sideUp >= low(side) ? sideUp : null,
    shellUpMm: p.shell && shellUp >= low(outsideMm(p.hoopProfileId)) ? shellUp : null,
  }
}
