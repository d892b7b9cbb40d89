import { type Assembly, emptyAssembly, type Joint, type Member, type OwnDimension } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import type { Issue } from '../../issue/issue'
import type { Site } from '../family'
import { feetOnEdge, nameOf, type Standing, sides, underStay } from '../feetOnEdge'
import { barsSupport, clampedTo, faultOf, notYet, pairAlong } from '../parts'
import { saddled } from '../saddled'
import type { HalfGuardParams } from './params'
import { type HalfGuardShape, halfGuardShape } from './shape'

/** Feet stand this far from the ends of the base and no further apart than that. Shop's own, mm */
const FOOT_IN_MM = 60
const FEET_APART_MM = 600

export function assemble(p: HalfGuardParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const s = halfGuardShape(p, site)
  if (!s) return notYet('The guard has no rails to stand on: measure the bed at Measure, sheet “Bed”')
  const { members, joints } = tubesOf(p, s)
  const mounts = feetOnEdge({ ...s, edge: s.rail }, FOOT_IN_MM, FEET_APART_MM, standingOn(p, s))
  const foot = footTypes['through-bolt']
  return {
    assembly: {
      ...emptyAssembly,
      members,
      joints: [...joints, ...clampedTo(mounts)],
      mounts,
      supports: [
        barsSupport({
          id: 'top',
          name: 'Hoop top',
          bodyId: s.rail.bodyId,
          bearings: [
            {
              on: 'hoop',
              xMm: s.hoopX,
              leftMm: Math.max(20, s.half(s.hoopX) - (p.bendRadiusMm ?? 0)),
              rightMm: -Math.max(20, s.half(s.hoopX) - (p.bendRadiusMm ?? 0)),
              zMm: s.z + p.heightMm + profileSection(p.hoopProfileId).heightMm / 2,
            },
          ],
        }),
      ],
      hardware: [
        ...footHardware(foot, mounts.length, 50, profileSection(p.baseProfileId).heightMm),
        { part: { kind: 'end cap' }, quantity: 4, for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(p, s),
    },
    issues: faults(p, s),
  }
}

/** Where the hoop and the sloping stays meet a base tube. */
function standingOn(p: HalfGuardParams, s: HalfGuardShape): Standing[] {
  const hoop = profileSection(p.hoopProfileId).widthMm / 2
  return [
    { fromX: s.hoopX - hoop, toX: s.hoopX + hoop },
    underStay(s.stay(1), profileSection(p.stayProfileId).widthMm, s.z + profileSection(p.baseProfileId).heightMm / 2),
  ]
}

function tubesOf(p: HalfGuardParams, s: HalfGuardShape): { members: Member[]; joints: Joint[] } {
  const base = pairAlong(s, s.z, p.baseProfileId, 'base', 'BT', 'Base tube')
  const [left, right] = base
  const radii = p.bendRadiusMm === null ? {} : { bendRadiiMm: [p.bendRadiusMm, p.bendRadiusMm] }
  const hoop = saddled(
    {
      id: 'hoop',
      mark: 'HG',
      name: 'Hoop',
      profileId: p.hoopProfileId,
      path: [s.legAt(0, 1), s.legAt(p.heightMm, 1), s.legAt(p.heightMm, -1), s.legAt(0, -1)],
      ...radii,
    },
    left,
    right,
  )
  const stays = sides.map((side) =>
    saddled(
      { id: `stay:${nameOf(side)}`, mark: `ST${side > 0 ? 'L' : 'R'}`, name: 'Stay', profileId: p.stayProfileId, path: s.stay(side) },
      hoop.member,
      side > 0 ? left : right,
    ),
  )
  const low = s.lowUpMm.map((up, i) =>
    saddled(
      { id: `low:${i}`, mark: `LB${i + 1}`, name: 'Low bar', profileId: p.stayProfileId, path: [s.legAt(up, 1), s.legAt(up, -1)] },
      hoop.member,
      hoop.member,
    ),
  )
  const made = [hoop, ...stays, ...low]
  return { members: [...base, ...made.map((m) => m.member)], joints: made.flatMap((m) => m.joints) }
}

function dimensionsOf(p: HalfGuardParams, s: HalfGuardShape): OwnDimension[] {
  const top = s.legAt(p.heightMm, 1)
  const tube = profileSection(p.hoopProfileId).heightMm / 2
  const across = (x: number, out: number) => ({ from: { x, y: s.half(x) + out, z: s.z }, to: { x, y: -s.half(x) - out, z: s.z } })
  return [
    {
      id: 'height',
      view: 'rear',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'base to top, centres',
      from: s.legAt(0, 1),
      to: top,
      edits: { figure: 'height', offsetMm: 0 },
    },
    {
      id: 'outside',
      view: 'rear',
      axis: 'x',
      side: 'high',
      running: false,
      label: 'hoop, outside',
      from: { ...top, y: s.half(s.hoopX) + tube },
      to: { ...top, y: -s.half(s.hoopX) - tube },
    },
    {
      id: 'base',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'base',
      from: { x: s.rearX, y: -s.half(s.rearX), z: s.z },
      to: { x: s.frontX, y: -s.half(s.frontX), z: s.z },
      edits: { figure: 'base', offsetMm: 0 },
    },
    { id: 'front', view: 'plan', axis: 'y', side: 'high', running: false, label: 'front, centres', ...across(s.frontX, 0) },
    { id: 'rear', view: 'plan', axis: 'y', side: 'low', running: false, label: 'rear, centres', ...across(s.rearX, 0) },
  ]
}

function faults(p: HalfGuardParams, s: HalfGuardShape): Issue[] {
  const od = (id: string) => profileSection(id).heightMm
  const leg = p.heightMm - (p.bendRadiusMm ?? 0)
  return [
    ...(p.bendRadiusMm === null
      ? [faultOf('bendRadiusMm', 'Nothing bent has a cut length until the radius is known: type the centre-line radius of the die')]
      : []),
    ...(od(p.hoopProfileId) > od(p.baseProfileId)
      ? [faultOf('hoopProfileId', 'The hoop is larger than the base tubes it is saddled onto: a smaller tube, or a larger base')]
      : []),
    ...(od(p.stayProfileId) > od(p.hoopProfileId)
      ? [faultOf('stayProfileId', 'The stays are larger than the hoop they are saddled onto: a smaller tube')]
      : []),
    ...(p.stayUpMm + od(p.stayProfileId) > leg
      ? [
          faultOf(
            'stayUpMm',
            `The stays meet the hoop where it bends: {${Math.max(0, Math.round(leg - od(p.stayProfileId)))}} or less above the base`,
          ),
        ]
      : []),
    ...(s.hoopX - p.stayBackMm < s.rearX + 40
      ? [faultOf('stayBackMm', 'The stays would stand behind the base: a longer base, or less far back')]
      : []),
    ...(s.rearX < s.rail.from.x - 0.5 ? [faultOf('baseMm', 'The base runs out behind the bed: a shorter base')] : []),
    ...(s.half(s.frontX) < 120 ? [faultOf('insideMm', 'The two base tubes touch: less inside the rail')] : []),
  ]
}
