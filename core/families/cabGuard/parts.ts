import type { Joint, Member } from '../../assembly/assembly'
import { profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import { radians } from '../../quantity/units'
import type { GuardParams } from './params'
import type { GuardShape } from './shape'
export const sides = [1, -1] as const
export type Side = (typeof sides)[number]
export const nameOf = (side: Side) => (side > 0 ? 'left' : 'right')
export const L = (side: Side) => (side > 0 ? 'L' : 'R')
/** The shop's own: plate of gussets, tabs and seats; a base rail stands on a foot this far from each end. mm */
export const PLATE_MM = 6
export const FOOT_IN_MM = 60
export const MESH = { wireKgM2: 3.1, openShare: 0.7, priceMinorM2: 3800, tackMm: 120 }
export const SLATS = { kgM2: 6.2, openShare: 0.45, priceMinorM2: 5200, tackMm: 250 }

export const capped: Member['ends'] = [{ kind: 'cap' }, { kind: 'cap' }]
export const allRound = (lengthMm: number, apartMm: number): Pick<Joint, 'weld'> => ({ weld: { lengthMm, apartMm, allRound: true } })

export const topHalf = (p: GuardParams, s: GuardShape): number => Math.max(50, s.posts.topMm / 2 + p.lipMm)
export const topBearing = (p: GuardParams, s: GuardShape) => {
  const half = topHalf(p, s)
  return { on: 'top', xMm: s.postX, leftMm: half, rightMm: -half, zMm: s.topZ + profileSection(p.profileId).heightMm / 2 }
}

/** The bar under the infill, between the posts' inner faces at its height; none where nothing is filled, or there is no room under the top. */
export function sillOf(p: GuardParams, s: GuardShape): { path: [Vec3, Vec3]; z: number } | null {
  const bar = profileSection(p.profileId)
  const z = s.railZ + p.sillMm
  const [foot, head] = [s.bottom(1), s.top(1)]
  if (p.fill === 'open' || z - bar.heightMm / 2 < foot.z + 20 || z + bar.heightMm / 2 > head.z - 60) return null
  const y = foot.y + ((head.y - foot.y) * (z - foot.z)) / (head.z - foot.z) - bar.widthMm / 2 / Math.cos(radians(s.leanDeg))
  return {
    z,
    path: [
      { x: s.postX, y, z },
      { x: s.postX, y: -y, z },
    ],
  }
}
