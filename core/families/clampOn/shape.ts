import { edgeMm } from '../../adapter/adapterFigures'
import type { Assembly, Member, Mount } from '../../assembly/assembly'
import { threads } from '../../boltHoles/boltHoles'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { wallOf } from '../../catalogue/section'
import { along, apart, cross, dot, minus, unit, type Vec3 } from '../../geometry/vec3'
import type { MountLine } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { ownBars } from '../ownBar'
import type { ClampOnParams } from './params'

/** Room between the pack and an ear. Shop's own, mm */
const BESIDE_MM = 8
/** A tube runs on past its ears by so much. Shop's own, mm */
const PAST_EAR_MM = 15
const UP: Vec3 = { x: 0, y: 0, z: 1 }

/** Bars that a jaw goes over: level, straight, across the vehicle, of one height, the rear one first. */
const acrossBars = (below: Assembly): Member[] =>
  below.members
    .filter((m) => {
      const [a, b] = [m.path[0]!, m.path[1]!]
      return m.path.length === 2 && Math.abs(b.y - a.y) > 250 && Math.abs(b.x - a.x) < 30 && Math.abs(b.z - a.z) < 2
    })
    .sort((p, q) => p.path[0]!.x - q.path[0]!.x)

export type OnBars = { bars: Member[]; own: Member[]; mounts: Mount[]; line: MountLine | null }
/** The bars that get a jaw; null where there is none. */
export function barsOf(p: ClampOnParams, site: Site): OnBars | null {
  if (!site.below) {
    const own = ownBars(p, site)
    return own && { bars: own.bars.slice(0, p.jaws), own: own.bars, mounts: own.mounts, line: own.line }
  }
  const all = acrossBars(site.below)
  const first = all.find((m) => m.id === p.onMember) ?? all[0]
  if (!first) return null
  const level = all.filter((m) => Math.abs(m.path[0]!.z - first.path[0]!.z) < 2 && m.profileId === first.profileId)
  const from = level.indexOf(first)
  return { bars: level.slice(from, from + p.jaws), own: [], mounts: [], line: null }
}
export const barChoices = (site: Site): Member[] => (site.below ? acrossBars(site.below) : [])

/** Sizes that all jaws share. mm */
export type Jaw = {
  /** between the ears: the bar with its lining and washers on both sides */
  gapMm: number
  barWideMm: number
  barDeepMm: number
  tubeMm: number
  /** from the top of the bar to the underside of the tube: the pack and its padding over and under it */
  clearMm: number
  /** ears under and over the top of the bar, and their holes there */
  lowMm: number
  highMm: number
  clampDownMm: number
  tubeUpMm: number
  /** from the middle to the middle of an ear, and of the tube over all */
  earOutMm: number
  tubeLongMm: number
  holeMm: number
  /** inside the tube, so that its bolt does not cave it in */
  sleeveMm: number
  /** all that the bolt of the tube passes, and that under the bar */
  stackMm: number
}
export function jawOf(p: ClampOnParams, bar: Member): Jaw {
  const s = profileSection(bar.profileId)
  const tubeMm = profileSection(p.tubeProfileId).heightMm
  const holeMm = threads[p.bolt].normalMm
  const edge = edgeMm(p.bolt)
  const gapMm = s.widthMm + 2 * p.liningMm
  const clearMm = p.packThickMm + 2 * p.padMm
  const clampDownMm = s.heightMm + p.liningMm + holeMm / 2
  const tubeUpMm = clearMm + tubeMm / 2
  const earOutMm = p.packWideMm / 2 + BESIDE_MM + p.earWideMm / 2
  return {
    ...{ gapMm, barWideMm: s.widthMm, barDeepMm: s.heightMm, tubeMm, clearMm, clampDownMm, tubeUpMm, earOutMm, holeMm },
    lowMm: clampDownMm + edge,
    highMm: tubeUpMm + Math.max(edge, tubeMm / 2),
    tubeLongMm: 2 * (earOutMm + p.earWideMm / 2 + PAST_EAR_MM),
    sleeveMm: tubeMm - 2 * (wallOf(profileOf(p.tubeProfileId).shape) ?? 0),
    stackMm: 2 * p.earMm + gapMm,
  }
}

/** A jaw's own place: on the middle of the bar's top, the way along the bar, and the way an ear stands off it. */
export type JawPlace = { at: Vec3; way: Vec3; aside: Vec3; lengthMm: number }
export function placeOn(p: ClampOnParams, bar: Member): JawPlace {
  const [from, to] = [bar.path[0]!, bar.path[1]!]
  const way = unit(minus(to, from))
  const up = along(UP, way, -dot(UP, way))
  return {
    at: along(along(from, way, p.atMm), up, profileSection(bar.profileId).heightMm / 2),
    way,
    aside: cross(up, way),
    lengthMm: apart(from, to),
  }
}
