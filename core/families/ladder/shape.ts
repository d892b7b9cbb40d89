import type { Member, Mount } from '../../assembly/assembly'
import { profileOf, profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import { type Place, placesOf } from '../../places/places'
import { equalPositions } from '../../spacing/spacing'
import { type MountLine, mountHalfWidthMm } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { feetOnLine } from '../feetAlong'
import { lineOf } from '../mountLine'
import { capped, straight } from '../parts'
import type { LadderParams } from './params'

/** Wall of a collar between bar and rail; a rail reaches so far ahead of its bar. Shop's own, mm */
export const COLLAR_MM = 4
const AHEAD_MM = 70
/** A bar of its own reaches so far past its feet; a rung stands so far below the bend. Shop's own, mm */
const PAST_MM = 60
const BELOW_BEND_MM = 60

export const outsideMm = (profileId: string): number => {
  const { shape } = profileOf(profileId)
  return shape.kind === 'round' ? shape.outsideDiameterMm : 25
}
export const bumperOf = (site: Site): Place | null => placesOf(site.vehicle).places.find((p) => p.kind === 'bumper') ?? null

/** The bar that holds its head: the rearmost that runs across of the piece below, or one of its own. */
export type Head = { bar: Member; own: boolean; mounts: Mount[]; line: MountLine | null }
export function headOf(p: LadderParams, site: Site): Head | null {
  if (site.below) {
    const bars = site.below.members.filter((m) => {
      const [a, b] = [m.path[0]!, m.path[m.path.length - 1]!]
      return Math.abs(b.y - a.y) > 400 && Math.abs(b.x - a.x) < 40 && Math.abs(b.z - a.z) < 20 && m.path.length === 2
    })
    const bar = bars.reduce<Member | null>((rear, m) => (rear === null || m.path[0]!.x < rear.path[0]!.x ? m : rear), null)
    return bar ? { bar, own: false, mounts: [], line: null } : null
  }
  const line = lineOf(p, site.vehicle)
  if (!line) return null
  const half = Math.max(200, mountHalfWidthMm(line, p.barXMm)) + PAST_MM
  const z = line.zMm + p.footHeightMm + profileSection(p.barProfileId).heightMm / 2
  const bar = straight('bar', 'LB', 'Head bar', p.barProfileId, { x: p.barXMm, y: half, z }, { x: p.barXMm, y: -half, z }, capped)
  const mounts = feetOnLine(
    [p.barXMm],
    line,
    (x) => Math.max(200, mountHalfWidthMm(line, x)),
    () => 'bar',
  )
  return { bar, own: true, mounts, line }
}

/** Where the rails run and the rungs stand. mm */
export type LadderShape = {
  railY: [number, number]
  /** one rail's corners at the middle of the vehicle: ahead of the bar, over the edge, the knee, the foot */
  corners: [Vec3, Vec3, Vec3, Vec3]
  foot: { x: number; z: number }
  rungs: { x: number; z: number }[]
  pitchMm: number | null
}

export function ladderShape(p: LadderParams, site: Site, head: Head, bumper: Place): LadderShape {
  const rail = outsideMm(p.railProfileId)
  const bar = head.bar.path[0]!
  const topZ = bar.z + profileSection(head.bar.profileId).heightMm / 2 + COLLAR_MM + rail / 2
  const rearX = -(site.vehicle.rearOverhangMm.value ?? Math.abs(bumper.from.x))
  const x = Math.min(rearX, bar.x - AHEAD_MM) - p.standOffMm
  const foot = { x: bumper.from.x, z: bumper.from.z }
  const kneeZ = foot.z + p.kneeUpMm
  const corner = (cx: number, z: number): Vec3 => ({ x: cx, y: 0, z })
  const lastZ = topZ - (p.bendRadiusMm ?? 0) - BELOW_BEND_MM
  const heights = lastZ > p.firstRungMm ? equalPositions(p.firstRungMm, lastZ, Math.ceil((lastZ - p.firstRungMm) / p.mostPitchMm) + 1) : []
  // below the knee the rail leans in to the bumper
  const along = (z: number) => (z >= kneeZ ? x : x + ((foot.x - x) * (kneeZ - z)) / Math.max(1, kneeZ - foot.z))
  return {
    railY: [p.asideMm + p.wideMm / 2, p.asideMm - p.wideMm / 2],
    corners: [corner(bar.x + AHEAD_MM, topZ), corner(x, topZ), corner(x, kneeZ), corner(foot.x, foot.z)],
    foot,
    rungs: heights.filter((z) => z > foot.z + 40).map((z) => ({ x: along(z), z })),
    pitchMm: heights.length > 1 ? heights[1]! - heights[0]! : null,
  }
}

/** Where a hinged ladder folds: on the rear face of its rails, at a height; and what of it lies below. mm */
export type Fold = { hingeZ: number; axisX: number; lowerMm: number; roomMm: number }
export function foldOf(p: LadderParams, s: LadderShape): Fold | null {
  if (p.kind !== 'hinged') return null
  const [, shoulder, , foot] = s.corners
  const hingeZ = foot.z + p.hingeUpMm
  return {
    hingeZ,
    axisX: shoulder.x - outsideMm(p.railProfileId) / 2,
    lowerMm: hingeZ - foot.z,
    roomMm: shoulder.z - (p.bendRadiusMm ?? 0) - hingeZ,
  }
}
/** A place of the lower part as it lies behind the upper one, half a turn about the hinges. mm */
export const foldedUp = (v: Vec3, f: Fold): Vec3 => ({ x: 2 * f.axisX - v.x, y: v.y, z: 2 * f.hingeZ - v.z })
