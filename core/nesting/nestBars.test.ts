import fc from 'fast-check'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Tools } from '../calculator/tools'
import { type BarNesting, BarNestingInput, priceOf } from './barNesting'
import { firstFit } from './firstFit'
import { highsTools } from './highsTools'
import { nestBars } from './nestBars'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const plan = (input: unknown) => nestBars(BarNestingInput.parse(input), tools)
const six = [{ id: '6 m', length: 6000, quantity: null }]

/** The contract, checked from outside: parts conserved, every bar holds what it claims, limited stock not exceeded, cost right. */
function check(raw: unknown, out: BarNesting) {
  const input = BarNestingInput.parse(raw)
  for (const part of input.parts) {
    const cut = out.bars.flatMap((b) => b.cuts).filter((c) => c.partId === part.id)
    const missing = out.unplaced.filter((u) => u.partId === part.id).reduce((s, u) => s + u.quantity, 0)
    expect(cut.length + missing).toBe(part.quantity)
    for (const c of cut) expect(c.length).toBe(part.length)
  }
  for (const bar of out.bars) {
    const used = bar.cuts.reduce((s, c) => s + c.length, 0) + input.kerf * (bar.cuts.length - 1)
    expect(used).toBeLessThanOrEqual(bar.length - 2 * input.endTrim + 1e-6)
  }
  for (const s of input.stock)
    if (s.quantity !== null) expect(out.bars.filter((b) => b.stockId === s.id).length).toBeLessThanOrEqual(s.quantity)
  expect(out.cost).toBeCloseTo(
    out.bars.reduce((s, b) => s + priceOf(input.stock.find((x) => x.id === b.stockId)!), 0),
    6,
  )
  expect(out.lowerBound).toBeLessThanOrEqual(out.cost + 1e-6)
}

test('two 3000 mm tubes need two 6000 mm bars, for the saw takes 3 mm; without kerf one bar does', () => {
  const parts = [{ id: 'a', length: 3000, quantity: 2 }]
  expect(plan({ parts, stock: six, kerf: 3, endTrim: 0 }).bars).toHaveLength(2)
  expect(plan({ parts, stock: six, kerf: 0, endTrim: 0 }).bars).toHaveLength(1)
})

test('end trim is taken twice: 5990 fits 6000 with 5 mm each end, 5991 does not', () => {
  expect(plan({ parts: [{ id: 'a', length: 5990, quantity: 1 }], stock: six, kerf: 3, endTrim: 5 }).bars).toHaveLength(1)
  const long = plan({ parts: [{ id: 'a', length: 5991, quantity: 1 }], stock: six, kerf: 3, endTrim: 5 })
  expect(long.unplaced[0].reason).toContain('longer than the longest stock')
})

test('where longest-first wastes a bar the plan does not: 4×2200, 4×1900, 4×1850 from 6 m', () => {
  // 2200 + 1900 + 1850 + 2·3 = 5956 ≤ 6000: four bars; longest-first pairs 2200 + 2200 and needs five
  const input = {
    parts: [
      { id: 'a', length: 2200, quantity: 4 },
      { id: 'b', length: 1900, quantity: 4 },
      { id: 'c', length: 1850, quantity: 4 },
    ],
    stock: six,
    kerf: 3,
    endTrim: 0,
  }
  const best = plan(input)
  expect([best.bars.length, best.proven]).toEqual([4, true])
  expect(firstFit(BarNestingInput.parse(input)).bars.length).toBe(5)
})

test('a free remnant is used before buying, and the cheaper mix of lengths wins', () => {
  const out = plan({
    parts: [{ id: 'bar', length: 1500, quantity: 3 }],
    kerf: 3,
    endTrim: 0,
    stock: [
      { id: '6 m', length: 6000, price: 60, quantity: null },
      { id: '3.1 m', length: 3100, price: 33, quantity: null },
      { id: 'rack', length: 1510, price: 0, quantity: 1 },
    ],
  })
  expect(out.bars.map((b) => b.stockId).sort()).toEqual(['3.1 m', 'rack'])
  expect([out.cost, out.proven]).toEqual([33, true])
})

test('stock runs short: what fits is cut, the rest is named, nothing is claimed as proven', () => {
  const input = { parts: [{ id: 'a', length: 1000, quantity: 5 }], stock: [{ id: 'r', length: 2100, quantity: 1 }], kerf: 3, endTrim: 0 }
  const out = plan(input)
  check(input, out)
  expect(out.unplaced).toEqual([{ partId: 'a', quantity: 3, reason: 'not enough stock of a length that takes it' }])
  expect(out.proven).toBe(false)
})

test('nothing to cut costs nothing; a repeated id is refused by name', () => {
  expect(plan({ parts: [], stock: six, kerf: 3, endTrim: 5 })).toMatchObject({ bars: [], cost: 0, proven: true })
  const bad = BarNestingInput.safeParse({
    parts: [
      { id: 'a', length: 1, quantity: 1 },
      { id: 'a', length: 2, quantity: 1 },
    ],
    stock: six,
    kerf: 3,
    endTrim: 0,
  })
  expect(bad.error?.issues[0].path).toEqual(['parts', 1, 'id'])
})

/** Independent second way: try every assignment of pieces to bars. */
function bruteForceBars(lengths: number[], room: number, kerf: number): number {
  let best = lengths.length
  const bars: number[] = []
  const place = (i: number) => {
    if (bars.length >= best) return
    if (i === lengths.length) {
      best = bars.length
      return
    }
    for (let b = 0; b < bars.length; b++) {
      if (bars[b] + kerf + lengths[i] > room + 1e-9) continue
      bars[b] += kerf + lengths[i]
      place(i + 1)
      bars[b] -= kerf + lengths[i]
    }
    bars.push(lengths[i])
    place(i + 1)
    bars.pop()
  }
  place(0)
  return best
}

test('as few bars as trying everything, on random lists of up to eight pieces', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 300, max: 2900 }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 0, max: 5 }),
      (lengths, kerf) => {
        const input = {
          parts: lengths.map((length, i) => ({ id: `p${i}`, length, quantity: 1 })),
          stock: [{ id: 's', length: 3000, price: 1, quantity: null }],
          kerf,
          endTrim: 0,
        }
        const out = plan(input)
        check(input, out)
        expect(out.bars.length).toBe(bruteForceBars(lengths, 3000, kerf))
        expect(out.proven).toBe(true)
      },
    ),
    { numRuns: 60 },
  )
})

test('mixed stock with limited remnants keeps the contract, and never costs more than longest-first', () => {
  const part = fc.record({ length: fc.integer({ min: 100, max: 5900 }), quantity: fc.integer({ min: 0, max: 9 }) })
  const stock = fc.record({
    length: fc.integer({ min: 800, max: 7000 }),
    price: fc.integer({ min: 0, max: 90 }),
    quantity: fc.option(fc.integer({ min: 0, max: 4 })),
  })
  fc.assert(
    fc.property(fc.array(part, { minLength: 1, maxLength: 12 }), fc.array(stock, { minLength: 1, maxLength: 5 }), (parts, stocks) => {
      const input = {
        parts: parts.map((p, i) => ({ id: `p${i}`, ...p })),
        stock: stocks.map((s, i) => ({ id: `s${i}`, ...s })),
        kerf: 3,
        endTrim: 5,
        timeLimitMs: 2000,
      }
      const out = plan(input)
      check(input, out)
      const plain = firstFit(BarNestingInput.parse(input))
      if (!plain.unplaced.length) expect(out.cost).toBeLessThanOrEqual(plain.cost + 1e-6)
    }),
    { numRuns: 60 },
  )
})

test('a long list of 400 pieces: every piece cut once, no bar overfull, no dearer than longest-first, and its bound still holds', () => {
  // lengths spread without order over 400 to 2380, nine of each
  const parts = Array.from({ length: 45 }, (_, i) => ({ id: `p${i}`, length: 400 + ((i * 733) % 1983), quantity: i % 2 ? 9 : 8 }))
  const input = {
    parts,
    kerf: 3,
    endTrim: 5,
    stock: [
      { id: '6 m', length: 6000, price: 62, quantity: null },
      { id: '3 m', length: 3000, price: 33, quantity: null },
    ],
    timeLimitMs: 1500,
  }
  const out = plan(input)
  check(input, out)
  expect(out.unplaced).toEqual([])
  expect(out.cost).toBeLessThanOrEqual(firstFit(BarNestingInput.parse(input)).cost + 1e-9)
  // no plan can be cheaper than the metres themselves at the better price
  const metres = parts.reduce((s, p) => s + (p.length + 3) * p.quantity, 0)
  expect(out.lowerBound).toBeGreaterThanOrEqual((metres * 62) / 5993 - 1e-6)
})

describe('lists made by cutting full bars up, so that the least is known', () => {
  const room = 5990
  /** Cuts `bars` full bars of 6 m into pieces, leaving nothing over; the seed makes the same list each time. */
  function cutUp(bars: number, pieces: () => number, random: () => number) {
    return Array.from({ length: bars }).flatMap((_, b) => {
      const n = pieces()
      let left = room - 3 * (n - 1)
      return Array.from({ length: n }, (_, i) => {
        const length = i === n - 1 ? left : Math.round((left / (n - i)) * (0.6 + random() * 0.8))
        left -= length
        return { id: `${b}.${i}`, length, quantity: 1 }
      })
    })
  }
  const seeded = (seed: number) => () => {
    seed = (seed * 1103515245 + 12345) % 2147483648
    return seed / 2147483648
  }
  test('three to a bar, 120 pieces: 40 bars, proven', () => {
    const parts = cutUp(40, () => 3, seeded(7))
    const raw = { parts, stock: six, kerf: 3, endTrim: 5, timeLimitMs: 20_000 }
    const out = plan(raw)
    check(raw, out)
    expect(out.bars).toHaveLength(40)
    expect(out.proven).toBe(true)
  }, 30_000)
  test('twelve bars of three to five pieces each: 12 bars, proven', () => {
    const random = seeded(3)
    const parts = cutUp(12, () => 3 + Math.floor(random() * 3), random)
    const raw = { parts, stock: six, kerf: 3, endTrim: 5, timeLimitMs: 20_000 }
    const out = plan(raw)
    check(raw, out)
    expect(out.bars).toHaveLength(12)
    expect(out.proven).toBe(true)
  }, 30_000)
  test('1,500 pieces of 12 lengths come within one bar of what their length alone asks', () => {
    const random = seeded(1)
    const parts = Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, length: Math.round(400 + random() * 1200), quantity: 125 }))
    const raw = { parts, stock: six, kerf: 3, endTrim: 5, timeLimitMs: 20_000 }
    const out = plan(raw)
    check(raw, out)
    const least = Math.ceil(parts.reduce((s, p) => s + p.quantity * (p.length + 3), 0) / (room + 3))
    expect(out.bars.length).toBeLessThanOrEqual(least + 1)
  }, 30_000)
})
