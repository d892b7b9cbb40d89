import { FIT_TOLERANCE_MM } from './barNesting'
import { bestPattern, type Kind } from './patterns'

/** One kind of stock as the search for bar counts sees it. `fill` = the most that any choice of pieces can fill of its room. */
export type Bin = { room: number; price: number; most: number; fill: number }
/** How many bars of each stock, and what they cost together. */
export type Counts = { counts: number[]; price: number }

/**
 * The most of each bar's room that pieces can fill, by subset sum. Where the search is cut short the room itself stands in: too large is
 * the side that keeps the bound true.
 */
export function binsOf(kinds: Kind[], stock: { price: number; room: number; quantity: number | null }[]): Bin[] {
  const need = kinds.reduce((s, k) => s + k.weight * k.demand, 0)
  const weights = kinds.map((k) => k.weight)
  return stock.map(({ price, room, quantity }) => {
    const best = bestPattern(kinds, weights, room, 60_000)
    const fill = Math.min(room, best.bound)
    const enough = fill > 0 ? Math.ceil(need / fill + 1) : 0
    return { room, price, fill, most: Math.min(quantity ?? enough, enough) }
  })
}

/**
 * Every choice of bar counts cheaper than `below` whose fills together take all pieces, cheapest first; null when there are more than
 * `limit`. A plan of a given cost needs such a choice, so when none is left below a cost, that cost is a lower bound: far stronger than
 * the linear relaxation, for bars are whole. Free bars are always taken: they cost nothing and leave more room.
 */
export function countsBelow(bins: Bin[], need: number, from: number, below: number, limit: number): Counts[] | null {
  const order = bins
    .map((_, i) => i)
    .filter((i) => bins[i]!.most > 0 && bins[i]!.price > 0)
    .sort((a, b) => bins[b]!.price - bins[a]!.price)
  const counts = bins.map((b) => (b.price > 0 ? 0 : b.most))
  const open = need - bins.reduce((s, b, i) => s + counts[i]! * b.fill, 0)
  const cheapest = suffixCosts(bins, order)
  const found: Counts[] = []
  let steps = 0
  const visit = (k: number, left: number, price: number): boolean => {
    if (++steps > 400_000) return false
    if (price + cheapest(k, left) >= below - 1e-9) return true
    if (k === order.length) {
      if (left <= FIT_TOLERANCE_MM && price >= from - 1e-9) found.push({ counts: [...counts], price })
      return found.length <= limit
    }
    const i = order[k]!
    const bin = bins[i]!
    for (let c = 0; c <= bin.most; c++) {
      if (price + c * bin.price >= below - 1e-9) break
      counts[i] = c
      if (!visit(k + 1, left - c * bin.fill, price + c * bin.price)) return false
    }
    counts[i] = 0
    return true
  }
  if (!visit(0, open, 0)) return null
  return found.sort((a, b) => a.price - b.price)
}

/** Least price to cover a length from the k-th stock on, as if bars could be bought in parts. */
function suffixCosts(bins: Bin[], order: number[]): (k: number, left: number) => number {
  const suffix = order.map((_, k) => byRate(order.slice(k).map((i) => bins[i]!)))
  return (k, left) => coverCost(suffix[k] ?? [], left)
}

const byRate = (bins: Bin[]): Bin[] => bins.filter((b) => b.fill > 0 && b.most > 0).sort((a, b) => a.price / a.fill - b.price / b.fill)

function coverCost(sorted: Bin[], need: number): number {
  let [cost, left] = [0, need]
  for (const b of sorted) {
    if (left <= FIT_TOLERANCE_MM) break
    const take = Math.min(left, b.most * b.fill)
    cost += (take / b.fill) * b.price
    left -= take
  }
  return left <= FIT_TOLERANCE_MM ? cost : Number.POSITIVE_INFINITY
}

/** A bound that always holds: the cheapest cover of the total length as if bars could be cut and bought at will. Infinite when the stock runs short. */
export const coverBound = (bins: Bin[], need: number): number => coverCost(byRate(bins), need)
