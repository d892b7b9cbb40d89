import { profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import { alongPlace, type Place } from '../../places/places'
import { degrees, type Radians } from '../../quantity/units'
import type { Site } from '../family'
import { leftEdge, type Side } from '../feetOnEdge'
import type { HalfGuardParams } from './params'

/** The left rail of the bed, or the edge of a tray; null where neither is measured. */
export const leftRailOf = (site: Site): Place | null => leftEdge(site, 'bed.rail', 'tray.edge')

export type HalfGuardShape = {
  rail: Place
  frontX: number
  rearX: number
  hoopX: number
  /** middle of the base tubes above the ground */
  z: number
  half: (x: number) => number
  /** how much each base tube runs in towards the front; both together narrow by twice that. degrees */
  taperPerSideDeg: number
  legAt: (upMm: number, side: Side) => Vec3
  stay: (side: Side) => [Vec3, Vec3]
  lowUpMm: number[]
}

export function halfGuardShape(p: HalfGuardParams, site: Site): HalfGuardShape | null {
  const rail = leftRailOf(site)
  if (!rail) return null
  const frontX = rail.to.x - p.frontGapMm
  const rearX = frontX - p.baseMm
  const hoopX = frontX - p.hoopBehindMm
  const z = rail.to.z + profileSection(p.baseProfileId).heightMm / 2
  const half = (x: number) => alongPlace(rail, x - rail.from.x).y - p.insideMm
  const legAt = (up: number, side: Side): Vec3 => ({ x: hoopX, y: side * half(hoopX), z: z + up })
  const backX = Math.max(rearX + 40, hoopX - p.stayBackMm)
  return {
    rail,
    frontX,
    rearX,
    hoopX,
    z,
    half,
    taperPerSideDeg: degrees(Math.atan2(half(rearX) - half(frontX), frontX - rearX) as Radians),
    legAt,
    stay: (side) => [legAt(p.stayUpMm, side), { x: backX, y: side * half(backX), z }],
    lowUpMm: Array.from({ length: p.lowBars }, (_, i) => (p.stayUpMm * (i + 1)) / (p.lowBars + 1)),
  }
}
