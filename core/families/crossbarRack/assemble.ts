import { type Assembly, emptyAssembly, type Member, type Mount, memberEnds, type Plate } from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { backingPlate, footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import type { Issue } from '../../issue/issue'
import { stepBracket } from '../../sheet/stepBracket'
import { type MountLine, mountHalfWidthMm, nearestMountX, type Vehicle } from '../../vehicle/vehicle'
import { boltsPerEnd, CORNER, FAIRING_MM, hardwareOf, hasCornerPlates, railBolts } from './hardware'
import type { CrossbarParams } from './params'

export const FOOT_LENGTH_MM = 80 // the shop's standard foot casting along the vehicle: bars cannot stand nearer than this

export const mountLineOf = (p: CrossbarParams, vehicle: Vehicle): MountLine | null =>
  vehicle.mounts.find((m) => m.id === p.mountId) ?? vehicle.mounts[0] ?? null

/** How far the bar's line stands inboard of the mount line: what a step bracket steps, its own thickness with it. mm */
export const insetMm = (p: CrossbarParams): number => (p.bracketInsetMm > 0 ? p.bracketInsetMm + p.bracketThicknessMm : 0)

/** Bar length = distance between the mount lines − 2·inset of the brackets + 2·overhang past the feet; equal bars are all as long as the widest place asks. mm. */
export function barLengthMm(p: CrossbarParams, line: MountLine, xMm: number): number {
  const half = p.equalBars ? Math.max(...p.barXMm.map((x) => mountHalfWidthMm(line, x))) : mountHalfWidthMm(line, xMm)
  return 2 * (half - insetMm(p) + p.overhangMm)
}

export function assemble(p: CrossbarParams, vehicle: Vehicle, shop: { kFactor: number }): { assembly: Assembly; issues: Issue[] } {
  const line = mountLineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const section = profileSection(p.profileId)
  const barZ = line.zMm + p.footHeightMm + section.heightMm / 2
  const deckZMm = barZ + section.heightMm / 2
  const members: Member[] = []
  const mounts: Mount[] = []
  const foot = footTypes[line.kind]
  const backingMm = foot.drilled ? p.backingMm : null

  p.barXMm.forEach((x, i) => {
    const half = Math.max(1, barLengthMm(p, line, x) / 2)
    members.push({
      id: `bar:${i}`,
      mark: `B${i + 1}`,
      name: 'Crossbar',
      role: 'bar',
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
        lineId: line.id,
        memberId: `bar:${i}`,
        side,
        place: { x, y, z: line.zMm },
        massKg: foot.massKg + (backingMm === null ? 0 : morePlateKg(backingMm)),
        backingMm,
      })
    }
  })
  if (p.sideRails && p.barXMm.length >= 2) members.push(...sideRails(p, line, deckZMm))
  const plates = [...brackets(p, shop.kFactor), ...fairing(p, line, deckZMm), ...cornerPlates(p, members, deckZMm)]
  const joints = [
    ...mounts.map((m) => ({ id: `joint:${m.id}`, kind: 'clamp' as const, between: [m.id, m.memberId] })),
    ...members
      .filter((m) => m.role === 'rail')
      .flatMap((r) =>
        p.barXMm.map((_, i) => ({
          id: `joint:${r.id}:${i}`,
          kind: p.build === 'welded' ? ('weld' as const) : ('bolt' as const),
          between: [r.id, `bar:${i}`],
          ...(p.build === 'bolted' ? { bolts: { ...railBolts, sleeved: p.sleeves } } : {}),
          ...(hasCornerPlates(p) ? { gussetMm: CORNER.sideMm } : {}),
        })),
      ),
    ...(plates.some((f) => f.role === 'fairing')
      ? [{ id: 'joint:fairing', kind: 'bolt' as const, between: ['fairing', `bar:${frontBar(p)}`], bolts: railBolts }]
      : []),
  ]
  const hardware = hardwareOf(p, { members, mounts, plates, backingMm, foot })
  return {
    assembly: { members, plates, joints, hardware, mounts, deckZMm: members.length ? deckZMm : null },
    issues: faults(p, line, vehicle),
  }
}

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
    role: 'rail' as const,
    profileId: p.railProfileId,
    path: [
      { x: rear - past, y: sign * y(rear), z },
      { x: front + past, y: sign * y(front), z },
    ],
    ends: [{ kind: 'cap' }, { kind: 'cap' }],
  }))
}

function cornerPlates(p: CrossbarParams, members: Member[], deckZMm: number): Plate[] {
  if (!hasCornerPlates(p)) return []
  const materialId = bracketMaterial(p)
  const { sideMm, thicknessMm } = CORNER
  return members
    .filter((m) => m.role === 'rail')
    .flatMap((rail) => {
      const [a, b] = memberEnds(rail)
      // flush with the rail's outer side
      const inward = (sideMm - profileSection(p.railProfileId).widthMm) / 2
      const y = (x: number) => a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)
      return p.barXMm.map((x, i) => ({
        id: `gusset:${rail.id}:${i}`,
        mark: 'CP',
        name: 'Corner plate',
        role: 'gusset' as const,
        materialId,
        thicknessMm,
        flatLengthMm: sideMm,
        flatWidthMm: sideMm,
        massKg: (sideMm ** 2 * thicknessMm * materialOf(materialId).densityKgM3) / 1e9,
        place: { x, y: y(x) - Math.sign(y(x)) * inward, z: deckZMm + thicknessMm / 2 },
        size: { x: sideMm, y: sideMm, z: thicknessMm },
        quantity: 1,
      }))
    })
}

/** Bracket metal follows the bar's: steel brackets on steel bars, aluminium on aluminium. */
export const bracketMaterial = (p: CrossbarParams): string => {
  const { group } = materialOf(profileOf(p.profileId).materialId)
  return group === 'aluminium' ? 'al6061t6' : group === 'stainless' ? 'stainless' : 'steel'
}

function brackets(p: CrossbarParams, kFactor: number): Plate[] {
  if (p.bracketInsetMm <= 0 || !p.barXMm.length) return []
  const bracket = stepBracket({
    stepMm: p.bracketInsetMm,
    riseMm: p.footHeightMm,
    thicknessMm: p.bracketThicknessMm,
    footPadMm: p.bracketFootPadMm,
    barPadMm: p.bracketBarPadMm,
    kFactor,
  })
  const materialId = bracketMaterial(p)
  const massKg = (bracket.flatLengthMm * p.bracketWidthMm * p.bracketThicknessMm * materialOf(materialId).densityKgM3) / 1e9
  return [
    {
      id: 'bracket',
      mark: 'SB',
      name: 'Step bracket, 2 folds',
      role: 'bracket',
      boltsPerEnd: boltsPerEnd(p),
      materialId,
      thicknessMm: p.bracketThicknessMm,
      flatLengthMm: bracket.flatLengthMm,
      flatWidthMm: p.bracketWidthMm,
      massKg,
      place: { x: 0, y: 0, z: 0 },
      size: { x: p.bracketWidthMm, y: bracket.offsetMm, z: p.footHeightMm },
      bends: bracket.bends,
      quantity: p.barXMm.length * 2,
    },
  ]
}

const frontBar = (p: CrossbarParams): number => p.barXMm.indexOf(Math.max(...p.barXMm))

/** A flat aluminium fairing leaning on the front bar at 45°. */
function fairing(p: CrossbarParams, line: MountLine, deckZMm: number): Plate[] {
  if (!p.fairing || !p.barXMm.length) return []
  const x = Math.max(...p.barXMm)
  const width = barLengthMm(p, line, x)
  const slope = p.fairingHeightMm * Math.SQRT2
  const t = FAIRING_MM
  return [
    {
      id: 'fairing',
      mark: 'FR',
      name: 'Front fairing',
      role: 'fairing',
      materialId: 'al6061t6',
      thicknessMm: t,
      flatLengthMm: width,
      flatWidthMm: slope,
      massKg: (width * slope * t * materialOf('al6061t6').densityKgM3) / 1e9,
      place: { x: x + p.fairingHeightMm / 2, y: 0, z: deckZMm - p.fairingHeightMm / 2 },
      size: { x: p.fairingHeightMm, y: width, z: p.fairingHeightMm },
      quantity: 1,
    },
  ]
}

function faults(p: CrossbarParams, line: MountLine, vehicle: Vehicle): Issue[] {
  const issues: Issue[] = []
  const at = (i: number) => ['design', 'params', 'barXMm', i]
  if (!p.barXMm.length) issues.push({ code: 'no_bars', at: ['design', 'params', 'barXMm'], fix: null })
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
      if (meets && clearMm < 0) issues.push({ code: 'bar_hits_obstacle', at: at(i), bar: i, obstacle: o.name, clearMm, fix: null })
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
