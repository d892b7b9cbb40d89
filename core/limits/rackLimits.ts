import { type Assembly, loadBars, type Mount, memberLengthMm } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { type Figure, figure, input } from '../figure/figure'
import type { Carried } from '../loads/carried'
import { loadCases } from '../loads/loadCases'
import { type CaseResult, type Person, rackSolver } from '../loads/solveRack'
import type { LoadTest } from '../loadTest/loadTest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { FRAME, FRAME_ASSUMES, footLimits } from './footLimits'
import { footLinks } from './footLinks'
import type { Limit } from './limit'
import { memberLimits } from './memberLimits'
import { overhangLimits } from './overhangLimits'
import type { Link } from './strength'
import { worstCase } from './usedInCase'

/** What one foot takes at worst, and every link its force passes through. N */
export type FootRow = {
  mount: Mount
  levelN: number
  mostDownN: number
  downCase: string
  leastDownN: number
  upCase: string
  links: { down: Link[]; up: Link[] }
}
export type RackResult = { limits: Limit[]; feet: FootRow[]; missing: string[]; cases: CaseResult[]; frequencyHz: number | null }

/** Feet, members, joints and overhangs under every load case of the brief's road and speed. Throws `Impossible` for a rack that is no structure. */
export function rackLimits(
  assembly: Assembly,
  carried: Carried[],
  vehicle: Vehicle,
  brief: Brief,
  rules: Rules,
  tests: LoadTest[] = [],
): RackResult {
  const cases = loadCases(rules, brief.road, brief.snowKgM2)
  const people = [
    ...(brief.someoneStands ? standingPlaces(assembly).map((person) => ({ person, name: 'a person standing' })) : []),
    ...(brief.someoneClimbs ? climbingPlaces(assembly, rules).map((person) => ({ person, name: 'a person climbing up' })) : []),
  ]
  const solver = rackSolver(
    assembly,
    carried,
    rules,
    people.map((p) => p.person),
  )
  const overhangs = overhangLimits(assembly, brief, rules)
  if (!solver) return { limits: overhangs, feet: [], missing: [], cases: [], frequencyHz: null }
  const most = cases.map((c) => solver.solve(c, brief.speedKmh, 'most', 'all'))
  const estimated = carried.some((c) => c.least !== c.most)
  const least = estimated ? cases.map((c) => solver.solve(c, brief.speedKmh, 'least', 'feet')) : []
  const withPeople = people.map(({ person, name }) => solver.solve({ ...cases[0], id: name, name }, null, 'most', 'all', person))
  const everything = [...most, ...withPeople]
  const missing = [...new Set(everything.flatMap((r) => r.missing))]
  const feet = assembly.mounts.map((mount, i) => footRow(mount, i, everything, [...everything, ...least], assembly, vehicle, rules))
  return {
    limits: [
      ...footLimits(feet, everything, missing, rules),
      ...memberLimits(assembly, everything, feet, missing, vehicle, rules, tests),
      ...overhangs,
    ],
    feet,
    missing,
    cases: [...most, ...worstOfEach(withPeople, feet)],
    frequencyHz: solver.frequencyHz(),
  }
}

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
      with: [
        ...cases.map((c, k) => input(`R${k + 1}`, c.case.name, c.feetDownN[i], 'N')),
        ...(cases.some((c) => c.feetDownN[i] === worst.n)
          ? []
          : [input('R', `${worst.of}, at the place worst for this foot`, worst.n, 'N')]),
        ...missing.map((m) => input('?', m, null, '')),
      ],
    },
    () => worst.n,
  )
}

/** Of the many places where somebody may be, the one that uses most stands for them all. */
const worstOfEach = (results: CaseResult[], feet: FootRow[]): CaseResult[] =>
  [...new Set(results.map((r) => r.case.id))].flatMap((id) => {
    const worst = worstCase({ cases: results.filter((r) => r.case.id === id), feet })
    return worst ? [worst] : []
  })

/** A person at mid-span and at each end of each bar, and on each rail at its ends and midway between the bars it lies on. */
function standingPlaces(assembly: Assembly): Person[] {
  const bars = loadBars(assembly)
  return assembly.members.flatMap((m) => {
    const length = memberLengthMm(m)
    const from = m.path[0].x
    const crossed = bars.map((b) => Math.abs(b.path[0].x - from)).sort((a, b) => a - b)
    const between = m.role === 'bar' ? [length / 2] : crossed.slice(1).map((x, i) => (x + crossed[i]) / 2)
    return [0, ...between, length].map((atMm) => ({ memberId: m.id, atMm }))
  })
}

/** Up by a bar's end, hanging outward from it. */
const climbingPlaces = (assembly: Assembly, rules: Rules): Person[] =>
  loadBars(assembly).flatMap((b) => [
    { memberId: b.id, atMm: 0, leftShare: rules.climbPullShare },
    { memberId: b.id, atMm: memberLengthMm(b), leftShare: -rules.climbPullShare },
  ])

function footRow(
  mount: Mount,
  i: number,
  downCases: CaseResult[],
  upCases: CaseResult[],
  assembly: Assembly,
  vehicle: Vehicle,
  rules: Rules,
): FootRow {
  const worst = downCases.reduce((best, r) => (r.feetDownN[i] > best.feetDownN[i] ? r : best))
  const lifted = upCases.reduce((best, r) => (r.feetDownN[i] < best.feetDownN[i] ? r : best))
  const level = downCases.find((r) => r.case.id === 'cruise')
  return {
    mount,
    levelN: level?.feetDownN[i] ?? 0,
    mostDownN: worst.feetDownN[i],
    downCase: worst.case.name,
    leastDownN: lifted.feetDownN[i],
    upCase: lifted.case.name,
    links: footLinks(mount, assembly, vehicle, rules),
  }
}
