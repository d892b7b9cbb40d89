import { coverBound } from './barCounts'
import { type BarNesting, type BarNestingInput, FIT_TOLERANCE_MM, priceOf, remnantOf, roomOf } from './barNesting'
import { firstFit, shortageReason } from './firstFit'
import { bestPattern, type Kind, maximalPatterns, type Pattern, valuablePatterns } from './patterns'
import { planByCounts } from './planByCounts'

/** A linear or integer programme solver, handed in: the core loads nothing itself. Model in CPLEX LP text. */
export type LpSolution = {
  optimal: boolean
  feasible: boolean
  infeasible: boolean
  objective: number
  primal: (name: string) => number
  dual: (row: string) => number
}
export type Tools = {
  solve: (model: string, timeLimitMs: number) => LpSolution
  /** a clock in ms, for the time limit only */
  now: () => number
  progress?: (note: { stage: string; cost: number | null; lowerBound: number }) => void
}

const FULL_LIST = 1500
const VALUABLE_LIST = 6000

/**
 * Least-cost cutting of parts from bars (one-dimensional cutting stock, several lengths, limited remnants). Lengths mm, prices any unit.
 *
 * Bars are whole, so a plan is first a choice of how many bars of each stock: choices are taken in order of price, each is packed or shown
 * impossible, and the first that packs is the optimum (`planByCounts`). When pieces outrun a limited rack, columns are generated against
 * the linear relaxation instead (Gilmore & Gomory 1961, 1963). `proven` is claimed only when every cheaper plan was excluded.
 */
export function nestBars(input: BarNestingInput, tools: Tools): BarNesting {
  // the solver looks at its clock between steps of its own: a little is kept back so that the limit given is the limit kept
  const deadline = tools.now() + input.timeLimitMs - Math.min(400, input.timeLimitMs * 0.05)
  const unplaced: BarNesting['unplaced'] = []
  const usable = input.stock.filter((s) => s.quantity !== 0 && roomOf(s.length, input) > input.kerf)
  const mostRoom = Math.max(0, ...usable.map((s) => roomOf(s.length, input)))
  const parts = input.parts.filter((p) => {
    if (p.quantity > 0 && p.length + input.kerf > mostRoom + FIT_TOLERANCE_MM)
      unplaced.push({ partId: p.id, quantity: p.quantity, reason: shortageReason(p.length, input) })
    return p.quantity > 0 && p.length + input.kerf <= mostRoom + FIT_TOLERANCE_MM
  })
  if (!parts.length) return { bars: [], unplaced, cost: 0, lowerBound: 0, proven: true }

  const problem = pose(parts, usable, input)
  const start = [firstFit({ ...input, parts, stock: usable }), firstFit({ ...input, parts, stock: usable }, 'cheapest')]
    .filter((f) => f.unplaced.length === 0)
    .sort((a, b) => a.cost - b.cost)[0]
  const found = optimise(problem, start?.cost ?? Number.POSITIVE_INFINITY, tools, deadline)
  if (!found || (start && start.cost < found.cost - 1e-9)) {
    const plan = start ?? firstFit({ ...input, parts, stock: usable }, 'cheapest')
    const lowerBound = Math.min(plan.cost, Math.max(found?.lowerBound ?? 0, raised(leastCost(problem), problem.step)))
    return {
      ...plan,
      unplaced: [...unplaced, ...plan.unplaced],
      lowerBound,
      proven: plan.unplaced.length === 0 && plan.cost <= lowerBound + 1e-6,
    }
  }
  const { bars, missing } = layOut(problem, found.uses, parts, input)
  const cost = bars.reduce((s, b) => s + priceOf(usable.find((u) => u.id === b.stockId) ?? b), 0)
  const lowerBound = found.closed ? cost : Math.min(Math.max(found.lowerBound, leastCost(problem)), cost)
  return {
    bars,
    unplaced: [...unplaced, ...missing],
    cost,
    lowerBound,
    proven: missing.length === 0 && (found.closed || cost <= lowerBound + 1e-6),
  }
}

/** What the pieces cost at least, whatever the plan; nothing is claimed when the stock runs short. */
function leastCost({ kinds, stock, rooms }: Problem): number {
  const bins = stock.map((s, i) => ({ room: rooms[i], fill: rooms[i], price: priceOf(s), most: s.quantity ?? Number.POSITIVE_INFINITY }))
  const bound = coverBound(
    bins,
    kinds.reduce((s, k) => s + k.weight * k.demand, 0),
  )
  return Number.isFinite(bound) ? bound : 0
}

/** Whole prices share a step; every plan costs a multiple of it, so a bound may be raised to the next multiple. */
function priceStep(stock: Stock[]): number {
  const prices = stock.map(priceOf).filter((p) => p > 0)
  if (!prices.length || prices.some((p) => !Number.isInteger(p))) return 0
  return prices.reduce((a, b) => {
    while (b) [a, b] = [b, a % b]
    return a
  })
}
const raised = (bound: number, step: number): number => (step > 0 ? Math.ceil(bound / step - 1e-6) * step : bound)

type Stock = BarNestingInput['stock'][number]
type Part = BarNestingInput['parts'][number]
type Problem = { kinds: Kind[]; partKinds: number[]; stock: Stock[]; rooms: number[]; shortCost: number; step: number }
type Column = { stock: number; pattern: Pattern }
type Use = Column & { count: number }
type Found = { uses: Use[]; cost: number; lowerBound: number; closed: boolean }

function pose(parts: Part[], stock: Stock[], input: BarNestingInput): Problem {
  const lengths = [...new Set(parts.map((p) => p.length))].sort((a, b) => b - a)
  const partKinds = parts.map((p) => lengths.indexOf(p.length))
  const kinds = lengths.map((l, k) => ({
    weight: l + input.kerf,
    demand: parts.reduce((s, p, i) => s + (partKinds[i] === k ? p.quantity : 0), 0),
  }))
  const dearest = Math.max(...stock.map(priceOf))
  // a piece left out costs more than any bar, so pieces are left out only when the stock runs short
  return {
    kinds,
    partKinds,
    stock,
    rooms: stock.map((s) => roomOf(s.length, input)),
    shortCost: 10 * dearest + 1000,
    step: priceStep(stock),
  }
}

function optimise(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
  const { kinds, stock, rooms } = problem
  const full = listAll(rooms, (room) => maximalPatterns(kinds, room, FULL_LIST), FULL_LIST)
  if (full && full.length <= 60) return integer(problem, full, tools, deadline)
  if (stock.some((s) => s.quantity === null) || Number.isFinite(incumbent)) {
    const started = tools.now()
    const counted = planByCounts(kinds, stock, rooms, incumbent, tools, started + (deadline - started) * COUNTS_SHARE)
    const found: Found = {
      uses: (counted.packed ?? []).map((p) => ({ ...p, count: 1 })),
      cost: counted.packed ? counted.cost : Number.POSITIVE_INFINITY,
      lowerBound: counted.lowerBound,
      closed: counted.closed,
    }
    const best = Math.min(incumbent, found.cost)
    if (counted.closed || best <= counted.lowerBound + 1e-6 || deadline - tools.now() < LEAST_COLUMNS_MS) return found
    const tight = cheaperOf(found, byFullBars(problem, best, tools, tools.now() + (deadline - tools.now()) / 2))
    if (tight.closed || deadline - tools.now() < LEAST_COLUMNS_MS) return tight
    return cheaperOf(tight, byColumns(problem, Math.min(best, tight.cost), tools, deadline))
  }
  return byColumns(problem, incumbent, tools, deadline)
}

/** Of the time given, what choosing whole bars may take before columns are generated with the rest. */
const COUNTS_SHARE = 0.45
const LEAST_COLUMNS_MS = 250

/**
 * Where the stock must be filled almost to the end for a cheaper plan to exist, only bars filled that well can be part of it: all of those are listed and the
 * whole-number programme says which to take, or that none do. Pieces are priced by their length at the cheapest stock, which no bar can beat.
 */
function byFullBars(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
  const { kinds, stock, rooms, step } = problem
  if (!Number.isFinite(incumbent) || step <= 0) return null
  const rate = Math.min(...stock.map((s, i) => priceOf(s) / rooms[i]!))
  const values = kinds.map((k) => k.weight * rate)
  const floor = kinds.reduce((sum, k, i) => sum + k.demand * values[i]!, 0)
  const gap = incumbent - step - floor
  if (gap < -1e-6) return null
  const columns = listAll(
    stock.map((_, s) => s),
    (s) => valuablePatterns(kinds, values, rooms[s]!, priceOf(stock[s]!) - gap - 1e-6, VALUABLE_LIST),
    VALUABLE_LIST,
  )
  if (!columns) return fillThenPack(problem, incumbent, tools, deadline)
  const cheaper = integer(problem, columns, tools, deadline, incumbent - step)
  if (cheaper === 'none cheaper') return { uses: [], cost: Number.POSITIVE_INFINITY, lowerBound: incumbent, closed: false }
  return cheaper && { ...cheaper, lowerBound: cheaper.closed ? cheaper.cost : 0 }
}

/** Bars left to the whole-number programme once the others are filled: enough ways to fill them, few enough to list. */
const PACKED_AT_THE_END = 9

/**
 * Too many full bars to list: bars are filled one by one, longest piece first and then as near to the end as the others allow (minimum bin slack,
 * Gupta & Ho 1999), until a few are left, whose full patterns can all be listed and chosen from exactly. Tried again in other orders while time lasts.
 */
function fillThenPack(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
  const { kinds, stock, rooms } = problem
  const unlimited = stock.findIndex((s) => s.quantity === null)
  if (unlimited < 0 || stock.length > 1) return null
  const room = rooms[unlimited]!
  const price = priceOf(stock[unlimited]!)
  const bars = Math.round((incumbent - problem.step) / price)
  const waste = bars * room - kinds.reduce((s, k) => s + k.demand * k.weight, 0)
  const random = shuffler()
  while (waste >= 0 && tools.now() < deadline - LEAST_COLUMNS_MS) {
    const left = kinds.map((k) => k.demand)
    const filled: Pattern[] = []
    let spare = waste
    while (spare >= -FIT_TOLERANCE_MM && filled.length < bars - PACKED_AT_THE_END) {
      const longest = left.findIndex((n) => n > 0)
      if (longest < 0) break
      left[longest]!--
      const order = random(left.flatMap((n, k) => (n > 0 ? [k] : [])))
      const others = order.map((k) => ({ weight: kinds[k]!.weight, demand: left[k]! }))
      const rest = room - kinds[longest]!.weight
      const best = bestPattern(
        others,
        others.map((k) => k.weight),
        rest,
        20_000,
      )
      const pattern = kinds.map((_, k) => (k === longest ? 1 : 0))
      order.forEach((k, i) => {
        pattern[k]! += best.pattern[i] ?? 0
        left[k]! -= best.pattern[i] ?? 0
      })
      filled.push(pattern)
      spare -= rest - best.value
    }
    if (spare < -FIT_TOLERANCE_MM) continue
    const kept = left.flatMap((n, k) => (n > 0 ? [k] : []))
    const few = kept.map((k) => ({ weight: kinds[k]!.weight, demand: left[k]! }))
    const patterns = valuablePatterns(
      few,
      few.map((k) => k.weight),
      room,
      room - Math.max(0, spare) - FIT_TOLERANCE_MM,
      FULL_LIST,
    )
    const last =
      patterns &&
      integer(
        { ...problem, kinds: few },
        patterns.map((pattern) => ({ stock: unlimited, pattern })),
        tools,
        Math.min(deadline, tools.now() + 1000),
        (bars - filled.length) * price,
      )
    if (!last || last === 'none cheaper') continue
    const spread = (pattern: Pattern): Pattern => kinds.map((_, k) => pattern[kept.indexOf(k)] ?? 0)
    const uses = [
      ...filled.map((pattern) => ({ stock: unlimited, pattern, count: 1 })),
      ...last.uses.map((u) => ({ ...u, pattern: spread(u.pattern) })),
    ]
    return { uses, cost: bars * price, lowerBound: 0, closed: false }
  }
  return null
}

/** Orders that look random and are the same on every run (linear congruential, Numerical Recipes' constants). */
function shuffler(): <T>(list: T[]) => T[] {
  let state = 1
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
  return (list) =>
    list
      .map((value) => ({ value, key: next() }))
      .sort((a, b) => a.key - b.key)
      .map((e) => e.value)
}

/** Two searches of one problem: the cheaper plan with the higher of both bounds, for both hold. */
function cheaperOf(a: Found, b: Found | null): Found {
  if (!b) return a
  const plan = b.cost < a.cost - 1e-9 ? b : a
  const lowerBound = Math.max(a.lowerBound, b.lowerBound)
  return { ...plan, lowerBound, closed: plan.closed || plan.cost <= lowerBound + 1e-6 }
}

/**
 * Column generation to the linear optimum, its rounded-down plan filled up by packing what is left exactly, and the whole-number programme over the columns
 * (Gilmore & Gomory 1961, 1963; residual problem: Wäscher & Gau 1996). The best of these counts.
 */
function byColumns(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
  const { kinds, stock, rooms, step } = problem
  const relaxed = relax(problem, tools, deadline, incumbent)
  if (!relaxed) return null
  const lowerBound = raised(relaxed.lowerBound, step)
  const rounded = roundedDown(problem, relaxed, tools, tools.now() + (deadline - tools.now()) / 2)
  if (rounded && rounded.cost <= lowerBound + 1e-6) return { ...rounded, lowerBound: rounded.cost, closed: true }
  const whole = integer(problem, relaxed.columns, tools, tools.now() + (deadline - tools.now()) / 2)
  const first = whole && rounded ? (whole.cost <= rounded.cost ? whole : rounded) : (whole ?? rounded)
  const best = Math.min(incumbent, first?.cost ?? Number.POSITIVE_INFINITY)
  tools.progress?.({ stage: 'proving', cost: best, lowerBound })
  if (first && first.cost <= lowerBound + 1e-6) return { ...first, lowerBound: first.cost, closed: true }
  if (relaxed.exact && Number.isFinite(best) && tools.now() < deadline) {
    const gap = best - step - relaxed.lowerBound + 1e-6
    const worthwhile = listAll(
      stock.map((_, s) => s),
      (s) => valuablePatterns(kinds, relaxed.values, rooms[s], priceOf(stock[s]) + relaxed.scarcity[s] - gap, VALUABLE_LIST),
      VALUABLE_LIST,
    )
    if (worthwhile) {
      const last = integer(problem, worthwhile, tools, deadline, best - Math.max(step, 1e-6))
      if (last === 'none cheaper' && first && first.cost <= best + 1e-9) return { ...first, lowerBound: first.cost, closed: true }
      if (last && last !== 'none cheaper') return { ...last, lowerBound: last.closed ? last.cost : lowerBound }
    }
  }
  return first && { ...first, lowerBound, closed: false }
}

/** The linear plan's whole bars, and the pieces that leaves planned by themselves: few enough to be packed exactly. */
function roundedDown(problem: Problem, relaxed: NonNullable<ReturnType<typeof relax>>, tools: Tools, deadline: number): Found | null {
  const { kinds, stock, rooms } = problem
  if (stock.some((s) => s.quantity !== null && s.quantity > 0) && !stock.some((s) => s.quantity === null)) return null
  const whole = relaxed.columns.map((c, i) => ({ ...c, count: Math.floor((relaxed.uses[i] ?? 0) + 1e-6) })).filter((u) => u.count > 0)
  const left = kinds.map((k, i) => Math.max(0, k.demand - whole.reduce((s, u) => s + u.count * (u.pattern[i] ?? 0), 0)))
  const used = stock.map((_, s) => whole.reduce((n, u) => n + (u.stock === s ? u.count : 0), 0))
  const paid = whole.reduce((s, u) => s + u.count * priceOf(stock[u.stock]!), 0)
  const some = left.flatMap((n, i) => (n > 0 ? [i] : []))
  if (!some.length) return { uses: whole, cost: paid, lowerBound: 0, closed: false }
  const rest = planByCounts(
    some.map((i) => ({ weight: kinds[i]!.weight, demand: left[i]! })),
    stock.map((s, i) => ({ ...s, quantity: s.quantity === null ? null : Math.max(0, s.quantity - used[i]!) })),
    rooms,
    Number.POSITIVE_INFINITY,
    tools,
    deadline,
  )
  if (!rest.packed) return null
  const spread = (pattern: Pattern): Pattern => kinds.map((_, i) => (some.includes(i) ? (pattern[some.indexOf(i)] ?? 0) : 0))
  const uses = [...whole, ...rest.packed.map((p) => ({ stock: p.stock, pattern: spread(p.pattern), count: 1 }))]
  return { uses, cost: paid + rest.cost, lowerBound: 0, closed: false }
}

/** One list of columns over all stock, or null when it would be longer than `most`. Equal stock shares its patterns. */
function listAll<T extends number>(keys: T[], patternsFor: (key: T) => Pattern[] | null, most: number): Column[] | null {
  const columns: Column[] = []
  const known = new Map<T, Pattern[]>()
  for (const [stock, key] of keys.entries()) {
    const patterns = known.get(key) ?? patternsFor(key)
    if (!patterns) return null
    known.set(key, patterns)
    for (const pattern of patterns) columns.push({ stock, pattern })
    if (columns.length > most) return null
  }
  return columns
}

/** Column generation to the LP optimum, or to a bound that holds (Farley 1990) when time or pricing runs out. */
function relax(
  problem: Problem,
  tools: Tools,
  deadline: number,
  incumbent: number,
): { columns: Column[]; uses: number[]; lowerBound: number; values: number[]; scarcity: number[]; exact: boolean } | null {
  const { kinds, stock, rooms } = problem
  const columns: Column[] = []
  const seen = new Set<string>()
  const add = (c: Column) => {
    const key = `${c.stock}:${c.pattern.join(',')}`
    if (seen.has(key)) return false
    seen.add(key)
    columns.push(c)
    return true
  }
  stock.forEach((_, s) => {
    for (let k = 0; k < kinds.length; k++) {
      const n = Math.min(kinds[k].demand, Math.floor((rooms[s] + FIT_TOLERANCE_MM) / kinds[k].weight))
      if (n > 0) add({ stock: s, pattern: kinds.map((_, i) => (i === k ? n : 0)) })
    }
  })
  let lowerBound = 0
  for (let round = 0; ; round++) {
    const lp = tools.solve(model(problem, columns, false), Math.max(50, deadline - tools.now()))
    if (!lp.optimal) return round === 0 ? null : { columns, uses: [], lowerBound, values: [], scarcity: [], exact: false }
    const uses = columns.map((_, i) => lp.primal(`x${i}`))
    const values = kinds.map((_, k) => Math.max(0, lp.dual(`k${k}`)))
    const scarcity = stock.map((s, i) => (s.quantity === null ? 0 : Math.max(0, -lp.dual(`s${i}`))))
    let scale = 1
    let added = false
    let exact = true
    for (let s = 0; s < stock.length; s++) {
      const own = priceOf(stock[s]) + scarcity[s]
      const priced = bestPattern(kinds, values, rooms[s], kinds.length > 60 ? 10_000 : 200_000)
      if (priced.bound > own + 1e-6) scale = Math.min(scale, own / priced.bound)
      if (priced.bound > priced.value + 1e-6) exact = false
      if (priced.value > own + 1e-7) added = add({ stock: s, pattern: priced.pattern }) || added
    }
    const dualCost =
      scale * kinds.reduce((sum, kind, k) => sum + kind.demand * values[k], 0) -
      scarcity.reduce((sum, m, s) => sum + m * (stock[s].quantity ?? 0), 0)
    lowerBound = Math.max(lowerBound, dualCost)
    if (round % 5 === 0) tools.progress?.({ stage: 'searching', cost: Number.isFinite(incumbent) ? incumbent : null, lowerBound })
    if (!added || tools.now() > deadline - 200) return { columns, uses, lowerBound, values, scarcity, exact: exact && !added }
  }
}

/** The integer programme over the given columns; with `atMost`, only plans that cheap are looked for. */
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number): Found | null
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number, atMost: number): Found | null | 'none cheaper'
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number, atMost?: number): Found | null | 'none cheaper' {
  // a kind that no listed pattern holds cannot be met that cheaply, where nothing may be left out
  const kept = (k: number) => columns.some((c) => (c.pattern[k] ?? 0) > 0)
  if (atMost !== undefined && problem.stock.some((s) => s.quantity === null) && !problem.kinds.every((_, k) => kept(k)))
    return 'none cheaper'
  const text = model(problem, columns, true, atMost)
  const left = deadline - tools.now()
  // over many columns the solver looks at its clock late
  const solved = tools.solve(text, Math.max(50, columns.length > 1000 ? left * 0.6 : left))
  if (solved.infeasible && atMost !== undefined) return 'none cheaper'
  if (!solved.feasible) return null
  const uses = columns.map((c, i) => ({ ...c, count: Math.round(solved.primal(`x${i}`)) })).filter((u) => u.count > 0)
  return { uses, cost: solved.objective, lowerBound: 0, closed: solved.optimal }
}

/** min Σ price·x + short·u, each kind covered, limited stock not exceeded. */
function model({ kinds, stock, shortCost }: Problem, columns: Column[], whole: boolean, atMost?: number): string {
  const scarce = stock.every((s) => s.quantity !== null)
  const cost = columns.map((c, i) => `${priceOf(stock[c.stock])} x${i}`)
  const rows = kinds.map((_, k) => columns.flatMap((c, i) => (c.pattern[k] ? [`${c.pattern[k]} x${i}`] : [])))
  const lines = ['Minimize', wrap([...cost, ...(scarce ? kinds.map((_, k) => `${shortCost} u${k}`) : [])]), 'Subject To']
  kinds.forEach((kind, k) => {
    lines.push(`k${k}: ${wrap([...rows[k], ...(scarce || !rows[k].length ? [`1 u${k}`] : [])])} >= ${kind.demand}`)
  })
  stock.forEach((s, i) => {
    const terms = columns.flatMap((c, j) => (c.stock === i ? [`1 x${j}`] : []))
    if (s.quantity !== null && terms.length) lines.push(`s${i}: ${wrap(terms)} <= ${s.quantity}`)
    if (whole && s.quantity === null && terms.length) lines.push(`b${i}: ${wrap(terms)} - n${i} = 0`)
  })
  if (atMost !== undefined) lines.push(`most: ${wrap(cost.filter((c) => !c.startsWith('0 ')))} <= ${atMost}`)
  if (whole) {
    // how many bars of each length is a whole number too: branching on it closes the gap far sooner than on patterns
    const counted = stock.flatMap((s, i) => (s.quantity === null && columns.some((c) => c.stock === i) ? [`n${i}`] : []))
    lines.push('General', [...columns.map((_, i) => `x${i}`), ...counted].join('\n'))
  }
  return [...lines, 'End'].join('\n')
}

const wrap = (terms: string[]): string => terms.map((t, i) => (i && i % 12 === 0 ? `\n+ ${t}` : i ? `+ ${t}` : t)).join(' ')

/** Turns counted patterns into bars of named parts; a bar may come out with fewer cuts than its pattern when demand is met. */
function layOut(
  problem: Problem,
  uses: Use[],
  parts: Part[],
  input: BarNestingInput,
): { bars: BarNesting['bars']; missing: BarNesting['unplaced'] } {
  const left = parts.map((p) => p.quantity)
  const bars: BarNesting['bars'] = []
  for (const use of uses) {
    for (let n = 0; n < use.count; n++) {
      const cuts: { partId: string; length: number }[] = []
      use.pattern.forEach((count, kind) => {
        for (let c = 0; c < count; c++) {
          const i = parts.findIndex((_, p) => problem.partKinds[p] === kind && left[p] > 0)
          if (i < 0) break
          left[i]--
          cuts.push({ partId: parts[i].id, length: parts[i].length })
        }
      })
      const s = problem.stock[use.stock]
      if (cuts.length) bars.push({ stockId: s.id, length: s.length, cuts, remnant: remnantOf(s.length, cuts, input) })
    }
  }
  const missing = parts.flatMap((p, i) =>
    left[i] > 0 ? [{ partId: p.id, quantity: left[i], reason: shortageReason(p.length, input) }] : [],
  )
  return { bars, missing }
}
