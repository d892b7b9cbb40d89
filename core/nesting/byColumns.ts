import type { Tools } from '../calculator/tools'
import { FIT_TOLERANCE_MM, priceOf } from './barNesting'
import { bestPattern, type Pattern, valuablePatterns } from './patterns'
import { planByCounts } from './planByCounts'
import { type Column, type Found, listAll, type Problem, raised, VALUABLE_LIST } from './problem'
import { integer, model } from './programme'

/**
 * Column generation to the linear optimum, its rounded-down plan filled up by packing what is left exactly, and the whole-number programme over the columns
 * (Gilmore & Gomory 1961, 1963; residual problem: Wäscher & Gau 1996). The best of these counts.
 */
export function byColumns(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
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
      (s) => valuablePatterns(kinds, relaxed.values, rooms[s]!, priceOf(stock[s]!) + relaxed.scarcity[s]! - gap, VALUABLE_LIST),
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
      const n = Math.min(kinds[k]!.demand, Math.floor((rooms[s]! + FIT_TOLERANCE_MM) / kinds[k]!.weight))
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
      const own = priceOf(stock[s]!) + scarcity[s]!
      const priced = bestPattern(kinds, values, rooms[s]!, kinds.length > 60 ? 10_000 : 200_000)
      if (priced.bound > own + 1e-6) scale = Math.min(scale, own / priced.bound)
      if (priced.bound > priced.value + 1e-6) exact = false
      if (priced.value > own + 1e-7) added = add({ stock: s, pattern: priced.pattern }) || added
    }
    const dualCost =
      scale * kinds.reduce((sum, kind, k) => sum + kind.demand * values[k]!, 0) -
      scarcity.reduce((sum, m, s) => sum + m * (stock[s]!.quantity ?? 0), 0)
    lowerBound = Math.max(lowerBound, dualCost)
    if (round % 5 === 0) tools.progress?.({ stage: 'searching', cost: Number.isFinite(incumbent) ? incumbent : null, lowerBound })
    if (!added || tools.now() > deadline - 200) return { columns, uses, lowerBound, values, scarcity, exact: exact && !added }
  }
}
