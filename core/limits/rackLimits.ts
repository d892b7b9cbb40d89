import { type Assembly, type Member, type Mount, memberEnds, memberLengthMm } from '../assembly/assembly'
import { heldAtMm } from '../assembly/heldAt'
import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { type Figure, figure, type Input } from '../figure/figure'
import { Impossible } from '../issue/impossible'
import { type Carried, notAgreed } from '../loads/carried'
import type { CaseResult, Lack, Person } from '../loads/caseResult'
import { loadCases } from '../loads/loadCases'
import { type RackSolver, rackSolver } from '../loads/solveRack'
import { swungOpen } from '../loads/swungOpen'
import type { LoadTest } from '../loadTest/loadTest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { fatigueLimit } from './fatigueLimits'
import { foldLimits } from './foldLimits'
import { FRAME, FRAME_ASSUMES, footLimits } from './footLimits'
import { type FootChain, footLinks } from './footLinks'
import { holeLimits } from './holeLimits'
import { jointLimits } from './jointLimits'
import { allOfIt, type Limit, limit } from './limit'
import { memberLimits } from './memberLimits'
import { overhangLimits } from './overhangLimits'
import { pulledOutLimits } from './pulledOutLimits'
import { pullLimits } from './pullLimits'
import { sheetLimits } from './sheetLimits'
import { usedInCase, worstCase } from './usedInCase'
import { type Fallen, whatStands } from './whatStands'

/** What one foot takes at worst, and every link its force passes through. N */
export type FootRow = {
  mount: Mount
  /** its place among the feet of a case */
  index: number
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
 * Feet, members, joints and overhangs under every load case of the brief's road and speed, each with feet that clamp their bars and with bars that turn
 * on their feet. All pieces are solved as one frame and judged piece by piece; what does not stand by itself is left out of it, named, and not assessed.
 */
export function rackLimits(given: RackGiven): RackResult {
  const { carried, vehicle, brief, rules, tests } = given
  const cases = loadCases(rules, brief.road, brief.snowKgM2)
  const { standing: assembly, fallen, people, solvers } = solved(given)
  const overhangs = overhangLimits(given.assembly, brief, rules)
  const down = fallen.map((f) => notSolved(f.says, f.pieceId))
  if (!solvers.length)
    return {
      limits: [...notAStructure(assembly), ...down, ...overhangs],
      feet: [],
      missing: fallen.map((f) => f.says),
      cases: [],
      frequencyHz: null,
      unstable: fallen,
    }
  const most = cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'most', 'all')))
  const estimated = carried.some((c) => c.least !== c.most)
  const least = estimated ? cases.flatMap((c) => solvers.map((s) => s.solve(c, brief.speedKmh, 'least', 'feet'))) : []
  const [parked] = cases
  const withPeople = people.flatMap(({ person, name }) =>
    solvers.map((s) => s.solve({ ...parked!, id: name, name }, null, 'most', 'all', person)),
  )
  const pulling = assembly.pulls.flatMap((pull) =>
    solvers.map((s) => s.solve({ ...parked!, id: pull.id, name: `${pull.name}, at full pull` }, null, 'most', 'all', undefined, pull)),
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
  const everything = [...most, ...withPeople, ...pulling, ...open]
  const unknown = [
    ...everything.flatMap((r) => r.lacks),
    ...notYetAgreed(brief, carried),
    ...lostBearings(carried, assembly),
    ...nobodyMayStand(brief, assembly),
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
    limits: [...limits, ...down, ...overhangs],
    feet,
    missing: lacks,
    cases: [...worseHold(most, feet), ...worstOfEach(withPeople, feet), ...worseHold(pulling, feet)],
    frequencyHz: hz.some((f) => f === null) ? null : Math.min(...hz.map((f) => f ?? 0)),
    unstable: fallen,
  }
}

const bothHolds = (assembly: Assembly, carried: Carried[], rules: Rules, people: Person[]): RackSolver[] =>
  (['free', 'clamped'] as const).flatMap((hold) => rackSolver(assembly, carried, rules, people, hold) ?? [])

type Standing = { standing: Assembly; fallen: Fallen[]; people: { person: Person; name: string }[]; solvers: RackSolver[] }
/** The frames of the whole, with feet that clamp and that do not; where it is no structure, of what stands by itself. */
function solved(given: RackGiven): Standing {
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

/** The name of the set of pieces that joints tie a piece to. */
function tiedPieces(a: Assembly): (pieceId: string | null) => string | null {
  const root = new Map<string | null, string | null>()
  const top = (id: string | null): string | null => {
    const up = root.get(id)
    return up === undefined ? id : top(up)
  }
  for (const { between } of a.joints) {
    const [p, q] = [top(pieceIdOf(between[0])), top(pieceIdOf(between[1]))]
    if (p !== q) root.set(p, q)
  }
  return top
}

/** A kind of use that was not agreed opens every check of what carries it. */
const notYetAgreed = (brief: Brief, carried: Carried[]): Lack[] =>
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

/** Somebody shall stand or climb, and nothing here is made for it: what he does to it is not known. */
function nobodyMayStand(brief: Brief, assembly: Assembly): Lack[] {
  return [
    ...(brief.someoneStands && !assembly.supports.some((s) => s.walkOn.length) ? [{ says: 'a support made to stand on', on: null }] : []),
    ...(brief.someoneClimbs && !assembly.supports.some((s) => s.climbOn.length) ? [{ says: 'a part made to climb by', on: null }] : []),
  ]
}

/** Parts that nothing holds up are no structure: nothing about their strength is known. */
function notAStructure(assembly: Assembly): Limit[] {
  const parts = assembly.members.length + assembly.fittings.length + assembly.plates.length
  return parts ? [notSolved('somewhere to stand: no foot holds it')] : []
}

/** What cannot be solved is not assessed: without this the gauge would only show what the vehicle carries, and look clear. */
export const notSolved = (why: string, pieceId: string | null = null): Limit =>
  limit({
    id: 'rack',
    pieceId,
    name: 'It is not a structure',
    group: 'rack',
    unit: '',
    nearRatio: 1,
    used: figure(
      { id: 'rack', name: 'Strength of the piece', unit: '', formula: 'K·u = f has no answer', source: FRAME, with: {}, lacks: [why] },
      () => 0,
    ),
    allowed: allOfIt('rack.allowed', FRAME, 'A piece that stands'),
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

/** On what is made to stand on: at each end of a member and midway between the places that hold it. */
export function standingPlaces(assembly: Assembly): Person[] {
  const walked = new Set(assembly.supports.flatMap((s) => s.walkOn))
  return assembly.members
    .filter((m) => walked.has(m.id))
    .flatMap((m) => {
      const held = heldAtMm(m, assembly)
      const between = held.slice(1).map((at, i) => (at + held[i]!) / 2)
      return [0, ...between, memberLengthMm(m)].map((atMm) => ({ memberId: m.id, atMm }))
    })
}

/** Up by the ends of what is made to climb by, hanging outward from it; on a rung in its middle too, where a foot bends it most. */
function climbingPlaces(assembly: Assembly, rules: Rules): Person[] {
  const climbed = new Set(assembly.supports.flatMap((s) => s.climbOn))
  return assembly.members
    .filter((m) => climbed.has(m.id))
    .flatMap((m) => {
      const long = memberLengthMm(m)
      if (long >= RUNG_MM)
        return [
          { memberId: m.id, atMm: 0, pulls: { x: 0, y: rules.climbPullShare } },
          { memberId: m.id, atMm: long, pulls: { x: 0, y: -rules.climbPullShare } },
        ]
      const out = outwardOf(m, assembly)
      return [0, long / 2, long].map((atMm) => ({ memberId: m.id, atMm, pulls: times2(out, rules.climbPullShare) }))
    })
}
/** Level, square to a rung, and away from the middle of what the piece stands on: the way a climber leans out from it. */
function outwardOf(m: Member, { mounts }: Assembly): { x: number; y: number } {
  const [a, b] = memberEnds(m)
  const long = Math.hypot(b.x - a.x, b.y - a.y)
  if (long < 1) return { x: 0, y: 0 }
  const square = { x: (b.y - a.y) / long, y: (a.x - b.x) / long }
  const mean = (of: (p: { x: number; y: number }) => number) => mounts.reduce((s, f) => s + of(f.place), 0) / Math.max(1, mounts.length)
  const away = square.x * ((a.x + b.x) / 2 - mean((p) => p.x)) + square.y * ((a.y + b.y) / 2 - mean((p) => p.y))
  return times2(square, away < 0 ? -1 : 1)
}
const times2 = (v: { x: number; y: number }, by: number) => ({ x: v.x * by, y: v.y * by })
/** What is shorter than this and made to climb by is a rung: nobody's hand reaches from end to end of more. Shop's own, mm */
const RUNG_MM = 700

function footRow(mount: Mount, i: number, cases: CaseResult[], links: FootChain): FootRow {
  const most = (of: (r: CaseResult) => number) => cases.reduce((best, r) => (of(r) > of(best) ? r : best))
  const down = most((r) => r.feetDownN[i]!)
  const lifted = most((r) => -r.feetDownN[i]!)
  const along = most((r) => Math.abs(r.feet[i]!.forwardN))
  const aside = most((r) => Math.abs(r.feet[i]!.leftN))
  return {
    mount,
    index: i,
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
