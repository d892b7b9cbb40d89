import {
  type Assembly,
  type AssemblyAnchor,
  type EndTreatment,
  emptyAssembly,
  type Fitting,
  type Infill,
  type Joint,
  type Member,
  type Mount,
  type Plate,
  type Pull,
} from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts } from '../../assembly/usualHardware'
import { materialOf } from '../../catalogue/materials'
import { footTypes, type MountKind } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { besideWeldMPa, fillers } from '../../fasten/filletWeld'
import { rollFor } from '../../geometry/localAxes'
import { rectangle } from '../../geometry/polygon'
import { middleOf, type Vec3 } from '../../geometry/vec3'
import { Impossible } from '../../issue/impossible'
import type { Issue } from '../../issue/issue'
import { measured } from '../../places/measured'
import { alongPlace, placesOf } from '../../places/places'
import { radians } from '../../quantity/units'
import { rampPullN } from '../../winch/rampPull'
import type { Site } from '../family'
import { dimensionsOf } from './dimensions'
import type { GuardParams } from './params'
import { cabLeanDeg, type GuardShape, guardShape } from './shape'

const sides = [1, -1] as const
type Side = (typeof sides)[number]
const nameOf = (side: Side) => (side > 0 ? 'left' : 'right')
const L = (side: Side) => (side > 0 ? 'L' : 'R')
/** The shop's own: plate of gussets, tabs and seats; a base rail stands on a foot this far from each end. mm */
const PLATE_MM = 6
const FOOT_IN_MM = 60
const MESH = { wireKgM2: 3.1, openShare: 0.7, priceMinorM2: 3800, tackMm: 120 }
const SLATS = { kgM2: 6.2, openShare: 0.45, priceMinorM2: 5200, tackMm: 250 }

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
        ...footHardware(foot, mounts.length, mounts[0]?.backingMm ?? null),
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

const capped: Member['ends'] = [{ kind: 'cap' }, { kind: 'cap' }]

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

const topHalf = (p: GuardParams, s: GuardShape): number => Math.max(50, s.posts.topMm / 2 + p.lipMm)
const topBearing = (p: GuardParams, s: GuardShape) => {
  const half = topHalf(p, s)
  return { on: 'top', xMm: s.postX, leftMm: half, rightMm: -half, zMm: s.topZ + profileSection(p.profileId).heightMm / 2 }
}

/** The bar under the infill, between the posts' inner faces at its height; none where nothing is filled, or there is no room under the top. */
function sillOf(p: GuardParams, s: GuardShape): { path: [Vec3, Vec3]; z: number } | null {
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

const allRound = (lengthMm: number, apartMm: number): Pick<Joint, 'weld'> => ({ weld: { lengthMm, apartMm, allRound: true } })

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
  const xs = left.pointsMm ? left.pointsMm.map((at) => alongPlace(left, at).x).filter((x) => x >= s.rearX - 1 && x <= s.frontX + 1) : even
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

/** A triangle in each upper corner, in the plane of posts and top bar, its legs along both. */
function gussetsOf(p: GuardParams, s: GuardShape): { plates: Plate[]; joints: Joint[] } {
  const bar = profileSection(p.profileId)
  const leg = Math.min(p.gussetMm, Math.max(40, s.posts.topMm / 3), s.posts.heightMm * 0.6)
  const a = radians(s.leanDeg)
  const materialId = materialOf(profileOf(p.profileId).materialId).id
  const made = sides.map((side) => {
    const corner = s.top(side)
    // inner face of the post at its head
    const inner = corner.y - (side * bar.widthMm) / 2 / Math.cos(a)
    const origin: Vec3 = { x: corner.x - PLATE_MM / 2, y: inner, z: corner.z }
    const post = (down: number): Vec3 => ({ x: corner.x, y: inner + side * down * Math.tan(a), z: corner.z - down })
    const id = `gusset:${nameOf(side)}`
    const plate: Plate = {
      id,
      mark: 'GP',
      name: 'Corner gusset',
      materialId,
      thicknessMm: PLATE_MM,
      // along the top bar inward, and down along the post
      outline: [
        { x: 0, y: 0 },
        { x: leg, y: 0 },
        { x: -leg * Math.tan(a), y: -leg },
      ],
      holes: [],
      bends: [],
      pose: { origin, along: { x: 0, y: -side, z: 0 }, up: { x: 0, y: 0, z: 1 } },
      goodFace: 'either',
      air: 'sheltered',
    }
    const weld: Pick<Joint, 'weld'> = { weld: { lengthMm: leg * 0.8, apartMm: PLATE_MM, allRound: false } }
    const joints: Joint[] = [
      { id: `weld:${id}:top`, kind: 'weld', between: [id, 'top'], at: { x: corner.x, y: inner - (side * leg) / 2, z: corner.z }, ...weld },
      { id: `weld:${id}:post`, kind: 'weld', between: [id, `post:${nameOf(side)}`], at: post(leg / 2), ...weld },
    ]
    return { plate, joints }
  })
  return { plates: made.map((m) => m.plate), joints: made.flatMap((m) => m.joints) }
}

/** Tabs for lamps, spread along the top bar, welded on its front face. */
function lampTabs(p: GuardParams, s: GuardShape): { plates: Plate[]; joints: Joint[] } {
  const half = topHalf(p, s)
  const bar = profileSection(p.profileId)
  const made = Array.from({ length: p.lampTabs }, (_, i) => {
    const y = p.lampTabs === 1 ? 0 : half * 0.85 - (2 * half * 0.85 * i) / (p.lampTabs - 1)
    const id = `tab:${i}`
    const z = s.topZ + bar.heightMm / 2
    const plate: Plate = {
      id,
      mark: 'LT',
      name: 'Lamp tab',
      materialId: materialOf(profileOf(p.profileId).materialId).id,
      thicknessMm: 5,
      outline: rectangle(50, 60),
      holes: [{ at: { x: 0, y: 10 }, diameterMm: 10.5 }],
      bends: [],
      pose: { origin: { x: s.postX + bar.heightMm / 2, y, z: z + 10 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
      goodFace: 'either',
      air: 'board',
    }
    const joint: Joint = {
      id: `weld:${id}`,
      kind: 'weld',
      between: [id, 'top'],
      at: { x: s.postX + bar.heightMm / 2, y, z },
      weld: { lengthMm: 40, apartMm: 5, allRound: false },
    }
    return { plate, joint }
  })
  return { plates: made.map((m) => m.plate), joints: made.map((m) => m.joint) }
}

/** Mesh or slats between the posts, from the sill bar to the top bar. */
function infillOf(p: GuardParams, s: GuardShape): Infill[] {
  const sill = sillOf(p, s)
  if (!sill || p.fill === 'open') return []
  const bar = profileSection(p.profileId)
  const kind = p.fill === 'mesh' ? MESH : SLATS
  const [low, high] = [sill.z + bar.heightMm / 2, s.topZ - bar.heightMm / 2]
  const inner = (z: number) => sill.path[0].y + (z - sill.z) * -Math.tan(radians(s.leanDeg))
  const outline: Vec3[] = [
    { x: s.postX, y: inner(low), z: low },
    { x: s.postX, y: -inner(low), z: low },
    { x: s.postX, y: -inner(high), z: high },
    { x: s.postX, y: inner(high), z: high },
  ]
  const areaM2 = ((inner(low) + inner(high)) * (high - low)) / 1e6
  const round = 2 * (inner(low) + inner(high)) + 2 * (high - low)
  return [
    {
      id: 'fill',
      mark: 'IN',
      name: p.fill === 'mesh' ? 'Mesh' : 'Slats',
      kind: p.fill === 'mesh' ? 'mesh' : 'slats',
      on: ['sill', 'top', 'post:left', 'post:right'],
      outline,
      openShare: kind.openShare,
      massKg: areaM2 * ('wireKgM2' in kind ? kind.wireKgM2 : kind.kgM2),
      fixings: { what: p.fill === 'mesh' ? 'tacks' : 'screws', count: Math.ceil(round / kind.tackMm) },
      priceMinor: Math.round(areaM2 * kind.priceMinorM2),
    },
  ]
}

/** Rings along both base rails: the ring by its maker, its weld worked out, and what was made here has no maker to rate it. */
function rings(p: GuardParams, s: GuardShape): AssemblyAnchor[] {
  const metal = materialOf(profileOf(p.baseProfileId).materialId)
  const filler = fillers[metal.group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode']
  const legMm = 4
  // two runs of 40 beside the ring's foot, throat and base metal
  const weldN =
    80 *
    Math.min(
      legMm * Math.SQRT1_2 * filler.allowedMPa,
      legMm *
        besideWeldMPa({ aluminium: metal.group === 'aluminium', tensileMPa: metal.tensileMPa, weldedTensileMPa: metal.weldedTensileMPa }),
    )
  const base = profileSection(p.baseProfileId)
  return p.ringsMm.flatMap((behind, i) =>
    sides.map((side): AssemblyAnchor => {
      const x = s.frontX - behind
      return {
        id: `ring:${i}:${nameOf(side)}`,
        name: `Ring ${i + 1}${L(side)}`,
        on: `base:${nameOf(side)}`,
        at: { x, y: side * s.half(x), z: s.baseZ + base.heightMm / 2 },
        kind: p.ringKind === 'ring' ? 'ring' : 'hook',
        links: [
          {
            part: 'ring',
            word: 'maker-rated',
            holdsN: p.ringKind === 'made here' ? null : p.ringN,
            source: p.ringKind === 'made here' ? 'made here: nobody rates it' : 'its maker',
          },
          { part: 'weld', word: 'calculated', holdsN: weldN, source: filler.source },
        ],
      }
    }),
  )
}

/** The winch on a seat on a low bar that lies over both base rails; what it hauls up a ramp pulls the seat rearward, and down the ramp. */
function winchOf(p: GuardParams, s: GuardShape): { member: Member; plate: Plate; fitting: Fitting; joints: Joint[]; pull: Pull } {
  const base = profileSection(p.baseProfileId)
  const bar = profileSection(p.profileId)
  const x = Math.max(s.rearX + 40, s.frontX - p.winchBehindMm)
  const z = s.baseZ + base.heightMm / 2 + bar.heightMm / 2
  const y = s.half(x) + base.widthMm / 2
  const materialId = materialOf(profileOf(p.profileId).materialId).id
  const seatZ = z + bar.heightMm / 2
  const member: Member = {
    id: 'winchBar',
    mark: 'WB',
    name: 'Winch bar',
    profileId: p.profileId,
    path: [
      { x, y, z },
      { x, y: -y, z },
    ],
    ends: capped,
  }
  const plate: Plate = {
    id: 'seat',
    mark: 'WS',
    name: 'Winch seat',
    materialId,
    thicknessMm: PLATE_MM,
    outline: rectangle(160, 260),
    holes: [-1, 1].flatMap((a) => [-1, 1].map((b) => ({ at: { x: a * 50, y: b * 83 }, diameterMm: 11 }))),
    bends: [],
    pose: { origin: { x, y: 0, z: seatZ }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
    goodFace: 'up',
    air: 'sheltered',
  }
  const middle: Vec3 = { x, y: 0, z: seatZ + PLATE_MM + 90 }
  const fitting: Fitting = {
    id: 'winch',
    mark: 'W1',
    name: 'Winch',
    massKg: p.winchKg,
    at: middle,
    middle,
    size: { x: 140, y: 320, z: 180 },
    unknown: [],
    priceMinor: p.winchPriceMinor,
    there: false,
  }
  const joints: Joint[] = [
    ...sides.map(
      (side): Joint => ({
        id: `weld:winchBar:${nameOf(side)}`,
        kind: 'weld',
        between: ['winchBar', `base:${nameOf(side)}`],
        at: { x, y: side * s.half(x), z: s.baseZ + base.heightMm / 2 },
        weld: { lengthMm: base.widthMm, apartMm: bar.widthMm, allRound: true },
      }),
    ),
    {
      id: 'weld:seat',
      kind: 'weld',
      between: ['seat', 'winchBar'],
      at: { x, y: 0, z: seatZ },
      weld: { lengthMm: 200, apartMm: bar.widthMm, allRound: false },
    },
    {
      id: 'bolts:winch',
      kind: 'bolt',
      between: ['winch', 'seat'],
      at: { x, y: 0, z: seatZ + PLATE_MM },
      bolts: { size: 'M10', count: 4, apartMm: 166 },
    },
  ]
  const lacks = [...(p.loadKg === null ? ['mass of what the winch hauls'] : []), ...(p.slopeDeg === null ? ['slope of the ramp'] : [])]
  const needsN = lacks.length ? null : rampPullN({ massKg: p.loadKg ?? 0, slopeDeg: p.slopeDeg ?? 0, rolling: p.rolling })
  const slope = radians(p.slopeDeg ?? 0)
  // a load that catches is pulled with all the winch has: seat, joints and feet hold that, not only what the ramp needs
  const fullN = Math.max(needsN ?? 0, p.winchN ?? 0)
  // the rope runs rearward along the bed and the ramp: it pulls the winch back and down
  const force: Vec3 = { x: -fullN * Math.cos(slope), y: 0, z: -fullN * Math.sin(slope) }
  return {
    member,
    plate,
    fitting,
    joints,
    pull: {
      id: 'winching',
      name: 'Winching up a ramp',
      on: 'winch',
      at: { ...middle, z: seatZ + PLATE_MM + 50 },
      force,
      needsN,
      ratedN: p.winchN,
      ratedBy: 'its maker, first layer of the drum',
      caution: 'A rope that parts whips back: nobody stands in line with it, and a weight hangs over it while it pulls.',
      lacks: [...lacks, ...(p.winchN === null ? ['what the winch pulls at most'] : [])],
    },
  }
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
