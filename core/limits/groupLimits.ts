import type { Assembly, Pull } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { Impossible } from '../issue/impossible'
import { type Carried, notAgreed } from '../loads/carried'
import type { CaseResult, Lack, Person } from '../loads/caseResult'
import { type LoadCase, loadCases, standingWinds } from '../loads/loadCases'
import { openedOut } from '../loads/openedOut'
import { type RackSolver, rackSolvers } from '../loads/solveRack'
import { swungOpen } from '../loads/swungOpen'
import type { LoadTest } from '../loadTest/loadTest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { fatigueLimit } from './fatigueLimits'
import { foldLimits } from './foldLimits'
import { footLimits } from './footLimits'
import { footLinks } from './footLinks'
import { type FootRow, footRow } from './footRow'
import { holeLimits } from './holeLimits'
import { jointLimits } from './jointLimits'
import type { Limit } from './limit'
import { memberLimits } from './memberLimits'
import { notSolved } from './notSolved'
import { pulledOutLimits } from './pulledOutLimits'
import { pullLimits } from './pullLimits'
import { sheetLimits } from './sheetLimits'
import { tiedPieces } from './tiedPieces'
import { usedInCase, worstCase } from './usedInCase'
import { type Fallen, whatStands } from './whatStands'
import { climbingPlaces, standingPlaces } from './whereSomebodyIs'

/** Of a brief what bears on strength, with the cargo of the group alone. */
export type LoadBrief = Pick<
  Brief,
  'road' | 'howOften' | 'speedKmh' | 'snowKgM2' | 'someoneStands' | 'someoneClimbs' | 'agreedUses' | 'cargo'
>
/** `lacks`: what nobody knows of the whole job and so of this group */
export type GroupGiven = {
  assembly: Assembly
  carried: Carried[]
  vehicle: Vehicle
  brief: LoadBrief
  rules: Rules
  tests: LoadTest[]
  lacks: Lack[]
}
/** `feet` and every case's own feet are in the order of `mounts`. Cases: driving and parked, the worst place for somebody to stand or climb, each pull. */
export type GroupResult = {
  limits: Limit[]
  mounts: Assembly['mounts']
  feet: FootRow[]
  missing: string[]
  driven: CaseResult[]
  withPeople: CaseResult[]
  pulling: CaseResult[]
  frequencyHz: number | null
  /** parts that do not stand by themselves: which piece, and why */
  unstable: Fallen[]
}

/** One group of pieces under every load case, each with feet that clamp their bars and with bars that turn on their feet, judged piece by piece. */
export function groupLimits(given: GroupGiven): GroupResult {
  const { carried, vehicle, brief, rules, tests } = given
  const cases = loadCases(rules, brief.road, brief.snowKgM2)
  const { standing: assembly, fallen, people, solvers } = solved(given)
  const down = fallen.map((f) => notSolved(f.says, f.pieceId))
  if (!solvers.length)
    return {
      ...{ limits: down, mounts: [], feet: [], driven: [], withPeople: [], pulling: [], frequencyHz: null },
      missing: [...new Set([...fallen.map((f) => f.says), ...given.lacks.map((l) => l.says)])],
      unstable: fallen,
    }
  const most = cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'most', 'all')))
  const estimated = carried.some((c) => c.least !== c.most)
  const least = estimated ? cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'least', 'feet'))) : []
  const [parked] = cases
  const withPeople = people.flatMap(({ person, name }) =>
    solvers.map((s) => s.solve({ ...parked!, id: name, name }, null, 'most', 'all', person)),
  )
  // what is open in the wind and of unknown size is a limit of its own that is not assessed; it leaves the rest as it is
  const lifted = assembly.pulls.some((p) => p.wind?.way === 'up' && !p.lacks.length)
  // what lies on it holds it down, and may be elsewhere that day
  const bare = lifted ? bothHolds(assembly, [], rules, []) : []
  const pulling = assembly.pulls.flatMap((pull) =>
    pull.wind && pull.lacks.length
      ? []
      : (pull.wind?.way === 'up' ? bare : solvers).map((s) =>
          s.solve({ ...parked!, id: pull.id, name: pullName(pull) }, null, 'most', 'all', undefined, pull),
        ),
  )
  const open = swungOpen(assembly, carried).flatMap((o) =>
    bothHolds(o.assembly, o.carried, rules, []).map((s) =>
      s.solve(
        { ...parked!, id: `open:${o.motion.id}:${o.atDeg}`, name: `${o.motion.name} swung to ${Math.round(o.atDeg)}°` },
        null,
        'most',
        'all',
      ),
    ),
  )
  const tents = openInWind(carried, assembly, parked!, rules)
  const everything = [...most, ...withPeople, ...pulling, ...open, ...tents]
  const unknown = [
    ...everything.flatMap((r) => r.lacks),
    ...notYetAgreed(brief, carried),
    ...lostBearings(carried, assembly),
    ...given.lacks,
  ]
  const lacks = [...new Set(unknown.map((l) => l.says))]
  const tied = tiedPieces(assembly)
  const onFeet = [...everything, ...least]
  const feet = assembly.mounts.map((mount, i) => footRow(mount, i, onFeet, footLinks(mount, assembly, vehicle, rules)))
  const hz = solvers.map((s) => s.frequencyHz())
  const limits = piecesOf(assembly).flatMap((pieceId) => {
    const own = (id: string) => pieceIdOf(id) === pieceId
    // what is not known of one piece leaves open what it is tied to, and no other
    const near = (id: string) => tied(pieceIdOf(id)) === tied(pieceId)
    const lacks = [...new Set(unknown.filter((l) => l.on === null || l.on.some(near)).map((l) => l.says))]
    const mine = feet.filter((f) => own(f.mount.id))
    const joints = { assembly, cases: everything, lacks, rules, own }
    return [
      ...footLimits({ feet: mine, cases: onFeet, lacks, rules }),
      ...memberLimits({ assembly, cases: everything, feet: mine, lacks, vehicle, rules, tests, own }),
      ...jointLimits(joints),
      ...holeLimits(joints),
      ...foldLimits(joints),
      ...fatigueLimit({ assembly, cases: everything, brief, lacks, rules, own }),
      ...pullLimits(assembly, rules, own),
      ...sheetLimits({ assembly, carried, cases, lacks, rules, own }),
      ...pulledOutLimits({ assembly, carried, feet: mine, lacks, rules, own }),
    ].map((l) => ({ ...l, pieceId }))
  })
  return {
    limits: [...limits, ...down],
    mounts: assembly.mounts,
    feet,
    missing: lacks,
    driven: worseHold(most, feet),
    withPeople: worstOfEach(withPeople, feet),
    pulling: worseHold([...pulling, ...tents], feet),
    frequencyHz: hz.some((f) => f === null) ? null : Math.min(...hz.map((f) => f ?? 0)),
    unstable: fallen,
  }
}

/**
 * What stands open, in the wind it is shut at, from every side: each thing by itself and all of them together; empty and with nothing else there, as the rest may
 * be elsewhere that day, and among all that is parked.
 */
function openInWind(carried: Carried[], assembly: Assembly, parked: LoadCase, rules: Rules): CaseResult[] {
  const open = new Map(carried.flatMap((c) => [c.openAs && openedOut(c, c.openAs)].flatMap((o) => (o ? [[c, o] as const] : []))))
  const each = [...open.keys()].map((c) => [c])
  const sets = each.length > 1 ? [...each, [...open.keys()]] : each
  return sets.flatMap((own) => {
    const stands = (c: Carried) => (own.includes(c) ? open.get(c)! : c)
    const [ids, names] = [own.map((c) => c.cargoId).join('+'), own.map((c) => c.name).join(' and ')]
    return [
      { use: 'least' as const, among: own.map(stands), besides: ', nothing else there' },
      { use: 'most' as const, among: carried.map(stands), besides: '' },
    ].flatMap(({ use, among, besides }) =>
      bothHolds(assembly, among, rules, []).flatMap((s) =>
        standingWinds.map((from) =>
          s.solve(
            {
              ...parked,
              id: `open:${ids}:${from}:${use}`,
              name: `${names} open, wind ${WIND_FROM[from]}${besides}`,
              standingWind: { kmh: rules.tentKmh, from },
            },
            null,
            use,
            'all',
          ),
        ),
      ),
    )
  })
}

const bothHolds = (assembly: Assembly, carried: Carried[], rules: Rules, people: Person[]): RackSolver[] =>
  rackSolvers(assembly, carried, rules, people, ['free', 'clamped'])

type Standing = { standing: Assembly; fallen: Fallen[]; people: { person: Person; name: string }[]; solvers: RackSolver[] }
/** The frames of the whole, with feet that clamp and that do not; where it is no structure, of what stands by itself. */
function solved(given: GroupGiven): Standing {
  const { carried, brief, rules } = given
  const of = (assembly: Assembly): Pick<Standing, 'people' | 'solvers'> => {
    const people = [
      ...(brief.someoneStands ? standingPlaces(assembly).map((person) => ({ person, name: 'a person standing' })) : []),
      ...(brief.someoneClimbs ? climbingPlaces(assembly, rules).map((person) => ({ person, name: 'a person climbing up' })) : []),
    ]
    const places = people.map((p) => p.person)
    return { people, solvers: bothHolds(assembly, carried, rules, places) }
  }
  if (given.assembly.mounts.length)
    try {
      return { standing: given.assembly, fallen: [], ...of(given.assembly) }
    } catch (error) {
      if (!(error instanceof Impossible)) throw error
    }
  const { standing, fallen } = whatStands(given.assembly, rules)
  return { standing, fallen, ...of(standing) }
}

/** The pieces that have a part in the assembly, in its order; null = parts that belong to none. */
const piecesOf = (a: Assembly): (string | null)[] => [
  ...new Set([...a.members, ...a.plates, ...a.fittings, ...a.mounts].map((p) => pieceIdOf(p.id))),
]

/** A kind of use that was not agreed opens every check of what carries it. */
const notYetAgreed = (brief: LoadBrief, carried: Carried[]): Lack[] =>
  notAgreed(brief).map((c) => ({
    says: `agreement at intake that ${c.name} (${c.use}) is carried`,
    on: carried.find((x) => x.cargoId === c.id)?.bearings.flatMap((b) => b.on ?? []) ?? null,
  }))

/** What should carry an item and does not stand: its share goes nowhere, and so nothing near it is known. */
const lostBearings = (carried: Carried[], assembly: Assembly): Lack[] => {
  const there = new Set([...assembly.members, ...assembly.plates, ...assembly.fittings].map((p) => p.id))
  return carried
    .filter((c) => c.bearings.some((b) => b.on !== null && !there.has(b.on)))
    .map((c) => ({ says: `something that stands under ${c.name}`, on: c.bearings.flatMap((b) => b.on ?? []) }))
}

/** Of a case worked out both ways that feet may hold, the one that uses more stands for it in drawings and charts. */
const worseHold = (results: CaseResult[], feet: FootRow[]): CaseResult[] =>
  [...new Set(results.map((r) => r.case.id))].map((id) => {
    const use = (r: CaseResult) => {
      const u = usedInCase(r, { feet })
      return Math.max(u.members ?? 0, u.feet ?? 0)
    }
    return results.filter((r) => r.case.id === id).reduce((a, b) => (use(b) > use(a) ? b : a))
  })

/** Of the many places where somebody may be, the one that uses most stands for them all. */
const worstOfEach = (results: CaseResult[], feet: FootRow[]): CaseResult[] =>
  [...new Set(results.map((r) => r.case.id))].flatMap((id) => worstCase({ cases: results.filter((r) => r.case.id === id), feet }) ?? [])

const WIND_FROM = {
  ...{ side: 'from the side', vehicle: 'over the vehicle', front: 'from ahead', rear: 'from behind' },
  ...{ left: 'from the left', right: 'from the right' },
}
const pullName = (p: Pull): string =>
  p.wind ? `${p.name}, wind ${WIND_FROM[p.wind.from]} ${p.wind.way === 'up' ? 'lifting' : 'pressing'} it` : `${p.name}, at full pull`
