import type { Tools } from '../calculator/tools'
import { coverBound } from './barCounts'
import { type BarNesting, type BarNestingInput, FIT_TOLERANCE_MM, priceOf, remnantOf, roomOf } from './barNesting'
import { byColumns } from './byColumns'
import { byFullBars } from './byFullBars'
import { firstFit, shortageReason } from './firstFit'
import { maximalPatterns } from './patterns'
import { planByCounts } from './planByCounts'
import { type Found, FULL_LIST, LEAST_SEARCH_MS, listAll, type Part, type Problem, raised, type Stock, type Use } from './problem'
import { integer } from './programme'

/**
 * Least-cost cutting of parts from bars (one-dimensional cutting stock, several lengths, limited remnants). Lengths mm, prices any unit.
 *
 * Bars are whole, so a plan is first a choice of how many bars of each stock: choices are taken in order of price, each is packed or shown
 * impossible, and the first that packs is the optimum (`planByCounts`). What that leaves open is tried with nearly full bars only
 * (`byFullBars`) and by columns generated against the linear relaxation (`byColumns`), which alone serves when pieces outrun a limited rack. `proven` is claimed only when every cheaper plan was excluded.
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
  const bins = stock.map((s, i) => ({ room: rooms[i]!, fill: rooms[i]!, price: priceOf(s), most: s.quantity ?? Number.POSITIVE_INFINITY }))
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
    if (counted.closed || best <= counted.lowerBound + 1e-6 || deadline - tools.now() < LEAST_SEARCH_MS) return found
    const tight = cheaperOf(found, byFullBars(problem, best, tools, tools.now() + (deadline - tools.now()) / 2))
    if (tight.closed || deadline - tools.now() < LEAST_SEARCH_MS) return tight
    return cheaperOf(tight, byColumns(problem, Math.min(best, tight.cost), tools, deadline))
  }
  return byColumns(problem, incumbent, tools, deadline)
}

/** Of the time given, what choosing whole bars may take before columns are generated with the rest. */
const COUNTS_SHARE = 0.45

/** Two searches of one problem: the cheaper plan with the higher of both bounds, for both hold. */
function cheaperOf(a: Found, b: Found | null): Found {
  if (!b) return a
  const plan = b.cost < a.cost - 1e-9 ? b : a
  const lowerBound = Math.max(a.lowerBound, b.lowerBound)
  return { ...plan, lowerBound, closed: plan.closed || plan.cost <= lowerBound + 1e-6 }
}

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
          const i = parts.findIndex((_, p) => problem.partKinds[p] === kind && left[p]! > 0)
          if (i < 0) break
          left[i]!--
          cuts.push({ partId: parts[i]!.id, length: parts[i]!.length })
        }
      })
      const s = problem.stock[use.stock]!
      if (cuts.length) bars.push({ stockId: s.id, length: s.length, cuts, remnant: remnantOf(s.length, cuts, input) })
    }
  }
  const missing = parts.flatMap((p, i) =>
    left[i]! > 0 ? [{ partId: p.id, quantity: left[i]!, reason: shortageReason(p.length, input) }] : [],
  )
  return { bars, missing }
}
