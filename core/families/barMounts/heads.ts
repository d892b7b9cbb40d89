import type { Assembly, Member, Mount } from '../../assembly/assembly'
import { profileSection } from '../../catalogue/profiles'
import type { MountLine } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { ownBars } from '../ownBar'
import type { BarMountsParams } from './params'

/** The end of a bar that a bracket is bolted to: which bar, its place along the vehicle, and where it ends on that side. mm */
export type Head = { barId: string; x: number; endY: number; topZ: number; bottomZ: number }
/** Where the brackets go, from the rear to the front, and the bars that are its own. */
export type Heads = { heads: Head[]; bars: Member[]; mounts: Mount[]; line: MountLine | null }

/** Straight bars across with nothing at their ends but a cut: those that a bracket can be bolted to. */
const freeEnded = (below: Assembly): Member[] =>
  below.members.filter((m) => {
    const [a, b] = m.path
    return m.path.length === 2 && a && b && Math.abs(b.y - a.y) > 400 && Math.abs(b.x - a.x) < 20 && m.ends.every((e) => e.kind !== 'cope')
  })

const headOf = (m: Member, side: 1 | -1): Head => {
  const [a, b] = [m.path[0]!, m.path[1]!]
  const end = side * a.y > side * b.y ? a : b
  const half = profileSection(m.profileId).heightMm / 2
  return { barId: m.id, x: end.x, endY: end.y, topZ: end.z + half, bottomZ: end.z - half }
}

/** Null where there is nothing to bolt brackets to. */
export function headsOf(p: BarMountsParams, site: Site): Heads | null {
  const side = p.side === 'left' ? 1 : -1
  const rearFirst = (bars: Member[]) => bars.map((m) => headOf(m, side)).sort((a, b) => a.x - b.x)
  if (site.below) {
    const bars = freeEnded(site.below)
    return bars.length ? { heads: rearFirst(bars), bars: [], mounts: [], line: null } : null
  }
  const own = ownBars(p, site)
  return own && { heads: rearFirst(own.bars), ...own }
}
