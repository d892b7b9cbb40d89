import type { Assembly, Member, Mount } from '../../assembly/assembly'
import { profileSection } from '../../catalogue/profiles'
import { type MountLine, mountHalfWidthMm } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { feetOnLine } from '../feetAlong'
import { lineOf } from '../mountLine'
import { capped, straight } from '../parts'
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
  const line = lineOf(p, site.vehicle)
  if (!line) return null
  const z = line.zMm + p.footHeightMm + profileSection(p.barProfileId).heightMm / 2
  const half = (x: number) => Math.max(100, mountHalfWidthMm(line, x))
  const bars = [...p.footXMm]
    .sort((a, b) => a - b)
    .map((x, i) => {
      const y = half(x) + p.pastMm
      return straight(`bar:${i}`, `B${i + 1}`, 'Bar', p.barProfileId, { x, y, z }, { x, y: -y, z }, capped)
    })
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const mounts = feetOnLine(xs, line, half, () => '').map((m, i): Mount => ({ ...m, on: `bar:${Math.floor(i / 2)}` }))
  return { heads: rearFirst(bars), bars, mounts, line }
}
