import type { Assembly, Joint } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { markOf } from '../assembly/marks'
import type { Material } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { countingLegMm } from '../fasten/filletWeld'
import type { Vec3 } from '../geometry/vec3'
import { type JoinedPart, partsOf, weldRuns } from '../limits/joinedParts'
import { type DisplayUnits, KG_PER_POUND } from '../quantity/units'
import { whyNot } from '../reach/reachLimits'
import type { Welded } from '../reach/welded'
import type { Rules } from '../rules/rules'
import type { Welder } from '../workshop/workshop'

export type Process = Welder['process']
/** One weld as the welder makes it. mm, minutes, grams, litres */
export type Seam = {
  /** its number on the drawing and in the order of welding */
  number: number
  joint: Joint
  pieceId: string | null
  between: [string, string]
  at: Vec3
  process: Process
  /** null = no welder here does this metal */
  welder: string | null
  filler: string
  legMm: number
  throatMm: number
  flushThroatMm: number
  lengthMm: number
  tacks: number
  tackRule: string
  minutes: number
  wireG: number
  gasL: number
  /** what may be tacked on only after it, for no torch gets to it then */
  before: string[]
}
export type WeldMap = { seams: Seam[]; lengthMm: number; minutes: number; wireG: number; gasL: number; notes: string[] }

/** What of the wire ends up in the joint. Shop's own: spatter, stubs, a little more than the leg asks */
const YIELD: Record<Process, number> = { MIG: 0.9, TIG: 0.95, stick: 0.6 }

/**
 * Every weld once, numbered in the order it is welded out: piece by piece, from the middle outward and from side to side, so that each pull is met by the one
 * across from it. Wire: half a square of the leg along the seam by density (geometry of a fillet); minutes by the shop's own speeds. What a torch reaches only before something else is tacked on
 * comes first in its piece, where that was looked at (`reach`).
 */
export function weldMap(a: Assembly, welders: Welder[], rules: Rules, reach: Welded[] | null = null): WeldMap {
  const welds = a.joints.filter((j) => j.kind === 'weld')
  const before = new Map((reach ?? []).filter((w) => w.when === 'before').map((w) => [w.id, w.by.map((b) => b.name)]))
  const seams = inOrder(welds, (j) => before.has(j.id)).map((joint, i) => ({
    ...seamOf(joint, i + 1, a, welders, rules),
    before: before.get(joint.id) ?? [],
  }))
  const sum = (of: (s: Seam) => number) => seams.reduce((t, s) => t + of(s), 0)
  return {
    seams,
    lengthMm: sum((s) => s.lengthMm),
    minutes: sum((s) => s.minutes),
    wireG: sum((s) => s.wireG),
    gasL: sum((s) => s.gasL),
    notes: notesOf(seams, a, reach),
  }
}

function seamOf(joint: Joint, number: number, a: Assembly, welders: Welder[], rules: Rules): Omit<Seam, 'before'> {
  const parts = partsOf(a, joint)
  const group = parts.find((p) => p.material.group === 'aluminium')?.material.group ?? parts[0]?.material.group ?? 'steel'
  const walls = parts.flatMap((p) => p.wallMm ?? [])
  const legMm = countingLegMm(joint.weld?.legMm ?? rules.weldLegMm, walls.length ? Math.min(...walls) : null)
  const { lengthMm, round } = seamLength(joint, parts)
  const welder = welderFor(group, welders)
  const process = welder?.process ?? (group === 'steel' ? 'MIG' : 'TIG')
  const speed = { MIG: rules.weldMigMmMin, TIG: rules.weldTigMmMin, stick: rules.weldStickMmMin }[process]
  const arcMin = lengthMm / speed
  const throatMm = legMm * Math.SQRT1_2
  const densityKgM3 = parts[0]?.material.densityKgM3 ?? 7850
  const tacks = round || lengthMm > 150 ? 4 : lengthMm > 60 ? 2 : 1
  return {
    number,
    joint,
    pieceId: pieceIdOf(joint.id),
    between: [markOf(a, joint.between[0]), markOf(a, joint.between[1])],
    at: joint.at,
    process,
    welder: welder?.id ?? null,
    filler: fillerFor(group),
    legMm,
    throatMm,
    flushThroatMm: throatMm * rules.flushThroatShare,
    lengthMm,
    tacks: group === 'aluminium' ? Math.max(2, tacks) : tacks,
    tackRule: group === 'aluminium' ? 'opposite ones first; one alone snaps as it cools' : tacks > 2 ? 'opposite ones first' : 'both sides',
    minutes: arcMin + rules.weldSetUpMin,
    wireG: ((legMm ** 2 / 2) * lengthMm * densityKgM3 * 1e-6) / YIELD[process],
    gasL: process === 'stick' ? 0 : arcMin * rules.weldGasLMin,
  }
}

/** The runs that the checks count, end to end. mm */
function seamLength(joint: Joint, parts: JoinedPart[]): { lengthMm: number; round: boolean } {
  const { alongMm, apartMm, allRound } = weldRuns(joint, parts)
  return { lengthMm: 2 * alongMm + (allRound ? 2 * apartMm : 0), round: allRound }
}

const welderFor = (group: Material['group'], welders: Welder[]): Welder | null =>
  group === 'aluminium'
    ? (welders.find((w) => w.process === 'TIG') ?? welders.find((w) => w.aluminium) ?? null)
    : (welders.find((w) => w.process === (group === 'stainless' ? 'TIG' : 'MIG')) ?? welders[0] ?? null)

const fillerFor = (group: Material['group']): string =>
  group === 'aluminium' ? '4043, or 5356 where it is anodised after' : group === 'stainless' ? '308L' : '70 ksi wire'

/** Piece by piece; within one first what is not reached later, then from its middle outward, and at each distance to the other side first. */
function inOrder(welds: Joint[], first: (j: Joint) => boolean): Joint[] {
  const pieces = [...new Set(welds.map((j) => pieceIdOf(j.id)))]
  return pieces.flatMap((piece) => {
    const own = welds.filter((j) => pieceIdOf(j.id) === piece)
    const middle = own.reduce((s, j) => s + j.at.x, 0) / Math.max(1, own.length)
    return [own.filter(first), own.filter((j) => !first(j))].flatMap((list) => fromTheMiddle(list, middle))
  })
}

function fromTheMiddle(own: Joint[], middle: number): Joint[] {
  const left = [...own].sort((p, q) => Math.abs(p.at.x - middle) - Math.abs(q.at.x - middle) || p.at.z - q.at.z)
  const out: Joint[] = []
  let side = 1
  while (left.length) {
    const at = left.findIndex((j) => Math.sign(j.at.y || side) === side)
    out.push(...left.splice(Math.max(0, at), 1))
    side = -side
  }
  return out
}

function notesOf(seams: Seam[], a: Assembly, reach: Welded[] | null): string[] {
  if (!seams.length) return []
  const aluminium = seams.some((s) => s.filler.startsWith('4043'))
  const closed = closedTubes(a)
  return [
    'Tack all of a piece first, check width, diagonals and twist, and only then weld out in the order of the numbers.',
    'A seam ground flush loses throat: the checks count the whole throat, so grind only where the smaller one still does.',
    ...(aluminium ? ['Aluminium is soft beside every seam: the checks count that zone as softened.'] : []),
    ...(closed.length
      ? [
          `${closed.join(', ')}: tube closed at both ends; drill a vent of 6 mm in a low face near one end before the last weld and before any oven, and leave it as a drain.`,
        ]
      : []),
    ...torchNotes(seams, reach),
    'On a vehicle: battery isolated and alternator unplugged, glass, fuel and linings covered, somebody on fire watch. Welding is for people trained in it.',
  ]
}

/** What a torch gets to once all is tacked, what it must get to before, and what it never does. */
function torchNotes(seams: Seam[], reach: Welded[] | null): string[] {
  if (reach === null)
    return ['What a torch gets to at each moment is not looked at here: Fit does, and look before the second part is tacked.']
  const first = seams.filter((s) => s.before.length)
  const never = reach.filter((w) => w.when === 'never' || w.when === 'unknown')
  return [
    ...(first.length || never.length ? [] : ['A torch gets to every side of every weld with all of its piece tacked.']),
    ...first.map(
      (s) => `No ${s.number} is welded out before ${s.before.join(' and ')} is tacked on: no torch gets to all its sides later.`,
    ),
    ...never.map(
      (w) =>
        `${w.name}: ${w.when === 'unknown' ? 'nobody knows where its sides are' : `a torch gets to ${w.reached} of its ${w.sides} sides only: ${whyNot(w)}`}.`,
    ),
  ]
}

/** Tubes whose both ends are shut by a saddle or a cap. */
export function closedTubes(a: Assembly): string[] {
  const shut = (kind: string) => kind === 'cope' || kind === 'cap'
  return a.members
    .filter((m) => ['round', 'rectangular'].includes(profileOf(m.profileId).shape.kind))
    .filter((m) => m.ends.every((e) => shut(e.kind)) && m.ends.some((e) => e.kind === 'cope'))
    .map((m) => m.mark)
}

const G_PER_OUNCE = KG_PER_POUND * (1000 / 16)
/** Wire is weighed in grams or ounces. */
export const wireText = (grams: number, units: DisplayUnits): string =>
  units.system === 'inch' ? `${(grams / G_PER_OUNCE).toFixed(1)} oz` : `${Math.round(grams)} g`
