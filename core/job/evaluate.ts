import { type Assembly, assemblyMassKg, loadBars } from '../assembly/assembly'
import type { Cargo } from '../brief/cargo'
import { footTypes } from '../catalogue/mounts'
import { familyOf } from '../families/all'
import type { Figure } from '../figure/figure'
import { accessIssues, bodyIssues } from '../fitment/bodyIssues'
import { swingIssues } from '../fitment/swingIssues'
import { Impossible } from '../issue/impossible'
import type { Issue } from '../issue/issue'
import { beyondLimits } from '../limits/beyondLimits'
import { needsEngineer } from '../limits/engineer'
import { overallHeight } from '../limits/heightLimits'
import { type Held, heldBy } from '../limits/held'
import { hitchLimits, hitchMoment } from '../limits/hitchLimits'
import { type LedgerRow, ledger, massFigure } from '../limits/ledger'
import { governingFirst, type Limit } from '../limits/limit'
import { type FootRow, notSolved, type RackResult, rackLimits } from '../limits/rackLimits'
import { stability } from '../limits/stability'
import { vehicleLimits } from '../limits/vehicleLimits'
import { type Carried, carriedBy } from '../loads/carried'
import { hangsOutsideMm } from '../loads/contacts'
import { loadCases } from '../loads/loadCases'
import { type Sail, sail } from '../loads/sail'
import type { CaseResult } from '../loads/solveRack'
import { contradictions } from '../measure/contradictions'
import type { Rules } from '../rules/rules'
import { securingLimits } from '../securing/securing'
import { supportOf } from '../spacing/spacing'
import { type Dynamics, dynamics } from '../structure/dynamics'
import type { Job } from './job'

export type Evaluation = {
  assembly: Assembly
  issues: Issue[]
  limits: Limit[]
  feet: FootRow[]
  cases: CaseResult[]
  /** what the feet's figures lack */
  missing: string[]
  dynamics: Dynamics
  sail: Sail | null
  /** why a licensed engineer or the maker must have a say */
  engineer: string[]
  /** what holds each kind of foot each way */
  held: Held[]
  hitchMoment: Figure | null
  ledger: LedgerRow[]
  rackMassKg: number
  moving: Figure
  height: Figure
  stability: { before: Figure; after: Figure }
}

/** brief → vehicle → assembly → checks. Pure: the same job and rules always give the same figures. */
export function evaluate(job: Job, rules: Rules): Evaluation {
  const family = familyOf(job.design)
  const { assembly, issues } = family.assemble(job.design.params, job.vehicle, rules)
  const { vehicle, brief } = job
  const carried = carriedBy(assembly, brief)
  const { rack, unstable } = solved(assembly, carried, job, rules)
  const rows = ledger(assembly, brief, rules)
  const limits = governingFirst([
    ...vehicleLimits(assembly, vehicle, brief, rules),
    ...hitchLimits(vehicle, brief, rules),
    ...beyondLimits(vehicle, brief, rules),
    ...rack.limits,
    ...securingLimits({ cargo: brief.cargo, anchors: job.anchors, cases: loadCases(rules, brief.road), speedKmh: brief.speedKmh, rules }),
  ])
  return {
    assembly,
    feet: rack.feet,
    cases: rack.cases,
    missing: rack.missing,
    dynamics: dynamics(assembly, brief, rack.frequencyHz, rack.missing),
    sail: sail(assembly, carried, brief, rules),
    engineer: needsEngineer(assembly, brief, limits),
    held: heldBy(assembly, limits, rules),
    hitchMoment: vehicle.carrier ? hitchMoment(vehicle) : null,
    ledger: rows,
    issues: [
      ...contradictions(vehicle).map((c): Issue => ({ code: 'measures_contradict', at: ['vehicle', ...c.at], fix: null, says: c.says })),
      ...issues,
      ...unstable,
      ...cargoIssues(job, assembly),
      ...bodyIssues(assembly, vehicle, brief),
      ...accessIssues(assembly, vehicle, brief),
      ...swingIssues(assembly, vehicle, brief),
      ...hangingIssues(carried, assembly),
      ...rack.feet
        .filter((f) => f.leastDownN < -1 && footTypes[f.mount.kind].holds.up === null)
        .map(
          (f): Issue => ({
            code: 'foot_lets_go',
            at: ['design', 'params', 'mountId'],
            fix: null,
            foot: f.mount.mark,
            when: f.upCase,
          }),
        ),
    ],
    limits,
    rackMassKg: assemblyMassKg(assembly),
    moving: massFigure(rows, 'driving'),
    height: overallHeight(assembly, vehicle, brief),
    stability: stability(assembly, vehicle, brief),
  }
}

/** The rack as a structure; one that does not stand by itself has no figures, and says why. */
function solved(assembly: Assembly, carried: Carried[], job: Job, rules: Rules): { rack: RackResult; unstable: Issue[] } {
  try {
    return { rack: rackLimits({ assembly, carried, vehicle: job.vehicle, brief: job.brief, rules, tests: job.loadTests }), unstable: [] }
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    const rack = { limits: [notSolved(error.message)], feet: [], missing: [error.message], cases: [], frequencyHz: null }
    return { rack, unstable: [{ code: 'unstable', at: ['design', 'params'], fix: null, says: error.message }] }
  }
}

/** Cargo that touches its bars beyond their ends: its moment there is counted, and somebody should know. */
function hangingIssues(carried: Carried[], assembly: Assembly): Issue[] {
  const bars = loadBars(assembly)
  const cargo = carried.filter((c) => c.kind === 'cargo')
  return cargo.flatMap((c, k): Issue[] => {
    const outsideMm = hangsOutsideMm(c, bars)
    return outsideMm > 1 ? [{ code: 'load_hangs_outside', at: ['brief', 'cargo', k, 'yMm'], item: c.name, outsideMm, fix: null }] : []
  })
}

/** The place nearest to where an item lies in which two bars carry it with its centre of mass between them; none when no two bars are near enough. */
function restingPlace(c: Cargo, barXMm: number[]): number[] {
  const xs = [...barXMm].sort((a, b) => a - b)
  const places = xs.flatMap((a, i) =>
    xs.slice(i + 1).flatMap((b) => {
      const x = (a + b) / 2 - c.centreForwardMm
      const s = supportOf({ ...c, xMm: x }, barXMm)
      return s.under.length >= 2 && barXMm[s.under[0]!]! <= (a + b) / 2 && barXMm[s.under[s.under.length - 1]!]! >= (a + b) / 2 ? [x] : []
    }),
  )
  return places.sort((a, b) => Math.abs(a - c.xMm) - Math.abs(b - c.xMm)).slice(0, 1)
}

/** Cargo that rests on nothing, pivots, tips, or stands inside other cargo. */
function cargoIssues(job: Job, assembly: Assembly): Issue[] {
  const barXMm = loadBars(assembly).map((b) => b.path[0]!.x)
  if (!barXMm.length) return []
  const issues: Issue[] = []
  job.brief.cargo.forEach((c, k) => {
    const at = ['brief', 'cargo', k, 'xMm']
    const s = supportOf(c, barXMm)
    const toMiddle = restingPlace(c, barXMm).map((x) => ({ path: at, to: x }))
    const fix = toMiddle.length ? toMiddle : null
    if (s.under.length === 0) issues.push({ code: 'load_on_nothing', at, item: c.name, fix })
    else if (s.under.length === 1) issues.push({ code: 'load_on_one_bar', at, item: c.name, fix: null })
    else {
      const [fromMm, toMm] = [barXMm[s.under[0]!]!, barXMm[s.under[s.under.length - 1]!]!]
      const centreXMm = c.xMm + c.centreForwardMm
      if (centreXMm < fromMm || centreXMm > toMm) issues.push({ code: 'load_tips', at, item: c.name, centreXMm, fromMm, toMm, fix })
    }
    for (const other of job.brief.cargo.slice(k + 1)) {
      const together = c.counts === 'both' || other.counts === 'both' || c.counts === other.counts
      const meets =
        Math.abs(c.xMm - other.xMm) < (c.lengthMm + other.lengthMm) / 2 - 1 &&
        Math.abs(c.yMm - other.yMm) < (c.widthMm + other.widthMm) / 2 - 1
      if (together && meets)
        issues.push({ code: 'loads_overlap', at: ['brief', 'cargo', k, 'yMm'], item: c.name, other: other.name, fix: null })
    }
  })
  return issues
}
