import { type Assembly, assemblyMassKg } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { accessIssues, bodyIssues } from '../bodies/bodyIssues'
import { swingIssues } from '../bodies/swingIssues'
import type { Cargo } from '../brief/cargo'
import { footTypes } from '../catalogue/mounts'
import type { Figure } from '../figure/figure'
import type { Issue } from '../issue/issue'
import { beyondLimits } from '../limits/beyondLimits'
import { needsEngineer } from '../limits/engineer'
import type { FootRow } from '../limits/footRow'
import { overallHeight } from '../limits/heightLimits'
import { type Held, heldBy } from '../limits/held'
import { hitchLimits, hitchMoment } from '../limits/hitchLimits'
import { type LedgerGiven, type LedgerRow, ledger } from '../limits/ledger'
import { governingFirst, type Limit } from '../limits/limit'
import { openLimits } from '../limits/openLimits'
import { rackLimits } from '../limits/rackLimits'
import { stability } from '../limits/stability'
import { bodyMasses, vehicleLimits } from '../limits/vehicleLimits'
import { type Carried, carriedBy, notAgreed } from '../loads/carried'
import type { CaseResult } from '../loads/caseResult'
import { hangsOutsideMm } from '../loads/contacts'
import { loadCases } from '../loads/loadCases'
import { type Sail, sail } from '../loads/sail'
import { contradictions } from '../measure/contradictions'
import { pieceName } from '../pieces/piece'
import { type Built, wholeOf } from '../pieces/whole'
import { liesOnSurface, restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import { anchorsOf } from '../securing/anchors'
import { securingLimits } from '../securing/securing'
import { supportOf } from '../spacing/spacing'
import { type Dynamics, dynamics } from '../structure/dynamics'
import { withStops } from '../vehicle/swings'
import type { Job } from './job'

/** One piece of the job as the screens show it: its name, its own parts, and its own mass (null = nobody knows). */
export type PieceSeen = { id: string; name: string; letter: string; there: boolean; assembly: Assembly; massKg: number | null }
export type Evaluation = {
  assembly: Assembly
  pieces: PieceSeen[]
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
  /** mass of everything that is fitted, cargo left out; null = something fitted has no known mass */
  rackMassKg: number | null
  /** what each body bears, moving */
  moving: Figure[]
  height: Figure
  stability: { before: Figure; after: Figure }
}

/** brief → vehicle → pieces → one assembly → checks. Pure: the same job and rules always give the same figures. */
export function evaluate(job: Job, rules: Rules): Evaluation {
  const whole = wholeOf(job, rules)
  const { assembly } = whole
  const { vehicle, brief } = job
  const pieces = whole.built.map(seen)
  const carried = carriedBy(assembly, brief)
  const rack = rackLimits({ assembly, carried, vehicle, brief, rules, tests: job.loadTests })
  const given: LedgerGiven = { assembly, pieces, vehicle, brief, rules }
  const rows = ledger(given)
  const limits = governingFirst([
    ...vehicleLimits(given),
    ...hitchLimits(given),
    ...beyondLimits(vehicle, brief, rules),
    ...rack.limits,
    ...openLimits(brief.cargo, rules),
    ...securingLimits({
      cargo: brief.cargo,
      anchors: anchorsOf(job, assembly),
      cases: loadCases(rules, brief.road),
      speedKmh: brief.speedKmh,
      rules,
      shutIn: new Set(brief.cargo.filter((c) => boxOfItem(c, assembly)).map((c) => c.id)),
    }),
  ])
  const indexOf = (pieceId: string | null) =>
    Math.max(
      0,
      job.pieces.findIndex((p) => p.id === pieceId),
    )
  return {
    assembly,
    pieces,
    feet: rack.feet,
    cases: rack.cases,
    missing: rack.missing,
    dynamics: dynamics(assembly, brief, rack.frequencyHz, rack.missing),
    sail: sail(assembly, carried, brief, rules),
    engineer: needsEngineer(assembly, brief, limits),
    held: heldBy(assembly, limits, rules),
    hitchMoment: hitchMoment(given),
    ledger: rows,
    issues: [
      ...contradictions(vehicle).map((c): Issue => ({ code: 'measures_contradict', at: ['vehicle', ...c.at], fix: null, says: c.says })),
      ...whole.issues,
      ...rack.unstable.map((u): Issue => ({ code: 'unstable', at: ['pieces', indexOf(u.pieceId)], fix: null, says: u.says })),
      ...cargoIssues(job, assembly),
      ...bodyIssues(assembly, vehicle, brief),
      ...accessIssues(assembly, vehicle, brief),
      ...swingIssues(assembly, withStops(vehicle, job.stops), brief),
      ...hangingIssues(carried),
      ...rack.feet
        .filter((f) => f.leastDownN < -1 && footTypes[f.mount.kind].holds.up === null)
        .map(
          (f): Issue => ({
            code: 'foot_lets_go',
            at: ['pieces', indexOf(pieceIdOf(f.mount.id))],
            fix: null,
            foot: f.mount.mark,
            when: f.upCase,
          }),
        ),
    ],
    limits,
    rackMassKg: assemblyMassKg(assembly),
    moving: bodyMasses(rows, vehicle, 'driving'),
    height: overallHeight(given),
    stability: stability(given),
  }
}

const seen = ({ piece, family, assembly }: Built): PieceSeen => ({
  id: piece.id,
  name: pieceName(piece),
  letter: piece.letter,
  there: family?.there ?? false,
  assembly,
  massKg: assemblyMassKg(assembly),
})

/** The shut box that an item lies in; undefined where it lies in none, or not in one alone. */
const boxOfItem = (c: Cargo, assembly: Assembly) => {
  const [own, ...others] = c.on
  return own === undefined || others.length ? undefined : assembly.supports.find((s) => s.id === own)?.encloses
}

/** Cargo that touches what it lies on beyond its ends: its moment there is counted, and somebody should know. */
const hangingIssues = (carried: Carried[]): Issue[] =>
  carried.flatMap((c, k): Issue[] => {
    const outsideMm = hangsOutsideMm(c)
    return outsideMm > 1 ? [{ code: 'load_hangs_outside', at: ['brief', 'cargo', k, 'yMm'], item: c.name, outsideMm, fix: null }] : []
  })

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

/** Cargo that rests on nothing, pivots, tips, is of a kind nobody agreed to, or stands inside other cargo. */
function cargoIssues(job: Job, assembly: Assembly): Issue[] {
  const open = new Set(notAgreed(job.brief).map((c) => c.id))
  const rests = job.brief.cargo.map((c) => restOf(c, assembly))
  return job.brief.cargo.flatMap((c, k): Issue[] => {
    const at = ['brief', 'cargo', k, 'xMm']
    const rest = rests[k]!
    const height = rest.zMm ?? 0
    const meeting = job.brief.cargo.slice(k + 1).flatMap((other, j): Issue[] => {
      const otherZ = rests[k + 1 + j]?.zMm ?? 0
      const together = c.counts === 'both' || other.counts === 'both' || c.counts === other.counts
      const meets =
        Math.abs(c.xMm - other.xMm) < (c.lengthMm + other.lengthMm) / 2 - 1 &&
        Math.abs(c.yMm - other.yMm) < (c.widthMm + other.widthMm) / 2 - 1 &&
        height < otherZ + other.heightMm - 1 &&
        otherZ < height + c.heightMm - 1
      return together && meets
        ? [{ code: 'loads_overlap', at: ['brief', 'cargo', k, 'yMm'], item: c.name, other: other.name, fix: null }]
        : []
    })
    const room = boxOfItem(c, assembly)?.room
    return [
      ...(room && (c.lengthMm > room.x || c.widthMm > room.y || c.heightMm > room.z)
        ? [{ code: 'load_too_large', at, fix: null, item: c.name, box: rest.supports[0]?.name ?? 'the box', room } satisfies Issue]
        : []),
      ...(open.has(c.id)
        ? [{ code: 'use_not_agreed', at: ['brief', 'cargo', k, 'use'], fix: null, item: c.name, use: c.use } satisfies Issue]
        : []),
      ...restIssues(c, rest, at),
      ...meeting,
    ]
  })
}

function restIssues(c: Cargo, rest: ReturnType<typeof restOf>, at: (string | number)[]): Issue[] {
  if (rest.gone.length) return [{ code: 'load_on_gone', at: [...at.slice(0, -1), 'on'], item: c.name, fix: null }]
  // a job of no piece, and a vehicle that carries nothing by itself, has nothing to lie on yet
  if (!rest.supports.length || liesOnSurface(rest)) return []
  const xs = rest.all.map((b) => b.xMm)
  const s = supportOf(c, xs)
  const fixed = () => {
    const toMiddle = restingPlace(c, xs).map((x) => ({ path: at, to: x }))
    return toMiddle.length ? toMiddle : null
  }
  if (rest.supports.every((x) => x.holds)) return []
  if (s.under.length === 0) return [{ code: 'load_on_nothing', at, item: c.name, fix: fixed() }]
  if (s.under.length === 1) return [{ code: 'load_on_one_bar', at, item: c.name, fix: null }]
  const [fromMm, toMm] = [xs[s.under[0]!]!, xs[s.under[s.under.length - 1]!]!]
  const centreXMm = c.xMm + c.centreForwardMm
  return centreXMm < fromMm || centreXMm > toMm ? [{ code: 'load_tips', at, item: c.name, centreXMm, fromMm, toMm, fix: fixed() }] : []
}
