import { type Assembly, type EndTreatment, emptyAssembly, type Joint, type Member, type Mount } from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts } from '../../assembly/usualHardware'
import { footTypes, type MountKind } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import { rollFor } from '../../geometry/localAxes'
import { middleOf, type Vec3 } from '../../geometry/vec3'
import { Impossible } from '../../issue/impossible'
import type { Issue } from '../../issue/issue'
import { measured } from '../../places/measured'
import { alongPlace, placesOf } from '../../places/places'
import { radians } from '../../quantity/units'
import type { Site } from '../family'
import { besideWhatStands } from '../feetOnEdge'
import { dimensionsOf } from './dimensions'
import type { GuardParams } from './params'
import { allRound, capped, FOOT_IN_MM, L, nameOf, PLATE_MM, sides, sillOf, topBearing, topHalf } from './parts'
import { cabLeanDeg, type GuardShape, guardShape } from './shape'
import { gussetsOf, infillOf, lampTabs, rings } from './trim'
import { winchOf } from './winch'

export function assemble(p: GuardParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const shape = shaped(p, site)
  if ('says' in shape) return { assembly: emptyAssembly, issues: [{ code: 'shape', at: shape.at, fix: null, says: shape.says }] }
  const members = membersOf(p, shape)
  const { mounts, issues } = mountsOf(p, shape, site)
  const winch = p.winch ? winchOf(p, shape) : null
  const gussets = p.gussets ? gussetsOf(p, shape) : { plates: [], joints: [] }
  const tabs = lampTabs(p, shape)
  const all = [...members, ...(winch ? [winch.member] : [])]
  const caps = all.filter((m) => isHollow(m.profileId)).reduce((s, m) => s + m.ends.filter((e) => e.kind === 'cap').length, 0)
  const foot = footTypes[kindOf(p)]
  return {
    assembly: {
      ...emptyAssembly,
      members: all,
      plates: [...gussets.plates, ...tabs.plates, ...(winch ? [winch.plate] : [])],
      fittings: winch ? [winch.fitting] : [],
      joints: [
        ...jointsOf(p, shape, members),
        ...gussets.joints,
        ...tabs.joints,
        ...(winch ? winch.joints : []),
        ...mounts.map((m): Joint => ({ id: `joint:${m.id}`, kind: 'clamp', between: [m.id, m.on], at: m.place })),
      ],
      mounts,
      supports: [
        {
          id: 'top',
          name: 'Guard top',
          kind: 'bars',
          bodyId: mounts[0]?.bodyId ?? null,
          bearings: [topBearing(p, shape)],
          surface: null,
          holds: false,
          walkOn: [],
          climbOn: [],
        },
      ],
      anchors: rings(p, shape),
      pulls: winch ? [winch.pull] : [],
      infills: infillOf(p, shape),
      hardware: [
        ...footHardware(foot, mounts.length, mounts[0]?.backingMm ?? null, profileSection(p.baseProfileId).heightMm),
        ...(winch ? throughBolts('M10', PLATE_MM + 12, 4, 'winch on its seat') : []),
        ...(caps ? [{ part: { kind: 'end cap' as const }, quantity: caps, for: 'open tube ends' }] : []),
      ],
      dimensions: dimensionsOf(p, shape),
    },
    issues: [...issues, ...clearOf(p, shape, site)],
  }
}

function shaped(p: GuardParams, site: Site): GuardShape | { says: string; at: (string | number)[] } {
  try {
    return (
      guardShape(p, site) ?? {
        says: 'The guard has no rails to stand on: measure length, widths, rail and height of the bed at Measure, sheet “Bed”',
        at: ['vehicle', 'measures'],
      }
    )
  } catch (error) {
    if (error instanceof Impossible) return { says: `The guard has no shape: ${error.message}`, at: ['params', 'leanDeg'] }
    throw error
  }
}

const kindOf = (p: GuardParams): MountKind =>
  p.hold === 'clamped under the lip' ? 'bed-rail lip' : p.hold === 'in the stake pockets' ? 'stake pocket' : 'through-bolt'

function membersOf(p: GuardParams, s: GuardShape): Member[] {
  const lean: EndTreatment =
    Math.abs(s.leanDeg) < 0.05 ? { kind: 'square' } : { kind: 'mitre', angleDeg: Math.round(Math.abs(s.leanDeg) * 10) / 10 }
  const member = (
    id: string,
    mark: string,
    name: string,
    profileId: string,
    path: [Vec3, Vec3],
    ends: Member['ends'],
    width?: Vec3,
  ): Member => ({
    id,
    mark,
    name,
    profileId,
    path,
    ends,
    ...(width ? { rollDeg: rollFor(path[0], path[1], width) } : {}),
  })
  const across = { x: 0, y: 1, z: 0 }
  const top = topHalf(p, s)
  const sill = sillOf(p, s)
  return [
    ...sides.map((side) =>
      member(
        `base:${nameOf(side)}`,
        `BR${L(side)}`,
        'Base rail',
        p.baseProfileId,
        [
          { x: s.rearX, y: side * s.half(s.rearX), z: s.baseZ },
          { x: s.frontX, y: side * s.half(s.frontX), z: s.baseZ },
        ],
        capped,
      ),
    ),
    ...sides.map((side) =>
      member(`post:${nameOf(side)}`, `P${L(side)}`, 'Post', p.profileId, [s.bottom(side), s.top(side)], [lean, lean], across),
    ),
    member(
      'top',
      'TB',
      'Top bar',
      p.profileId,
      [
        { x: s.postX, y: top, z: s.topZ },
        { x: s.postX, y: -top, z: s.topZ },
      ],
      capped,
    ),
    ...(sill ? [member('sill', 'SB', 'Sill bar', p.profileId, sill.path, [lean, lean])] : []),
  ]
}

function jointsOf(p: GuardParams, s: GuardShape, members: Member[]): Joint[] {
  const bar = profileSection(p.profileId)
  const deep = bar.widthMm / Math.cos(radians(s.leanDeg))
  const sill = members.find((m) => m.id === 'sill')
  return [
    ...sides.flatMap((side): Joint[] => [
      {
        id: `weld:foot:${nameOf(side)}`,
        kind: 'weld',
        between: [`post:${nameOf(side)}`, `base:${nameOf(side)}`],
        at: s.bottom(side),
        ...allRound(bar.heightMm, deep),
      },
      {
        id: `weld:head:${nameOf(side)}`,
        kind: 'weld',
        between: [`post:${nameOf(side)}`, 'top'],
        at: s.top(side),
        ...allRound(bar.heightMm, deep),
      },
    ]),
    ...(sill
      ? sides.map(
          (side, i): Joint => ({
            id: `weld:sill:${nameOf(side)}`,
            kind: 'weld',
            between: ['sill', `post:${nameOf(side)}`],
            at: sill.path[i]!,
            ...allRound(bar.widthMm, bar.heightMm),
          }),
        )
      : []),
  ]
}

/** Feet of the base rails: near both ends and no more than 700 apart, or in the pockets that lie under it. */
function mountsOf(p: GuardParams, s: GuardShape, site: Site): { mounts: Mount[]; issues: Issue[] } {
  const kind = kindOf(p)
  const wanted = p.hold === 'in the stake pockets' ? 'bed.pocket' : p.hold === 'clamped under the lip' ? 'bed.lip' : 'bed.rail'
  const places = placesOf(site.vehicle).places.filter((x) => x.id === wanted)
  const [left] = places.filter((x) => x.side === 'left')
  if (!left) {
    const says =
      p.hold === 'in the stake pockets'
        ? 'The bed has no stake pockets measured: take first pocket and pitch at Measure, or hold it otherwise'
        : 'The bed rail has no lip measured: take it at Measure, or hold the guard otherwise'
    return { mounts: [], issues: [{ code: 'shape', at: ['params', 'hold'], fix: null, says }] }
  }
  const inner = [s.rearX + FOOT_IN_MM, s.frontX - FOOT_IN_MM] as const
  const between = Math.max(0, Math.ceil((inner[1] - inner[0]) / 700) - 1)
  const even = Array.from({ length: between + 2 }, (_, i) => inner[0] + ((inner[1] - inner[0]) * i) / (between + 1))
  const post = profileSection(p.profileId).heightMm / 2
  const standing = footTypes[kind].drilled ? [{ fromX: s.postX - post, toX: s.postX + post }] : []
  const xs = left.pointsMm
    ? left.pointsMm.map((at) => alongPlace(left, at).x).filter((x) => x >= s.rearX - 1 && x <= s.frontX + 1)
    : besideWhatStands(even, standing, ...inner)
  const foot = footTypes[kind]
  const mounts = xs.flatMap((x, i) =>
    sides.map(
      (side): Mount => ({
        id: `foot:${i}:${nameOf(side)}`,
        mark: `F${i + 1}${L(side)}`,
        kind,
        placeId: left.id,
        bodyId: left.bodyId,
        on: `base:${nameOf(side)}`,
        side: nameOf(side),
        place: { x, y: side * s.half(x), z: s.railZ },
        normal: { x: 0, y: 0, z: 1 },
        massKg: foot.massKg,
        backingMm: foot.drilled ? 50 : null,
        via: null,
      }),
    ),
  )
  const few: Issue[] =
    xs.length < 2
      ? [
          {
            code: 'shape',
            at: ['params', 'baseMm'],
            fix: null,
            says: `Only ${xs.length ? 'one stake pocket lies' : 'no stake pocket lies'} under each base rail: it can turn there. Make the base longer, or hold it otherwise`,
          },
        ]
      : []
  return { mounts, issues: few }
}

/** Window and third brake light stay clear; a lean that nobody measured is said. */
function clearOf(p: GuardParams, s: GuardShape, site: Site): Issue[] {
  const issues: Issue[] = []
  if (p.leanFrom === 'the cab' && cabLeanDeg(site) === null)
    issues.push({
      code: 'shape',
      at: ['params', 'leanFrom'],
      fix: [{ path: ['params', 'leanFrom'], to: 'typed' }],
      says: 'The lean of the cab is not measured by two offsets: the posts lean as typed until it is',
    })
  const light = measured(site.vehicle, 'cab.brakeLightBelow')
  const bars = [s.topZ, ...(sillOf(p, s) ? [sillOf(p, s)!.z] : [])]
  const bar = profileSection(p.profileId)
  if (light.value !== null) {
    const [low, high] = [s.railZ + light.value - 20, s.railZ + light.value + 60]
    const hidden = bars.find((z) => z + bar.heightMm / 2 > low && z - bar.heightMm / 2 < high)
    if (hidden !== undefined)
      issues.push({
        code: 'shape',
        at: ['params', 'heightMm'],
        fix: null,
        says: `A bar stands in front of the third brake light at {${Math.round(hidden - s.railZ)}} above the rail: move it clear of {${Math.round(light.value)}}, or move the lamp as local rules allow`,
      })
    else if (p.fill === 'slats' && s.topZ > high && bars.length > 1 && Math.min(...bars) < low)
      issues.push({
        code: 'shape',
        at: ['params', 'fill'],
        fix: [{ path: ['params', 'fill'], to: 'mesh' }],
        says: 'Slats stand in front of the third brake light: leave a gap there, or choose mesh',
      })
  }
  const sill = measured(site.vehicle, 'cab.windowSill')
  if (sill.value !== null && p.fill !== 'open' && p.sillMm > sill.value + 40)
    issues.push({
      code: 'shape',
      at: ['params', 'sillMm'],
      fix: [{ path: ['params', 'sillMm'], to: Math.round(sill.value) }],
      says: `The sill bar stands {${Math.round(p.sillMm - sill.value)}} up in the window: lower it to its sill`,
    })
  const mid = middleOf(s.top(1), s.bottom(1))
  if (mid.y < 100) issues.push({ code: 'shape', at: ['params', 'leanDeg'], fix: null, says: 'The posts nearly meet: lean them less' })
  return issues
}
