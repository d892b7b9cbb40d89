import { FIT_TOLERANCE_MM } from './barNesting'

/** Kinds of piece, one per distinct length; `weight` = length + kerf. */
export type Kind = { weight: number; demand: number }
/** How many of each kind one bar holds, in the order of the kinds. */
export type Pattern = number[]

/** Every pattern that takes no further piece, or null when there are more than `most`. */
export function maximalPatterns(kinds: Kind[], room: number, most: number): Pattern[] | null {
  return search(kinds, room, most, () => true)
}

/** Maximal patterns worth at least `least` at the given values, or null when there are more than `most`. */
export function valuablePatterns(kinds: Kind[], values: number[], room: number, least: number, most: number): Pattern[] | null {
  const order = kinds
    .map((_, i) => i)
    .sort((a, b) => {
      const denser = values[b]! / kinds[b]!.weight - values[a]! / kinds[a]!.weight
      return Math.abs(denser) > 1e-12 ? denser : kinds[b]!.weight - kinds[a]!.weight
    })
  const sorted = order.map((i) => kinds[i]!)
  const worth = order.map((i) => values[i]!)
  const found = search(
    sorted,
    room,
    most,
    (k, left, value) => value + left * (k < sorted.length ? worth[k]! / sorted[k]!.weight : 0) >= least - 1e-9,
    worth,
  )
  return (
    found?.map((p) => {
      const back = new Array<number>(kinds.length).fill(0)
      order.forEach((i, k) => {
        back[i] = p[k]!
      })
      return back
    }) ?? null
  )
}

const MOST_STEPS = 3_000_000

function search(
  kinds: Kind[],
  room: number,
  most: number,
  hopeful: (next: number, left: number, value: number) => boolean,
  worth?: number[],
): Pattern[] | null {
  const found: Pattern[] = []
  const counts = new Array<number>(kinds.length).fill(0)
  let steps = 0
  // the shortest piece from each place on: where not even that fits, the bar is done and no further kind need be tried
  const shortest = new Array<number>(kinds.length + 1).fill(Number.POSITIVE_INFINITY)
  for (let k = kinds.length - 1; k >= 0; k--) shortest[k] = Math.min(shortest[k + 1]!, kinds[k]!.weight)
  const visit = (from: number, left: number, value: number): boolean => {
    if (++steps > MOST_STEPS) return false
    if (!hopeful(from, left, value)) return true
    let k = from
    while (k < kinds.length && shortest[k]! <= left + FIT_TOLERANCE_MM && kinds[k]!.weight > left + FIT_TOLERANCE_MM) k++
    if (k === kinds.length || shortest[k]! > left + FIT_TOLERANCE_MM) {
      if (!hopeful(kinds.length, left, value)) return true
      const fuller = kinds.some((kind, i) => counts[i]! < kind.demand && kind.weight <= left + FIT_TOLERANCE_MM)
      if (!fuller && counts.some((c) => c > 0)) found.push([...counts])
      return found.length <= most
    }
    const kind = kinds[k]!
    const fit = Math.min(kind.demand, Math.floor((left + FIT_TOLERANCE_MM) / kind.weight))
    for (let n = fit; n >= 0; n--) {
      counts[k] = n
      if (!visit(k + 1, left - n * kind.weight, value + n * (worth?.[k] ?? 0))) return false
    }
    counts[k] = 0
    return true
  }
  return visit(0, room, 0) ? found : null
}

/** The most valuable pattern for one bar: branch and bound on value per length. `bound` is never below the true best. */
export function bestPattern(
  kinds: Kind[],
  values: number[],
  room: number,
  stepLimit = 300_000,
): { pattern: Pattern; value: number; bound: number } {
  const order = kinds
    .map((_, i) => i)
    .filter((i) => values[i]! > 1e-12)
    .sort((a, b) => values[b]! / kinds[b]!.weight - values[a]! / kinds[a]!.weight)
  const n = order.length
  const w = order.map((i) => kinds[i]!.weight)
  const v = order.map((i) => values[i]!)
  const d = order.map((i) => kinds[i]!.demand)
  const counts = new Array<number>(n).fill(0)
  let best: number[] = [...counts]
  let bestValue = 0
  let steps = 0
  const fraction = (k: number, left: number): number => {
    let sum = 0
    for (let i = k; i < n && left > 0; i++) {
      const take = Math.min(d[i]!, left / w[i]!)
      sum += take * v[i]!
      left -= take * w[i]!
    }
    return sum
  }
  const visit = (k: number, left: number, value: number): void => {
    if (value > bestValue + 1e-12) {
      bestValue = value
      best = [...counts]
    }
    if (k === n || ++steps > stepLimit || value + fraction(k, left + FIT_TOLERANCE_MM) <= bestValue + 1e-10) return
    const fit = Math.min(d[k]!, Math.floor((left + FIT_TOLERANCE_MM) / w[k]!))
    for (let c = fit; c >= 0; c--) {
      counts[k] = c
      visit(k + 1, left - c * w[k]!, value + c * v[k]!)
      if (steps > stepLimit) break
    }
    counts[k] = 0
  }
  visit(0, room, 0)
  const pattern = new Array<number>(kinds.length).fill(0)
  order.forEach((i, k) => {
    pattern[i] = best[k]!
  })
  return { pattern, value: bestValue, bound: steps > stepLimit ? fraction(0, room + FIT_TOLERANCE_MM) : bestValue + 1e-9 }
}
