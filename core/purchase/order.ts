import type { PooledBars, PooledLine } from './pooled'

/** An order as it was placed: what it says stands, whatever the designs come to need after it. Prices minor units; null = not known then. */
export type PlacedOrder = { number: string; on: string; due: string; supplier: string; lines: PooledLine[]; bars: PooledBars['buy'] }

/** The numbers of orders run on through the years, each with the year it was placed in. */
export const orderNumber = (n: number, on: string): string => `${on.slice(0, 4)}-${String(n).padStart(3, '0')}`

export type Wanted = { jobId: string; key: string; quantity: number }
/** The open lines that somebody orders: of each, what is for the jobs it is ordered for, at its share of the price. */
export const orderedLines = (open: readonly PooledLine[], wanted: readonly Wanted[]): PooledLine[] =>
  open.flatMap((l) => {
    const mine = l.for.filter((f) => wanted.some((w) => w.key === l.key && w.jobId === f.jobId))
    if (!mine.length) return []
    const quantity = mine.reduce((s, f) => s + f.quantity, 0)
    return [{ ...l, for: mine, quantity, minor: l.minor === null ? null : Math.round((l.minor * quantity) / l.quantity) }]
  })

/** What an order comes to, bars at their prices; null where one thing on it has none. Minor units */
export function placedMinor({ lines, bars }: Pick<PlacedOrder, 'lines' | 'bars'>): number | null {
  const rest = lines.filter((l) => l.kind !== 'sections')
  // sections without a plan of bars have no price
  if (rest.some((l) => l.minor === null) || (rest.length < lines.length && !bars.length)) return null
  return rest.reduce((s, l) => s + (l.minor ?? 0), 0) + bars.reduce((s, b) => s + b.count * b.priceMinor, 0)
}
