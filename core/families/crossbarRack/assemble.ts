import {
  type Assembly,
  emptyAssembly,
  type Joint,
  type Member,
  type Mount,
  memberEnds,
  type Plate,
  type Support,
} from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { backingPlate, footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { rectangle } from '../../geometry/polygon'
import type { Point } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { foldOf } from '../../sheet/foldTrial'
import { stepBracket } from '../../sheet/stepBracket'
import { type MountLine, mountHalfWidthMm, nearestMountX, type Vehicle } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { lineOf } from '../mountLine'
import { dimensionsOf } from './dimensions'
import { boltsPerEnd, CORNER, FAIRING_MM, hardwareOf, hasCornerPlates, railBolts } from './hardware'
import type { CrossbarParams } from './params'

export const FOOT_LENGTH_MM = 80 // the shop's standard foot casting along the vehicle: bars cannot stand nearer than this

/** How far the bar's line stands inboard of the mount line: what a step bracket steps, its own thickness with it. mm */
export const insetMm = (p: CrossbarParams): number => (p.bracketInsetMm > 0 ? p.bracketInsetMm + p.bracketThicknessMm : 0)

/** Bar length = distance between the mount lines − 2·inset of the brackets + 2·overhang past the feet; equal bars are all as long as the widest place asks. mm. */
export function barLengthMm(p: CrossbarParams, line: MountLine, xMm: number): number {
  const half = p.equalBars ? Math.max(...p.barXMm.map((x) => mountHalfWidthMm(line, x))) : mountHalfWidthMm(line, xMm)
  return 2 * (half - insetMm(p) + p.overhangMm)
}

export function assemble(p: CrossbarParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const { vehicle, rules } = site
  const line = lineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const section = profileSection(p.profileId)
  const barZ = line.zMm + p.footHeightMm + section.heightMm / 2
  const deckZMm = barZ + section.heightMm / 2
  const bars: Member[] = []
  const mounts: Mount[] = []
  const foot = footTypes[line.kind]
  const backingMm = foot.drilled ? p.backingMm : null
  const stepped = p.bracketInsetMm > 0

  p.barXMm.forEach((x, i) => {
    const half = Math.max(1, barLengthMm(p, line, x) / 2)
    bars.push({
      id: `bar:${i}`,
      mark: `B${i + 1}`,
      name: 'Crossbar',
      profileId: p.profileId,
      path: [
        { x, y: half, z: barZ },
        { x, y: -half, z: barZ },
      ],
      ends: [{ kind: 'cap' }, { kind: 'cap' }],
    })
    for (const side of ['left', 'right'] as const) {
      const y = (mountHalfWidthMm(line, x) - insetMm(p)) * (side === 'left' ? 1 : -1)
      mounts.push({
        id: `foot:${i}:${side}`,
        mark: `F${i + 1}${side === 'left' ? 'L' : 'R'}`,
        kind: line.kind,
        placeId: line.id,
        bodyId: line.bodyId,
        on: `bar:${i}`,
        side,
        place: { x, y, z: line.zMm },
        normal: { x: 0, y: 0, z: 1 },
        massKg: foot.massKg + (backingMm === null ? 0 : morePlateKg(backingMm)),
        backingMm,
        via: stepped ? `bracket:${i}:${side}` : null,
      })
    }
  })
  const rails = p.sideRails && p.barXMm.length >= 2 ? sideRails(p, line, deckZMm) : []
  const members = [...bars, ...rails]
  const corners = cornerPlates(p, rails, deckZMm)
  const front = fairing(p, line, deckZMm)
  const plates = [...brackets(p, mounts, rules), ...front.map((f) => f.plate), ...corners]
  const joints = [
    ...mounts.map((m): Joint => ({ id: `joint:${m.id}`, kind: 'clamp', between: [m.id, m.on], at: m.place })),
    ...rails.flatMap((r) =>
      bars.map((bar, i): Joint => {
        const [a, b] = memberEnds(r)
        const x = bar.path[0]!.x
        return {
          id: `joint:${r.id}:${i}`,
          kind: p.build === 'welded' ? 'weld' : 'bolt',
          between: [r.id, bar.id],
          at: { x, y: a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x), z: deckZMm },
          ...(p.build === 'bolted' ? { bolts: { ...railBolts, sleeved: p.sleeves } } : {}),
          ...(hasCornerPlates(p) ? { gusset: { plateId: `gusset:${r.id}:${i}`, sideMm: CORNER.sideMm } } : {}),
        }
      }),
    ),
    ...front.flatMap((f) => f.joints),
  ]
  const crossings = rails.length * bars.length
  const hardware = hardwareOf(p, { members, feet: mounts.length, crossings, fairing: front.length > 0, backingMm, foot })
  return {
    assembly: {
      ...emptyAssembly,
      members,
      plates,
      joints,
      hardware,
      mounts,
      supports: bars.length ? [barSupport(line, bars, rails, deckZMm)] : [],
      dimensions: dimensionsOf(vehicle, bars, mounts, deckZMm),
    },
    issues: faults(p, line, vehicle, rules),
  }
}

const barSupport = (line: MountLine, bars: Member[], rails: Member[], deckZMm: number): Support => ({
  id: 'bars',
  name: 'Crossbars',
  kind: 'bars',
  bodyId: line.bodyId,
  bearings: bars.map((b) => ({ on: b.id, xMm: b.path[0]!.x, leftMm: b.path[0]!.y, rightMm: b.path[1]!.y, zMm: deckZMm })),
  surface: null,
  holds: false,
  walkOn: [...bars, ...rails].map((m) => m.id),
  climbOn: bars.map((b) => b.id),
})

const morePlateKg = (sideMm: number): number =>
  ((sideMm ** 2 - backingPlate.standardMm ** 2) * backingPlate.thicknessMm * materialOf('steel').densityKgM3) / 1e9

/** Rails lie on the bars just inside their ends, following the taper. */
function sideRails(p: CrossbarParams, line: MountLine, deckZMm: number): Member[] {
  const rail = profileSection(p.railProfileId)
  const [rear, front] = [Math.min(...p.barXMm), Math.max(...p.barXMm)]
  const past = 60 // rails run this far past the end bars so that the joint does not sit on a cut end
  const y = (x: number) => barLengthMm(p, line, x) / 2 - rail.widthMm / 2
  const z = deckZMm + (hasCornerPlates(p) ? CORNER.thicknessMm : 0) + rail.heightMm / 2
  return (
    [
      ['left', 1],
      ['right', -1],
    ] as const
  ).map(([side, sign]) => ({
    id: `rail:${side}`,
    mark: side === 'left' ? 'RL' : 'RR',
    name: 'Side rail',
    profileId: p.railProfileId,
    path: [
      { x: rear - past, y: sign * y(rear), z },
      { x: front + past, y: sign * y(front), z },
    ],
    ends: [{ kind: 'cap' }, { kind: 'cap' }],
  }))
}

function cornerPlates(p: CrossbarParams, rails: Member[], deckZMm: number): Plate[] {
  if (!hasCornerPlates(p)) return []
  const { sideMm, thicknessMm } = CORNER
  return rails.flatMap((rail) => {
    const [a, b] = memberEnds(rail)
    // flush with the rail's outer side
    const inward = (sideMm - profileSection(p.railProfileId).widthMm) / 2
    const y = (x: number) => a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)
    return p.barXMm.map((x, i) => ({
      id: `gusset:${rail.id}:${i}`,
      mark: 'CP',
      name: 'Corner plate',
      materialId: bracketMaterial(p),
      thicknessMm,
      outline: rectangle(sideMm, sideMm),
      holes: [],
      bends: [],
      pose: {
        origin: { x, y: y(x) - Math.sign(y(x)) * inward, z: deckZMm },
        along: { x: 1, y: 0, z: 0 },
        up: { x: 0, y: 1, z: 0 },
      },
      goodFace: 'either' as const,
      air: 'sheltered' as const,
    }))
  })
}

/** Bracket metal follows the bar's: steel brackets on steel bars, aluminium on aluminium. */
export const bracketMaterial = (p: CrossbarParams): string => {
  const { group } = materialOf(profileOf(p.profileId).materialId)
  return group === 'aluminium' ? 'al6061t6' : group === 'stainless' ? 'stainless' : 'steel'
}

/** One to a foot, its blank turned left and right alike. */
function brackets(p: CrossbarParams, mounts: Mount[], rules: Rules): Plate[] {
  if (p.bracketInsetMm <= 0 || !p.barXMm.length) return []
  const made = stepBracket({
    stepMm: p.bracketInsetMm,
    riseMm: p.footHeightMm,
    thicknessMm: p.bracketThicknessMm,
    footPadMm: p.bracketFootPadMm,
    barPadMm: p.bracketBarPadMm,
    ...foldOf(rules, bracketMaterial(p), p.bracketThicknessMm),
  })
  return mounts.map((m) => ({
    id: m.via ?? m.id,
    mark: 'SB',
    name: 'Step bracket, 2 folds',
    materialId: bracketMaterial(p),
    thicknessMm: p.bracketThicknessMm,
    outline: rectangle(made.flatLengthMm, p.bracketWidthMm),
    holes: [],
    bends: made.bends.map(({ atMm, ...b }) => ({ ...b, line: acrossStrip(atMm - made.flatLengthMm / 2, p.bracketWidthMm) })),
    steps: { reachMm: made.offsetMm, riseMm: p.footHeightMm, boltsPerEnd: boltsPerEnd(p) },
    pose: {
      origin: { ...m.place, z: m.place.z + p.footHeightMm / 2 },
      along: { x: 0, y: m.side === 'left' ? -1 : 1, z: 0 },
      up: { x: 1, y: 0, z: 0 },
    },
    goodFace: 'up' as const,
    air: 'sheltered' as const,
  }))
}

const acrossStrip = (x: number, widthMm: number): [Point, Point] => [
  { x, y: -widthMm / 2 },
  { x, y: widthMm / 2 },
]

const frontBar = (p: CrossbarParams): number => p.barXMm.indexOf(Math.max(...p.barXMm))

/** A flat aluminium fairing leaning on the front bar at 45°, bolted to it a third of its width either side of the middle. */
function fairing(p: CrossbarParams, line: MountLine, deckZMm: number): { plate: Plate; joints: Joint[] }[] {
  if (!p.fairing || !p.barXMm.length) return []
  const x = Math.max(...p.barXMm)
  const width = barLengthMm(p, line, x)
  const slope = p.fairingHeightMm * Math.SQRT2
  const half = (FAIRING_MM / 2) * Math.SQRT1_2
  // it lies against the front of the bar's top: on the corner of a square one, on the shoulder of a round one
  const bar = profileSection(p.profileId)
  const round = profileOf(p.profileId).shape.kind === 'round'
  const [ahead, under] = round ? [(bar.widthMm / 2) * Math.SQRT1_2, (bar.heightMm / 2) * (1 - Math.SQRT1_2)] : [bar.widthMm / 2, 0]
  const [headX, headZ] = [x + ahead, deckZMm - under]
  const plate: Plate = {
    id: 'fairing',
    mark: 'FR',
    name: 'Front fairing',
    materialId: 'al6061t6',
    thicknessMm: FAIRING_MM,
    outline: rectangle(width, slope),
    holes: [],
    bends: [],
    pose: {
      origin: { x: headX + p.fairingHeightMm / 2 - half, y: 0, z: headZ - p.fairingHeightMm / 2 - half },
      along: { x: 0, y: 1, z: 0 },
      up: { x: -Math.SQRT1_2, y: 0, z: Math.SQRT1_2 },
    },
    goodFace: 'up',
    air: 'fairing',
  }
  const joints = ([1, -1] as const).map(
    (side): Joint => ({
      id: `joint:fairing:${side > 0 ? 'left' : 'right'}`,
      kind: 'bolt',
      between: ['fairing', `bar:${frontBar(p)}`],
      at: { x: headX, y: (side * width) / 3, z: headZ },
      bolts: { size: railBolts.size, count: 1, into: `bar:${frontBar(p)}` },
    }),
  )
  return [{ plate, joints }]
}

function faults(p: CrossbarParams, line: MountLine, vehicle: Vehicle, rules: Rules): Issue[] {
  const issues: Issue[] = []
  const at = (i: number) => ['params', 'barXMm', i]
  if (!p.barXMm.length) issues.push({ code: 'no_bars', at: ['params', 'barXMm'], fix: null })
  p.barXMm.forEach((x, i) => {
    const nearestMm = nearestMountX(line, x)
    if (Math.abs(nearestMm - x) > 0.5)
      issues.push({ code: 'bar_off_mount', at: at(i), bar: i, xMm: x, nearestMm, fix: [{ path: at(i), to: nearestMm }] })
    const lengthMm = barLengthMm(p, line, x)
    if (lengthMm < 200) issues.push({ code: 'bar_too_short', at: at(i), bar: i, lengthMm, fix: null })
    const section = profileSection(p.profileId)
    const underside = line.zMm + p.footHeightMm
    for (const o of vehicle.obstacles) {
      const meets = Math.abs(o.xMm - x) < (o.lengthMm + section.widthMm) / 2 && Math.abs(o.yMm) < (o.widthMm + lengthMm) / 2
      const roof = vehicle.roofHeightMm.value ?? line.zMm
      const clearMm = underside - (roof + o.heightMm)
      if (!meets) continue
      // what opens needs its air, and nothing may stand nearer than its height is known
      const needMm = Math.max(o.accessMm ?? 0, rules.softMm + rules.madeMm)
      if (clearMm < 0) issues.push({ code: 'bar_hits_obstacle', at: at(i), bar: i, obstacle: o.name, clearMm, fix: null })
      else if (clearMm < needMm)
        issues.push({
          code: 'bar_near_obstacle',
          at: at(i),
          bar: i,
          obstacle: o.name,
          clearMm,
          needMm,
          opens: o.accessMm !== null,
          fix: null,
        })
    }
  })
  const order = p.barXMm.map((x, i) => ({ x, i })).sort((a, b) => a.x - b.x)
  order.slice(1).forEach((b, k) => {
    const gapMm = b.x - order[k]!.x
    if (gapMm < FOOT_LENGTH_MM)
      issues.push({ code: 'bars_too_close', at: at(b.i), bar: Math.min(b.i, order[k]!.i), gapMm, leastMm: FOOT_LENGTH_MM, fix: null })
  })
  return issues
}
