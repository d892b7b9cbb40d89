import loadHighs from 'highs'
import { BarNestingInput } from '../core/nesting/barNesting'
import { highsTools } from '../core/nesting/highsTools'
import { nestBars } from '../core/nesting/nestBars'
import { seeded } from '../core/nesting/seeded'
import { nestSheets } from '../core/sheetNesting/nestSheets'
import { sheetSizes } from '../core/sheetNesting/sheetPlan'
import { cutSquare, freeOutlines, type OutlinePart } from '../core/testing/outlines'

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
  for (const [name, parts] of knownLists()) {
    const highs = await loadHighs()
    const started = performance.now()
    const out = nestBars(
      BarNestingInput.parse({
        parts,
        stock: [{ id: '6 m', length: 6000, price: 6000, quantity: null }],
        kerf: 3,
        endTrim: 5,
        timeLimitMs: 10_000,
      }),
      highsTools(highs, () => performance.now()),
    )
    rows.push([
      `cut plan, ${name}`,
      `${(performance.now() - started).toFixed(0)} ms`,
      `${out.bars.length} bars, bound ${Math.ceil(out.lowerBound / 6000 - 1e-6)}, ${out.proven ? 'proven' : 'not proven'}`,
    ])
  }
  return rows
}

/** Lists whose least number of bars is known, for full bars were cut up to make them; and one of many pieces and few lengths. */
function knownLists(): [string, { id: string; length: number; quantity: number }[]][] {
  const cutUp = (bars: number, least: number, most: number, seed: number) => {
    const random = seeded(seed)
    return Array.from({ length: bars }).flatMap((_, b) => {
      const n = least + Math.floor(random() * (most - least + 1))
      let left = 5990 - 3 * (n - 1)
      return Array.from({ length: n }, (_, i) => {
        const length = i === n - 1 ? left : Math.round((left / (n - i)) * (0.6 + random() * 0.8))
        left -= length
        return { id: `${b}.${i}`, length, quantity: 1 }
      })
    })
  }
  const random = seeded(11)
  return [
    ...[1, 2, 3].map((seed) => [`three to a bar, 40 full bars, seed ${seed}`, cutUp(40, 3, 3, seed)] as [string, ReturnType<typeof cutUp>]),
    ...[1, 2, 3].map(
      (seed) => [`three to five to a bar, 20 full bars, seed ${seed}`, cutUp(20, 3, 5, seed)] as [string, ReturnType<typeof cutUp>],
    ),
    [
      '1,500 pieces of 12 lengths',
      Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, length: Math.round(400 + random() * 2200), quantity: 125 })),
    ],
  ]
}

/** Sheets of three sizes, boxes at random: 60 and 1,000 of them. Reach: under 10 s. */
export function sheetBench(): string[][] {
  return [60, 1000].map((n) => {
    const random = seeded(4)
    const parts = Array.from({ length: n }, (_, i) => ({
      id: `p${i}`,
      width: 60 + Math.round(random() * 600),
      height: 50 + Math.round(random() * 400),
      quantity: 1,
      mayRotate: true,
    }))
    const sheets = sheetSizes.metric.map((s) => ({ ...s, quantity: null }))
    const started = performance.now()
    const out = nestSheets({ sheets, parts, gap: 6, edge: 10, timeLimitMs: 8000 }, { now: () => performance.now() })
    return [
      `${n} boxes on sheets`,
      `${((performance.now() - started) / 1000).toFixed(1)} s`,
      `${out.sheets.length} sheets, ${(out.utilisation * 100).toFixed(1)} % used`,
    ]
  })
}

/** By their outlines: free ones on sheets, and squares cut up without waste, on one that is 4 % larger. Reach: 92 % and under 10 s. */
export function outlineBench(): string[][] {
  const asked: [string, OutlinePart[], { width: number; height: number }][] = [
    ['20 free outlines', freeOutlines(20, 7), { width: 2000, height: 1000 }],
    ['60 free outlines', freeOutlines(60, 7), { width: 2000, height: 1000 }],
    ...[6, 12, 20].map((n): (typeof asked)[number] => [`a square cut into ${2 * n}`, cutSquare(n, 7), { width: 1040, height: 1040 }]),
  ]
  return asked.map(([name, parts, size]) => {
    const started = performance.now()
    const gap = name.includes('free') ? 6 : 0
    const given = { sheets: [{ id: 'S', ...size, quantity: null }], parts, gap, edge: gap, timeLimitMs: 8000 }
    const out = nestSheets(given, { now: () => performance.now() })
    return [
      name,
      `${((performance.now() - started) / 1000).toFixed(1)} s`,
      `${out.sheets.map((s) => s.placements.length).join(' + ')} on sheets, ${(out.utilisation * 100).toFixed(1)} % used`,
    ]
  })
}
