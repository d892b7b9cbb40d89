import type { Member, Mount, Support } from '../assembly/assembly'
import { profileSection } from '../catalogue/profiles'
import { type MountLine, mountHalfWidthMm } from '../vehicle/vehicle'
import { boxChoices } from './choices'
import type { FieldSpec, Site } from './family'
import { feetOnLine } from './feetAlong'
import { lineField, lineOf } from './mountLine'
import { barsSupport, capped, straight } from './parts'

/** What a piece needs to know of bars of its own, where it stands on no other piece. mm */
export type OwnBar = { mountId: string; footHeightMm: number; barProfileId: string }
export const onItsOwn = (_: unknown, site: Site): boolean => site.below === null
export const OWN_BARS = 'Bars of its own'

export const ownBarFields: FieldSpec<OwnBar>[] = [
  { ...lineField('Bars stand on'), group: OWN_BARS, when: onItsOwn },
  { key: 'footHeightMm', label: 'Foot height', kind: 'length', min: 0, max: 400, group: OWN_BARS, when: onItsOwn },
  { key: 'barProfileId', label: 'Bars', kind: 'profile', options: boxChoices, group: OWN_BARS, when: onItsOwn },
]

/** Several of them in a row across the vehicle, and how far each runs past its feet. mm */
export type OwnBars = OwnBar & { footXMm: number[]; pastMm: number }
/** Bars across on feet of their own, from the rear to the front; null where the vehicle has no line to stand on. mm */
export function ownBars(p: OwnBars, site: Site): { bars: Member[]; mounts: Mount[]; line: MountLine } | null {
  const line = lineOf(p, site.vehicle)
  if (!line) return null
  const z = line.zMm + p.footHeightMm + profileSection(p.barProfileId).heightMm / 2
  const half = (x: number) => Math.max(100, mountHalfWidthMm(line, x))
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const bars = xs.map((x, i) => {
    const y = half(x) + p.pastMm
    return straight(`bar:${i}`, `B${i + 1}`, 'Bar', p.barProfileId, { x, y, z }, { x, y: -y, z }, capped)
  })
  const mounts = feetOnLine(xs, line, half, () => '').map((m, i): Mount => ({ ...m, on: `bar:${Math.floor(i / 2)}` }))
  return { bars, mounts, line }
}

/** What is typed of them. */
export const ownBarsFields: FieldSpec<OwnBars>[] = [
  {
    ...{ key: 'footXMm', label: 'Bars, ahead of the rear axle', each: 'Bar', kind: 'lengths', min: -5000, max: 8000, most: 6 },
    ...{ group: OWN_BARS, when: onItsOwn },
  },
  { key: 'pastMm', label: 'Bars past their feet', kind: 'length', min: 40, max: 400, group: OWN_BARS, when: onItsOwn },
  ...ownBarFields,
]

/** Things lie on their tops. mm */
export const ownBarsSupport = (bars: Member[], bodyId: string | null): Support =>
  barsSupport({
    id: 'bars',
    name: 'Bars',
    bodyId,
    bearings: bars.map((m) => ({
      on: m.id,
      xMm: m.path[0]!.x,
      leftMm: m.path[0]!.y,
      rightMm: m.path[1]!.y,
      zMm: m.path[0]!.z + profileSection(m.profileId).heightMm / 2,
    })),
  })
