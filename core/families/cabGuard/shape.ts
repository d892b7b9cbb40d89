import { profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import { angleFromOffsets } from '../../measure/taper'
import { measured } from '../../places/measured'
import { alongPlace, type Place, placesOf } from '../../places/places'
import { solveTrapezoid, type Trapezoid } from '../../trapezoid/trapezoid'
import type { Site } from '../family'
import type { GuardParams } from './params'

/** The two rails of the bed, left and right; null where the bed is not measured. */
export function railsOf(site: Site): { left: Place; right: Place } | null {
  const own = placesOf(site.vehicle).places.filter((p) => p.id === 'bed.rail')
  const [left, right] = [own.find((p) => p.side === 'left'), own.find((p) => p.side === 'right')]
  return left && right ? { left, right } : null
}

/** The lean of the cab's side from its two heights and offsets, one reading of a finder never being enough. degrees inward; null = not measured */
export function cabLeanDeg(site: Site): number | null {
  const m = (id: string) => measured(site.vehicle, id).value
  const [h1, o1, h2, o2] = ['cab.lowerHeight', 'cab.lowerOffset', 'cab.upperHeight', 'cab.upperOffset'].map(m)
  if (h1 == null || o1 == null || h2 == null || o2 == null || h2 <= h1) return null
  return angleFromOffsets({ lowerHeightMm: h1, lowerOffsetMm: o1, upperHeightMm: h2, upperOffsetMm: o2, toleranceMm: 2 }).angleDeg
}

/** Where everything of a guard stands: its front and rear along the vehicle, the middle of each base rail, and the posts between base and top as a trapezoid. */
export type GuardShape = {
  frontX: number
  rearX: number
  postX: number
  railZ: number
  baseZ: number
  topZ: number
  half: (x: number) => number
  leanDeg: number
  posts: Trapezoid
  bottom: (side: 1 | -1) => Vec3
  top: (side: 1 | -1) => Vec3
}

/** Throws `Impossible` where its posts would cross. */
export function guardShape(p: GuardParams, site: Site): GuardShape | null {
  const rails = railsOf(site)
  if (!rails) return null
  const base = profileSection(p.baseProfileId)
  const bar = profileSection(p.profileId)
  const { left } = rails
  const frontX = left.to.x - p.frontGapMm
  const rearX = frontX - p.baseMm
  const postX = frontX - bar.heightMm / 2 - 10
  const railZ = left.to.z
  const half = (x: number) => alongPlace(left, x - left.from.x).y - p.insideMm
  const baseZ = railZ + base.heightMm / 2
  const topZ = railZ + p.heightMm - bar.heightMm / 2
  const leanDeg = p.leanFrom === 'the cab' ? (cabLeanDeg(site) ?? p.leanDeg) : p.leanDeg
  const foot = baseZ + base.heightMm / 2
  const height = Math.max(50, topZ - bar.heightMm / 2 - foot)
  const posts = solveTrapezoid({ baseMm: 2 * half(postX), topMm: null, heightMm: height, legMm: null, leanDeg })
  return {
    frontX,
    rearX,
    postX,
    railZ,
    baseZ,
    topZ,
    half,
    leanDeg,
    posts,
    bottom: (side) => ({ x: postX, y: (side * posts.baseMm) / 2, z: foot }),
    top: (side) => ({ x: postX, y: (side * posts.topMm) / 2, z: foot + height }),
  }
}
