import type { Assembly, Mount } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import type { Carried } from '../loads/carried'
import type { CaseResult, FootForce, Lack } from '../loads/caseResult'
import type { LoadTest } from '../loadTest/loadTest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import type { FootRow } from './footRow'
import { type GroupGiven, type GroupResult, groupLimits } from './groupLimits'
import type { Limit } from './limit'
import { overhangLimits } from './overhangLimits'
import { remembered } from './remembered'
import { groupsOf } from './tiedPieces'
import { worstCase } from './usedInCase'
import type { Fallen } from './whatStands'

export type RackResult = {
  limits: Limit[]
  feet: FootRow[]
  missing: string[]
  cases: CaseResult[]
  frequencyHz: number | null
  /** parts that do not stand by themselves: which piece, and why */
  unstable: Fallen[]
}

export type RackGiven = { assembly: Assembly; carried: Carried[]; vehicle: Vehicle; brief: Brief; rules: Rules; tests: LoadTest[] }

/**
 * Feet, members, joints and overhangs under every load case of the brief's road and speed. Pieces that are joined or share a load are solved as one frame, the
 * others by themselves; all is judged piece by piece, and what does not stand by itself is left out, named, and not assessed.
 */
export function rackLimits(given: RackGiven): RackResult {
  const { assembly, brief, rules } = given
  const overhangs = overhangLimits(assembly, brief, rules)
  const groups = groupsOf(assembly, given.carried).map(({ assembly, carried }) => solvedOnce(ofGroup(given, assembly, carried)))
  const place = new Map(assembly.mounts.map((m, i) => [m.id, i]))
  const inOrder = (a: { mount: Mount }, b: { mount: Mount }) => (place.get(a.mount.id) ?? 0) - (place.get(b.mount.id) ?? 0)
  const feet = groups
    .flatMap((g) => g.feet)
    .sort(inOrder)
    .map((f, index) => ({ ...f, index }))
  const hz = groups.flatMap((g) => (g.feet.length ? [g.frequencyHz] : []))
  return {
    limits: [...groups.flatMap((g) => g.limits), ...overhangs],
    feet,
    missing: [...new Set(groups.flatMap((g) => g.missing))],
    cases: casesOf(groups, feet),
    frequencyHz: !hz.length || hz.some((f) => f === null) ? null : Math.min(...hz.map((f) => f ?? 0)),
    unstable: groups.flatMap((g) => g.unstable),
  }
}

/** A group that nothing was changed of keeps its answer while another one is worked on. */
const solvedOnce = remembered(groupLimits)

function ofGroup(given: RackGiven, assembly: Assembly, carried: Carried[]): GroupGiven {
  const { vehicle, brief, rules, tests } = given
  const { road, howOften, speedKmh, snowKgM2, someoneStands, someoneClimbs, agreedUses } = brief
  const own = new Set(carried.map((c) => c.cargoId))
  const cargo = brief.cargo.filter((c) => own.has(c.id))
  return {
    ...{ assembly, carried, vehicle, rules, tests, lacks: nobodyMayStand(brief, given.assembly) },
    brief: { road, howOften, speedKmh, snowKgM2, someoneStands, someoneClimbs, agreedUses, cargo },
  }
}

/** The cases of all groups at once. While somebody stands on one of them, or one is pulled, the others are parked. */
function casesOf(groups: GroupResult[], feet: FootRow[]): CaseResult[] {
  const standing = groups.filter((g) => g.feet.length)
  const ids = (cases: CaseResult[]) => [...new Set(cases.map((c) => c.case.id))]
  const all = (of: (g: GroupResult) => CaseResult | undefined): CaseResult =>
    merged(
      standing.map((g) => ({ g, c: of(g) ?? g.driven[0]! })),
      feet,
    )
  const alone = (own: GroupResult, c: CaseResult) => ({ ...all((g) => (g === own ? c : undefined)), case: c.case, person: c.person })
  const driven = ids(standing.flatMap((g) => g.driven)).map((id) => all((g) => g.driven.find((c) => c.case.id === id)))
  const withPeople = standing.flatMap((g) => g.withPeople.map((c) => alone(g, c)))
  const pulling = standing.flatMap((g) => g.pulling.map((c) => alone(g, c)))
  return [
    ...driven,
    // of the same act on several groups, the one that uses most
    ...ids(withPeople).flatMap((id) => worstCase({ cases: withPeople.filter((c) => c.case.id === id), feet }) ?? []),
    ...pulling,
  ]
}

function merged(parts: { g: GroupResult; c: CaseResult }[], feet: FootRow[]): CaseResult {
  const force = new Map<string, FootForce>(parts.flatMap(({ g, c }) => g.mounts.map((m, i) => [m.id, c.feet[i]!] as const)))
  const own = feet.map((f) => force.get(f.mount.id)!)
  const first = parts[0]!.c
  if (parts.length === 1) return first
  const lacks = parts.flatMap(({ c }) => c.lacks)
  return {
    ...first,
    feet: own,
    feetDownN: own.map((f) => f.downN),
    members: parts.flatMap(({ c }) => c.members),
    joints: parts.flatMap(({ c }) => c.joints),
    lacks,
    missing: [...new Set(lacks.map((l) => l.says))],
  }
}

/** Somebody shall stand or climb, and nothing here is made for it: what he does to it is not known. */
function nobodyMayStand(brief: Brief, assembly: Assembly): Lack[] {
  return [
    ...(brief.someoneStands && !assembly.supports.some((s) => s.walkOn.length) ? [{ says: 'a support made to stand on', on: null }] : []),
    ...(brief.someoneClimbs && !assembly.supports.some((s) => s.climbOn.length) ? [{ says: 'a part made to climb by', on: null }] : []),
  ]
}
