import type { Tools } from '../calculator/tools'
import { type Bin, binsOf, type Counts, countsBelow, coverBound } from './barCounts'
import { FIT_TOLERANCE_MM, priceOf } from './barNesting'
import { type Packed, packByCompletion, packExactly } from './packCounts'
import { bestPattern, type Kind } from './patterns'
import { seeded } from './seeded'

type Stock = { length: number; price?: number; quantity: number | null }
/** `packed` null = nothing cheaper than the incumbent was found. `closed` = every cheaper choice of bars was shown to be impossible. */
export type CountsPlan = { packed: Packed | null; cost: number; lowerBound: number; closed: boolean }

const MOST_CHOICES = 3000
const LARGE_BARS = 45

/**
 * Looks for the cheapest choice of whole bars that takes all pieces, in order of price: each choice is packed greedily or decided
 * exactly, so the first that can be packed is the optimum when every one before it was shown impossible.
 */
export function planByCounts(
  kinds: Kind[],
  stock: Stock[],
  rooms: number[],
  incumbent: number,
  tools: Tools,
  deadline: number,
): CountsPlan {
  const bins = binsOf(
    kinds,
    stock.map((s, i) => ({ price: priceOf(s as { length: number }), room: rooms[i]!, quantity: s.quantity })),
  )
  const need = kinds.reduce((s, k) => s + k.weight * k.demand, 0)
  const rate = Math.min(...bins.filter((b) => b.fill > 0).map((b) => b.price / b.fill))
  const barsAbout = need / Math.max(...bins.map((b) => b.fill))
  return barsAbout > LARGE_BARS
    ? inTwoParts(kinds, bins, { stock, rooms }, { incumbent, tools, deadline })
    : inOrder(kinds, bins, { need, start: rate * need, incumbent, tools, deadline })
}

/** What is still to beat, and with what, until when. */
type Search = { incumbent: number; tools: Tools; deadline: number }

function inOrder(kinds: Kind[], bins: Bin[], search: Search & { need: number; start: number }): CountsPlan {
  const { need, start, incumbent, tools, deadline } = search
  const refuted: number[][] = []
  const late = () => tools.now() > deadline
  const dearest = Math.max(1e-6, ...bins.map((b) => b.price))
  let undecided = Number.POSITIVE_INFINITY
  let [from, width] = [Math.min(start, incumbent) - 1e-6, dearest * 0.05]
  while (from < incumbent - 1e-9) {
    const below = Math.min(incumbent, from + width)
    const choices = countsBelow(bins, need, from, below, MOST_CHOICES)
    if (!choices) {
      if (width < dearest * 1e-4)
        return { packed: null, cost: incumbent, lowerBound: Math.min(undecided, Math.max(0, from)), closed: false }
      width /= 4
      continue
    }
    for (const choice of choices) {
      if (refuted.some((r) => r.every((n, i) => n >= choice.counts[i]!))) continue
      if (late()) return { packed: null, cost: incumbent, lowerBound: Math.min(undecided, choice.price), closed: false }
      tools.progress?.({
        stage: 'proving',
        cost: Number.isFinite(incumbent) ? incumbent : null,
        lowerBound: Math.min(undecided, choice.price),
      })
      const packed = decide(kinds, bins, choice, tools, deadline)
      if (packed === 'impossible') refuted.push(choice.counts)
      else if (packed)
        return { packed, cost: choice.price, lowerBound: Math.min(undecided, choice.price), closed: undecided === Number.POSITIVE_INFINITY }
      else undecided = Math.min(undecided, choice.price)
    }
    from = below
    width *= 1.6
  }
  return { packed: null, cost: incumbent, lowerBound: Math.min(undecided, incumbent), closed: undecided === Number.POSITIVE_INFINITY }
}

function decide(kinds: Kind[], bins: Bin[], choice: Counts, tools: Tools, deadline: number): Packed | 'impossible' | null {
  const late = () => tools.now() > deadline
  const random = seeded(kinds.length * 7919 + choice.counts.reduce((s, c) => s + c, 0))
  const restart = (times: number) => {
    for (let t = 0; t < times && !late(); t++) {
      const packed = packByCompletion(kinds, bins, choice.counts, { nodes: 700, breadth: 4, stop: late, shake: random })
      if (packed) return packed
    }
    return null
  }
  const tried = packByCompletion(kinds, bins, choice.counts, { nodes: 1000, breadth: 4, stop: late }) ?? restart(2)
  if (tried) return tried
  const solve = (model: string) => tools.solve(model, Math.max(50, Math.min(2500, deadline - tools.now())))
  const exact = packExactly(kinds, bins, choice.counts, solve, () => restart(10))
  return exact ?? restart(40)
}

/**
 * Long lists: bars are filled one by one, the largest piece first, until what is left is a short list; that rest is planned in order of
 * price. Tried with different fillings until the time is spent or the bound is met.
 */
export function inTwoParts(
  kinds: Kind[],
  bins: Bin[],
  { stock, rooms }: { stock: Stock[]; rooms: number[] },
  { incumbent, tools, deadline }: Search,
): CountsPlan {
  const need = kinds.reduce((s, k) => s + k.weight * k.demand, 0)
  const bound = coverBound(bins, need)
  let best: CountsPlan = { packed: null, cost: incumbent, lowerBound: bound, closed: false }
  for (let t = 0; t < 40 && tools.now() < deadline - 100 && best.cost > bound + 1e-6; t++) {
    const first = fillMost(kinds, bins, t)
    const rest = first.left.flatMap((n, i) => (n > 0 ? [i] : []))
    const restKinds = rest.map((i) => ({ weight: kinds[i]!.weight, demand: first.left[i]! }))
    const spent = first.packed.reduce((s, p) => s + bins[p.stock]!.price, 0)
    const restBins = binsOf(
      restKinds,
      bins.map((b, s) => ({
        price: b.price,
        room: rooms[s]!,
        quantity: stock[s]!.quantity === null ? null : Math.max(0, (stock[s]!.quantity ?? 0) - first.used[s]!),
      })),
    )
    const restNeed = restKinds.reduce((s, k) => s + k.weight * k.demand, 0)
    const share = Math.min(deadline, tools.now() + (deadline - tools.now()) / 4)
    const last = inOrder(restKinds, restBins, {
      need: restNeed,
      start: coverBound(restBins, restNeed),
      incumbent: best.cost - spent,
      tools,
      deadline: share,
    })
    if (last.packed && spent + last.cost < best.cost - 1e-9) {
      const packed = [...first.packed, ...last.packed.map((p) => ({ stock: p.stock, pattern: widen(p.pattern, rest, kinds.length) }))]
      best = { ...best, packed, cost: spent + last.cost }
      tools.progress?.({ stage: 'improving', cost: best.cost, lowerBound: bound })
    }
  }
  return { ...best, closed: best.cost <= bound + 1e-6 }
}

const widen = (pattern: number[], at: number[], length: number): number[] => {
  const out = new Array<number>(length).fill(0)
  at.forEach((i, k) => {
    out[i] = pattern[k]!
  })
  return out
}

const REST_BARS = 7

/** Fills the best-priced bars first until about seven bars' worth of pieces is left. */
function fillMost(kinds: Kind[], bins: Bin[], turn: number): { packed: Packed; left: number[]; used: number[] } {
  const left = kinds.map((k) => k.demand)
  const used = bins.map(() => 0)
  const packed: Packed = []
  const order = bins
    .map((_, i) => i)
    .filter((i) => bins[i]!.fill > 0)
    .sort((a, b) => bins[a]!.price / bins[a]!.fill - bins[b]!.price / bins[b]!.fill)
  const stop = REST_BARS * Math.max(...bins.map((b) => b.room))
  const weightLeft = () => kinds.reduce((s, k, i) => s + k.weight * left[i]!, 0)
  while (weightLeft() > stop) {
    const s = order.find(
      (i) => used[i]! < bins[i]!.most && kinds.some((k, j) => left[j]! > 0 && k.weight <= bins[i]!.room + FIT_TOLERANCE_MM),
    )
    if (s === undefined) break
    const fitting = kinds.flatMap((k, i) => (left[i]! > 0 && k.weight <= bins[s]!.room + FIT_TOLERANCE_MM ? [i] : []))
    const held = fitting[Math.min(fitting.length - 1, turn % 3 === 0 ? 0 : (turn * 7 + packed.length * 5) % Math.min(4, fitting.length))]!
    left[held]!--
    const { pattern } = bestPattern(
      kinds.map((k, i) => ({ weight: k.weight, demand: left[i]! })),
      kinds.map((k) => k.weight),
      bins[s]!.room - kinds[held]!.weight,
      3000,
    )
    pattern[held]!++
    pattern.forEach((n, i) => {
      left[i]! -= n - (i === held ? 1 : 0)
    })
    used[s]!++
    packed.push({ stock: s, pattern })
  }
  return { packed, left, used }
}
