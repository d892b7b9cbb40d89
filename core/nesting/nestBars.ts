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
const VALUABLE_LIST = 12_000

/**
 * Least-cost cutting of parts from bars (one-dimensional cutting stock, several lengths, limited remnants). Lengths mm, prices any unit.
 *
 * Bars are whole, so a plan is first a choice of how many bars of each stock: choices are taken in order of price, each is packed or shown
 * impossible, and the first that packs is the optimum (`planByCounts`). When pieces outrun a limited rack, columns are generated against
 * the linear relaxation instead (Gilmore & Gomory 1961, 1963). `proven` is claimed only when every cheaper plan was excluded.
 */
export function nestBars(input: BarNestingInput, tools: Tools): BarNesting {
  const deadline = tools.now() + input.timeLimitMs
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
  const { kinds, stock, rooms, step } = problem
  const full = listAll(rooms, (room) => maximalPatterns(kinds, room, FULL_LIST), FULL_LIST)
  if (full && full.length <= 60) return integer(problem, full, tools, deadline)
  if (stock.some((s) => s.quantity === null) || Number.isFinite(incumbent)) {
    const counted = planByCounts(kinds, stock, rooms, incumbent, tools, deadline)
    if (counted.packed)
      return {
        uses: counted.packed.map((p) => ({ ...p, count: 1 })),
        cost: counted.cost,
        lowerBound: counted.lowerBound,
        closed: counted.closed,
      }
    return { uses: [], cost: Number.POSITIVE_INFINITY, lowerBound: counted.lowerBound, closed: counted.closed }
  }
  const relaxed = relax(problem, tools, deadline, incumbent)
  if (!relaxed) return null
  const lowerBound = raised(relaxed.lowerBound, step)
  const first = integer(problem, relaxed.columns, tools, tools.now() + (deadline - tools.now()) / 3)
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
): { columns: Column[]; lowerBound: number; values: number[]; scarcity: number[]; exact: boolean } | null {
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
    if (!lp.optimal) return round === 0 ? null : { columns, lowerBound, values: [], scarcity: [], exact: false }
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
    if (!added || tools.now() > deadline - 200) return { columns, lowerBound, values, scarcity, exact: exact && !added }
  }
}

/** The integer programme over the given columns; with `atMost`, only plans that cheap are looked for. */
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number): Found | null
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number, atMost: number): Found | null | 'none cheaper'
function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number, atMost?: number): Found | null | 'none cheaper' {
  const solved = tools.solve(model(problem, columns, true, atMost), Math.max(50, deadline - tools.now()))
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
