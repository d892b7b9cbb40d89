import {
  type Assembly,
  emptyAssembly,
  type Fitting,
  type Hardware,
  type Joint,
  type Mount,
  type OwnDimension,
  type Plate,
} from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts } from '../../assembly/usualHardware'
import type { BoltSize } from '../../catalogue/bolts'
import { footTypes } from '../../catalogue/mounts'
import { profileOf } from '../../catalogue/profiles'
import { wallOf } from '../../catalogue/section'
import { plus, type Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Site } from '../family'
import { clampedTo, notYet } from '../parts'
import { type Base, baseOf, rowOf } from './base'
import { faults } from './faults'
import type { BracketsParams } from './params'
import { type BracketBlank, blankOf, type HeldBox, heldBox, leverOf, type Stood, stood } from './shape'

/** Foot or flange of what it holds, that a bolt is bought for before anybody has measured it; the shop’s own. mm */
const USUAL_FLANGE_MM = 6

export function assemble(p: BracketsParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const base = baseOf(p, site)
  if (!base)
    return notYet(
      site.below
        ? 'The piece below has no straight tube that brackets could be bolted to: stand them on another'
        : 'The brackets have nothing to lie on: add a line of points or tracks, or measure rails, ribs or the tray, at Measure; or stand them on another piece',
    )
  const blank = blankOf(p, base, site.rules)
  const stands = p.atMm.map((at) => stood(p, base, blank, at, site.rules))
  const box = heldBox(p, base, stands)
  const mounts = base.place ? stands.flatMap((s, i) => feetOf(base, s, i)) : []
  return {
    assembly: {
      ...emptyAssembly,
      plates: stands.map((s, i) => plateOf(p, base, blank, s, i)),
      fittings: [thingOf(p, box)],
      mounts,
      joints: [...stands.flatMap((s, i) => jointsOf(p, base, blank, s, i)), ...clampedTo(mounts)],
      hardware: hardwareOf(p, base, blank, mounts),
      dimensions: dimensionsOf(base, stands),
    },
    issues: faults(p, base, blank, stands, box, site.rules),
  }
}

const plateOf = (p: BracketsParams, base: Base, blank: BracketBlank, s: Stood, i: number): Plate => ({
  id: `bracket:${i}`,
  mark: 'BR',
  name: p.form === 'flat' ? 'Adapter' : p.form === 'clamp' ? 'Clamp' : 'Bracket',
  materialId: p.materialId,
  thicknessMm: p.thicknessMm,
  outline: blank.outline,
  holes: blank.holes,
  bends: s.bends,
  ...(blank.folds.length ? { faces: s.faces } : {}),
  pose: s.pose,
  goodFace: 'down',
  air: base.place && Math.abs(base.out.z) < 0.5 ? 'sheltered' : 'board',
})

/** A foot with its bolts to each bracket; a foot to each hole where every screw is one. */
function feetOf(base: Base, s: Stood, i: number): Mount[] {
  const { place, kind } = base.place!
  const type = footTypes[kind]
  const at = rowOf(kind) === null ? s.feet : [s.foot]
  return at.map((where, k) => ({
    id: at.length > 1 ? `foot:${i}:${k}` : `foot:${i}`,
    mark: at.length > 1 ? `F${i + 1}.${k + 1}` : `F${i + 1}`,
    kind,
    placeId: place.id,
    bodyId: place.bodyId,
    on: `bracket:${i}`,
    side: place.side,
    place: where,
    normal: base.out,
    massKg: type.massKg,
    backingMm: kind === 'through-bolt' ? 50 : null,
    via: null,
    ...(kind === 'rivet nut' ? { spacerMm: 0 } : {}),
  }))
}

function jointsOf(p: BracketsParams, base: Base, blank: BracketBlank, s: Stood, i: number): Joint[] {
  const bolted = (size: BoltSize, rows: Vec3[], apartMm: number) => ({
    size,
    count: rows.length,
    ...(rows.length > 1 ? { apartMm } : {}),
    rows,
  })
  const { member } = base
  const onBase: Joint[] = !member
    ? []
    : blank.clampBolts
      ? [
          {
            id: `joint:base:${i}`,
            kind: 'clamp',
            between: [`bracket:${i}`, member.id],
            at: s.foot,
            collar: { size: p.boltOne, count: blank.clampBolts },
          },
        ]
      : [
          {
            id: `joint:base:${i}`,
            kind: 'bolt',
            between: [`bracket:${i}`, member.id],
            at: s.foot,
            bolts: {
              ...bolted(p.boltOne, s.feet, leverOf(blank.one, blank, base)),
              ...(p.fixed === 'rivet nut' && isHollow(member.profileId) && !base.slotted ? { into: member.id } : {}),
            },
          },
        ]
  return [
    ...onBase,
    {
      id: `joint:thing:${i}`,
      kind: 'bolt',
      between: ['thing', `bracket:${i}`],
      at: s.hold,
      bolts: bolted(p.boltOther, s.holds, leverOf(blank.other, blank, null)),
    },
  ]
}

function thingOf(p: BracketsParams, box: HeldBox): Fitting {
  const { middle } = box
  return {
    id: 'thing',
    mark: 'AC',
    name: p.name.trim() || p.other.name || 'What it holds',
    massKg: p.massKg,
    at: middle,
    middle,
    size: box.sides.map(({ way, mm }) => ({ x: Math.abs(way.x) * mm, y: Math.abs(way.y) * mm, z: Math.abs(way.z) * mm })).reduce(plus),
    unknown: [],
    priceMinor: p.theirs ? null : p.priceMinor,
    there: p.theirs,
  }
}

function hardwareOf(p: BracketsParams, base: Base, blank: BracketBlank, mounts: Mount[]): Hardware[] {
  const n = p.atMm.length
  const t = p.thicknessMm
  const { member } = base
  const wallMm = member ? (wallOf(profileOf(member.profileId).shape) ?? t) : t
  const nutted = member && p.fixed === 'rivet nut' && isHollow(member.profileId)
  const stackMm = t + (nutted || base.slotted ? wallMm : (base.deepMm ?? 0))
  const acrossMm = 2 * t + 2 * p.liningMm + (base.wideMm ?? 40)
  const held = (p.name.trim() || p.other.name || 'what it holds').toLowerCase()
  return [
    ...(base.place ? footHardware(footTypes[base.place.kind], mounts.length, mounts[0]?.backingMm ?? null, t) : []),
    ...(!member
      ? []
      : blank.clampBolts
        ? throughBolts(p.boltOne, acrossMm, n * blank.clampBolts, 'clamps, under the bar')
        : throughBolts(
            p.boltOne,
            stackMm,
            n * blank.one.at.length,
            p.sunk ? 'brackets on their bar, heads sunk' : 'brackets on their bar',
            base.slotted ? 'T-nut' : nutted ? 'rivet nut' : 'lock nut',
          )),
    ...throughBolts(p.boltOther, t + USUAL_FLANGE_MM, n * blank.other.at.length, `${held} on its brackets`),
  ]
}

/** Each bracket from the first end of what they stand on, running. */
function dimensionsOf(base: Base, stands: Stood[]): OwnDimension[] {
  const { x, y } = base.way
  const [view, axis] =
    Math.abs(x) > 0.7 ? (['plan', 'x'] as const) : Math.abs(y) > 0.7 ? (['rear', 'x'] as const) : (['side', 'y'] as const)
  return stands.map((s, i) => ({
    id: `bracket:${i}`,
    view,
    axis,
    side: 'high',
    running: true,
    from: base.at,
    to: s.foot,
    ref: `bracket:${i}`,
  }))
}
