import { type Assembly, loadBars, type Mount, memberLengthMm } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { type Figure, figure, type Input } from '../figure/figure'
import type { Carried } from '../loads/carried'
import { loadCases } from '../loads/loadCases'
import { type CaseResult, type Person, rackSolver } from '../loads/solveRack'
import type { LoadTest } from '../loadTest/loadTest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { fatigueLimit } from './fatigueLimits'
import { FRAME, FRAME_ASSUMES, footLimits } from './footLimits'
import { type FootChain, footLinks } from './footLinks'
import { holeLimits } from './holeLimits'
import { jointLimits } from './jointLimits'
import { allOfIt, type Limit, limit } from './limit'
import { memberLimits } from './memberLimits'
import { overhangLimits } from './overhangLimits'
import { usedInCase, worstCase } from './usedInCase'

/** What one foot takes at worst, and every link its force passes through. N */
export type FootRow = {
  mount: Mount
  levelN: number
  mostDownN: number
  downCase: string
  leastDownN: number
  upCase: string
  /** most pushed along and aside, sizes */
  mostAlongN: number
  alongCase: string
  mostAsideN: number
  asideCase: string
  links: FootChain
}
export type RackResult = { limits: Limit[]; feet: FootRow[]; missing: string[]; cases: CaseResult[]; frequencyHz: number | null }

export type RackGiven = { assembly: Assembly; carried: Carried[]; vehicle: Vehicle; brief: Brief; rules: Rules; tests: LoadTest[] }

/**
 * Feet, members, joints and overhangs under every load case of the brief's road and speed, each with feet that clamp their bars and with bars that turn
 * on their feet. Throws `Impossible` for a rack that is no structure.
 */
export function rackLimits(given: RackGiven): RackResult {
  const { assembly, carried, vehicle, brief, rules, tests } = given
  const cases = loadCases(rules, brief.road, brief.snowKgM2)
  const people = [
    ...(brief.someoneStands ? standingPlaces(assembly).map((person) => ({ person, name: 'a person standing' })) : []),
    ...(brief.someoneClimbs ? climbingPlaces(assembly, rules).map((person) => ({ person, name: 'a person climbing up' })) : []),
  ]
  const places = people.map((p) => p.person)
  const solvers = (['free', 'clamped'] as const).flatMap((hold) => rackSolver(assembly, carried, rules, places, hold) ?? [])
  const overhangs = overhangLimits(assembly, brief, rules)
  if (!solvers.length)
    return { limits: [...notAStructure(assembly, brief), ...overhangs], feet: [], missing: [], cases: [], frequencyHz: null }
  const most = cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'most', 'all')))
  const estimated = carried.some((c) => c.least !== c.most)
  const least = estimated ? cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'least', 'feet'))) : []
  const [parked] = cases
  const withPeople = people.flatMap(({ person, name }) =>
    solvers.map((s) => s.solve({ ...parked!, id: name, name }, null, 'most', 'all', person)),
  )
  const everything = [...most, ...withPeople]
  const lacks = [...new Set(everything.flatMap((r) => r.missing))]
  const onFeet = [...everything, ...least]
  const feet = assembly.mounts.map((mount, i) => footRow(mount, i, onFeet, footLinks(mount, assembly, vehicle, rules)))
  const joints = { assembly, cases: everything, lacks, rules }
  const hz = solvers.map((s) => s.frequencyHz())
  return {
    limits: [
      ...footLimits({ feet, cases: onFeet, lacks, rules }),
      ...memberLimits({ assembly, cases: everything, feet, lacks, vehicle, rules, tests }),
      ...jointLimits(joints),
      ...holeLimits(joints),
      ...fatigueLimit({ assembly, cases: everything, brief, lacks, rules }),
      ...overhangs,
    ],
    feet,
    missing: lacks,
    cases: [...worseHold(most, feet), ...worstOfEach(withPeople, feet)],
    frequencyHz: hz.some((f) => f === null) ? null : Math.min(...hz.map((f) => f ?? 0)),
  }
}

/** Members that stand on nothing, or cargo with no bar to carry it, are no structure: nothing about their strength is known. */
function notAStructure(assembly: Assembly, brief: Brief): Limit[] {
  const why = assembly.members.length
    ? assembly.mounts.length
      ? 'a member that carries: none of its parts is made to carry cargo'
      : 'somewhere to stand: no foot holds it'
    : brief.cargo.length
      ? 'bars to carry what is listed'
      : null
  return why === null ? [] : [notSolved(why)]
}

/** What cannot be solved is not assessed: without this the gauge would only show what the vehicle carries, and look clear. */
export const notSolved = (why: string): Limit =>
  limit({
    id: 'rack',
    name: 'The rack is not a structure',
    group: 'rack',
    unit: '',
    nearRatio: 1,
    used: figure(
      { id: 'rack', name: 'Strength of the rack', unit: '', formula: 'K·u = f has no answer', source: FRAME, with: {}, lacks: [why] },
      () => 0,
    ),
    allowed: allOfIt('rack.allowed', FRAME, 'A rack that stands'),
  })

/** What each load case puts on one foot, and the most or the least of them. N */
export function footByCase(foot: FootRow, i: number, cases: CaseResult[], missing: string[], which: 'most' | 'least'): Figure {
  const worst = which === 'most' ? { n: foot.mostDownN, of: foot.downCase } : { n: foot.leastDownN, of: foot.upCase }
  return figure(
    {
      id: `foot.${which}.${foot.mount.id}`,
      name: `Foot ${foot.mount.mark}, ${which} pressed down`,
      unit: 'N',
      formula: `${which} of R over the load cases: ${worst.of}`,
      source: FRAME,
      assumes: [...FRAME_ASSUMES, ...(which === 'least' ? ['the least of each estimated mass counts'] : [])],
      with: {
        R: [
          ...cases.map((c): Input => [c.feetDownN[i] ?? null, 'N', c.case.name]),
          ...(cases.some((c) => c.feetDownN[i] === worst.n) ? [] : [[worst.n, 'N', `${worst.of}, as it is worst for this foot`] as Input]),
        ],
      },
      lacks: missing,
    },
    ({ R }) => (which === 'most' ? Math.max(...R) : Math.min(...R)),
  )
}

/** What pushes one foot along or aside in each case, and the most of it. N */
export function footSideways(foot: FootRow, i: number, cases: CaseResult[], missing: string[], way: 'along' | 'aside'): Figure {
  const worst = way === 'along' ? { n: foot.mostAlongN, of: foot.alongCase } : { n: foot.mostAsideN, of: foot.asideCase }
  const force = (c: CaseResult) => (way === 'along' ? c.feet[i]!.forwardN : c.feet[i]!.leftN)
  return figure(
    {
      id: `foot.${way}.${foot.mount.id}`,
      name: `Foot ${foot.mount.mark}, pushed ${way}`,
      unit: 'N',
      formula: `greatest size over the load cases: ${worst.of}`,
      source: FRAME,
      assumes: [...FRAME_ASSUMES, way === 'along' ? 'forward is positive' : 'to the left is positive'],
      with: {
        H: [
          ...cases.map((c): Input => [force(c), 'N', c.case.name]),
          ...(cases.some((c) => Math.abs(force(c)) === worst.n)
            ? []
            : [[worst.n, 'N', `${worst.of}, as it is worst for this foot`] as Input]),
        ],
      },
      lacks: missing,
    },
    ({ H }) => Math.max(...H.map(Math.abs)),
  )
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
  [...new Set(results.map((r) => r.case.id))].flatMap((id) => {
    const worst = worstCase({ cases: results.filter((r) => r.case.id === id), feet })
    return worst ? [worst] : []
  })

/** A person at mid-span and at each end of each bar, and on each rail at its ends and midway between the bars it lies on. */
export function standingPlaces(assembly: Assembly): Person[] {
  const bars = loadBars(assembly)
  return assembly.members.flatMap((m) => {
    const length = memberLengthMm(m)
    const from = m.path[0]!.x
    const crossed = bars.map((b) => Math.abs(b.path[0]!.x - from)).sort((a, b) => a - b)
    const between = m.role === 'bar' ? [length / 2] : crossed.slice(1).map((x, i) => (x + crossed[i]!) / 2)
    return [0, ...between, length].map((atMm) => ({ memberId: m.id, atMm }))
  })
}

/** Up by a bar's end, hanging outward from it. */
const climbingPlaces = (assembly: Assembly, rules: Rules): Person[] =>
  loadBars(assembly).flatMap((b) => [
    { memberId: b.id, atMm: 0, leftShare: rules.climbPullShare },
    { memberId: b.id, atMm: memberLengthMm(b), leftShare: -rules.climbPullShare },
  ])

function footRow(mount: Mount, i: number, cases: CaseResult[], links: FootChain): FootRow {
  const most = (of: (r: CaseResult) => number) => cases.reduce((best, r) => (of(r) > of(best) ? r : best))
  const down = most((r) => r.feetDownN[i]!)
  const lifted = most((r) => -r.feetDownN[i]!)
  const along = most((r) => Math.abs(r.feet[i]!.forwardN))
  const aside = most((r) => Math.abs(r.feet[i]!.leftN))
  return {
    mount,
    levelN: cases.find((r) => r.case.id === 'cruise')?.feetDownN[i] ?? 0,
    mostDownN: down.feetDownN[i]!,
    downCase: down.case.name,
    leastDownN: lifted.feetDownN[i]!,
    upCase: lifted.case.name,
    mostAlongN: Math.abs(along.feet[i]!.forwardN),
    alongCase: along.case.name,
    mostAsideN: Math.abs(aside.feet[i]!.leftN),
    asideCase: aside.case.name,
    links,
  }
}
