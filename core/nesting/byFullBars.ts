import type { Tools } from '../calculator/tools'
import { FIT_TOLERANCE_MM, priceOf } from './barNesting'
import { bestPattern, type Pattern, valuablePatterns } from './patterns'
import { type Found, FULL_LIST, LEAST_SEARCH_MS, listAll, type Problem, VALUABLE_LIST } from './problem'
import { integer } from './programme'
import { seeded } from './seeded'

/**
 * Where the stock must be filled almost to the end for a cheaper plan to exist, only bars filled that well can be part of it: all of those are listed and the
 * whole-number programme says which to take, or that none do. Pieces are priced by their length at the cheapest stock, which no bar can beat.
 */
export function byFullBars(problem: Problem, incumbent: number, tools: Tools, deadline: number): Found | null {
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
  const random = seeded(1)
  while (waste >= 0 && tools.now() < deadline - LEAST_SEARCH_MS) {
    const left = kinds.map((k) => k.demand)
    const filled: Pattern[] = []
    let spare = waste
    while (spare >= -FIT_TOLERANCE_MM && filled.length < bars - PACKED_AT_THE_END) {
      const longest = left.findIndex((n) => n > 0)
      if (longest < 0) break
      left[longest]!--
      const order = shuffled(
        left.flatMap((n, k) => (n > 0 ? [k] : [])),
        random,
      )
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

/** The list in an order that looks random. */
const shuffled = <T>(list: T[], random: () => number): T[] =>
  list
    .map((value) => ({ value, key: random() }))
    .sort((a, b) => a.key - b.key)
    .map((e) => e.value)
