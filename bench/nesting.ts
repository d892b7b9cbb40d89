import loadHighs from 'highs'
import { BarNestingInput } from '../core/nesting/barNesting'
import { highsTools } from '../core/nesting/highsTools'
import { nestBars } from '../core/nesting/nestBars'

/** A small seeded generator (mulberry32), so that every run measures the same lists. */
export function seeded(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

function list(pieces: number, kinds: number, seed: number, remnants: number) {
  const random = seeded(seed)
  const parts = Array.from({ length: kinds }, (_, i) => ({
    id: `p${i}`,
    length: Math.round(250 + random() * 2200),
    quantity: Math.max(1, Math.round(pieces / kinds)),
  }))
  const stock = [
    { id: '6 m', length: 6000, price: 5400, quantity: null },
    { id: '4 m', length: 4000, price: 3750, quantity: null },
    { id: '3 m', length: 3000, price: 2900, quantity: null },
    ...Array.from({ length: remnants }, (_, i) => ({
      id: `r${i}`,
      length: Math.round(500 + random() * 2500),
      price: Math.round(random() * 300),
      quantity: 1,
    })),
  ]
  return BarNestingInput.parse({ parts, stock, kerf: 3, endTrim: 5, timeLimitMs: 10_000 })
}

export async function nestingBench(): Promise<string[][]> {
  const rows: string[][] = []
  for (const [name, pieces, kinds, remnants, seeds] of [
    ['60 pieces', 60, 15, 8, 5],
    ['60 pieces, all different', 60, 60, 8, 3],
    ['500 pieces, 50 kinds', 500, 50, 12, 2],
    ['500 pieces, 250 kinds', 500, 250, 12, 2],
  ] as const) {
    for (let seed = 1; seed <= seeds; seed++) {
      const highs = await loadHighs()
      const started = performance.now()
      const out = nestBars(
        list(pieces, kinds, seed, remnants),
        highsTools(highs, () => performance.now()),
      )
      const ms = performance.now() - started
      rows.push([
        `cut plan, ${name}, seed ${seed}`,
        `${ms.toFixed(0)} ms`,
        `${out.bars.length} bars, cost ${out.cost}, bound ${out.lowerBound.toFixed(1)}, ${out.proven ? 'proven' : `gap ${((out.cost - out.lowerBound) / 5400).toFixed(2)} bars`}`,
      ])
    }
  }
  return rows
}
