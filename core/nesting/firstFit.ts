import { type BarNesting, type BarNestingInput, FIT_TOLERANCE_MM, type NestedBar, priceOf, remnantOf, roomOf } from './barNesting'

/**
 * The plan a careful person makes at the saw: longest piece first, into the first opened bar that takes it, else open the next bar from
 * the order given (remnants first, then the longest stock). A plain comparison, and a start for the optimiser.
 */
export function firstFit(input: BarNestingInput, order: 'longest' | 'cheapest' = 'longest'): BarNesting {
  const left = new Map(input.stock.map((s) => [s.id, s.quantity ?? Number.POSITIVE_INFINITY]))
  const stock = [...input.stock].sort(
    (a, b) =>
      Number(a.quantity === null) - Number(b.quantity === null) ||
      (order === 'longest' || a.quantity !== null ? b.length - a.length : priceOf(a) / a.length - priceOf(b) / b.length),
  )
  const open: { bar: NestedBar; room: number }[] = []
  const unplaced = new Map<string, { quantity: number; reason: string }>()
  let cost = 0
  const pieces = input.parts.flatMap((p) => Array.from({ length: p.quantity }, () => p)).sort((a, b) => b.length - a.length)
  for (const part of pieces) {
    const need = part.length + input.kerf
    let target = open.find((o) => o.room + FIT_TOLERANCE_MM >= need)
    if (!target) {
      const fresh = stock.find((s) => (left.get(s.id) ?? 0) > 0 && roomOf(s.length, input) + FIT_TOLERANCE_MM >= need)
      if (!fresh) {
        const reason = shortageReason(part.length, input)
        unplaced.set(part.id, { quantity: (unplaced.get(part.id)?.quantity ?? 0) + 1, reason })
        continue
      }
      left.set(fresh.id, (left.get(fresh.id) ?? 0) - 1)
      target = { bar: { stockId: fresh.id, length: fresh.length, cuts: [], remnant: 0 }, room: roomOf(fresh.length, input) }
      cost += priceOf(fresh)
      open.push(target)
    }
    target.bar.cuts.push({ partId: part.id, length: part.length })
    target.room -= need
  }
  const bars = open.map(({ bar }) => ({ ...bar, remnant: remnantOf(bar.length, bar.cuts, input) }))
  return { bars, unplaced: [...unplaced].map(([partId, u]) => ({ partId, ...u })), cost, lowerBound: 0, proven: false }
}

export function shortageReason(partLength: number, input: BarNestingInput): string {
  const longest = Math.max(...input.stock.map((s) => s.length - 2 * input.endTrim))
  return partLength > longest + FIT_TOLERANCE_MM
    ? `longer than the longest stock less its trim (${longest} mm)`
    : 'not enough stock of a length that takes it'
}
