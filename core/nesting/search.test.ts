import fc from 'fast-check'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Tools } from '../calculator/tools'
import { binsOf, countsBelow, coverBound } from './barCounts'
import { highsTools } from './highsTools'
import { type Packed, packByCompletion, packExactly } from './packCounts'
import { bestPattern, type Kind, maximalPatterns, valuablePatterns } from './patterns'
import { inTwoParts } from './planByCounts'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const never = () => false
const kindsOf = (list: [number, number][]): Kind[] =>
  list.map(([weight, demand]) => ({ weight, demand })).sort((a, b) => b.weight - a.weight)
const weightOf = (kinds: Kind[], pattern: number[]) => pattern.reduce((s, n, i) => s + n * kinds[i].weight, 0)

/** Every pattern that fits, by plain counting. */
function everyPattern(kinds: Kind[], room: number): number[][] {
  return kinds
    .reduce<number[][]>(
      (list, kind, i) => list.flatMap((p) => Array.from({ length: kind.demand + 1 }, (_, n) => [...p.slice(0, i), n])),
      [[]],
    )
    .filter((p) => weightOf(kinds, p) <= room + 1e-9)
}
const small = fc.array(fc.tuple(fc.integer({ min: 20, max: 120 }), fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 5 })

describe('patterns', () => {
  test('the most valuable pattern is the best of all that fit', () => {
    fc.assert(
      fc.property(
        small,
        fc.integer({ min: 50, max: 300 }),
        fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 5, maxLength: 5 }),
        (list, room, worth) => {
          const kinds = kindsOf(list)
          const values = kinds.map((_, i) => worth[i])
          const best = Math.max(...everyPattern(kinds, room).map((p) => p.reduce((s, n, i) => s + n * values[i], 0)))
          const found = bestPattern(kinds, values, room)
          expect(found.value).toBeCloseTo(best, 9)
          expect(weightOf(kinds, found.pattern)).toBeLessThanOrEqual(room + 1e-6)
          expect(found.bound).toBeGreaterThanOrEqual(best - 1e-9)
        },
      ),
    )
  })
  test('cut short, its bound still holds', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 50, max: 300 }), (list, room) => {
        const kinds = kindsOf(list)
        const values = kinds.map((k) => k.weight)
        expect(bestPattern(kinds, values, room, 2).bound).toBeGreaterThanOrEqual(bestPattern(kinds, values, room).value - 1e-9)
      }),
    )
  })
  test('maximal patterns are just those that take no further piece', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 50, max: 300 }), (list, room) => {
        const kinds = kindsOf(list)
        const full = (p: number[]) => kinds.every((k, i) => p[i] >= k.demand || weightOf(kinds, p) + k.weight > room + 1e-6)
        const expected = everyPattern(kinds, room).filter((p) => p.some((n) => n > 0) && full(p))
        const found = maximalPatterns(kinds, room, 100_000) ?? []
        expect(found.map(String).sort()).toEqual(expected.map(String).sort())
      }),
    )
  })
  test('asked for full ones only, none that full is left out', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 80, max: 300 }), fc.integer({ min: 0, max: 60 }), (list, room, waste) => {
        const kinds = kindsOf(list)
        const all = (maximalPatterns(kinds, room, 100_000) ?? []).filter((p) => weightOf(kinds, p) >= room - waste - 1e-9)
        const found =
          valuablePatterns(
            kinds,
            kinds.map((k) => k.weight),
            room,
            room - waste,
            100_000,
          ) ?? []
        for (const p of all) expect(found.map(String)).toContain(String(p))
      }),
    )
  })
  test('too many to list is said, not cut off', () =>
    expect(
      maximalPatterns(
        kindsOf([
          [10, 9],
          [11, 9],
          [12, 9],
          [13, 9],
        ]),
        120,
        5,
      ),
    ).toBeNull())
})

describe('choices of bars', () => {
  const stock = [
    { price: 54, room: 600, quantity: null },
    { price: 30, room: 300, quantity: null },
    { price: 3, room: 150, quantity: 2 },
  ]
  test('pieces of 140 fill a room of 300 with 280: the fill, not the room, counts', () => {
    const bins = binsOf(kindsOf([[140, 6]]), stock)
    expect(bins.map((b) => Math.round(b.fill))).toEqual([560, 280, 140])
    expect(coverBound(bins, 840)).toBeCloseTo(3 + 3 + 54, 6)
  })
  test('every choice that could take the pieces below a price is listed, cheapest first', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 20, max: 200 }), (list, below) => {
        const kinds = kindsOf(list)
        const need = kinds.reduce((s, k) => s + k.weight * k.demand, 0)
        const bins = binsOf(kinds, stock)
        const expected: number[] = []
        for (let a = 0; a <= 4; a++)
          for (let b = 0; b <= 7; b++)
            for (let c = 0; c <= 2; c++) {
              const price = 54 * a + 30 * b + 3 * c
              const within = a <= bins[0].most && b <= bins[1].most && c <= bins[2].most
              if (within && price < below && a * bins[0].fill + b * bins[1].fill + c * bins[2].fill >= need - 1e-6) expected.push(price)
            }
        const found = countsBelow(bins, need, 0, below, 100_000) ?? []
        expect(found.map((f) => f.price)).toEqual(expected.sort((a, b) => a - b))
      }),
    )
  })
  test('more than the limit is null', () => expect(countsBelow(binsOf(kindsOf([[100, 9]]), stock), 900, 0, 1000, 2)).toBeNull())
})

/** The contract of a packing: every piece once, no bar over its room, no more bars than given. */
function holds(kinds: Kind[], rooms: number[], counts: number[], packed: Packed): void {
  for (const [i, k] of kinds.entries()) expect(packed.reduce((s, p) => s + p.pattern[i], 0)).toBeGreaterThanOrEqual(k.demand)
  for (const p of packed) expect(weightOf(kinds, p.pattern)).toBeLessThanOrEqual(rooms[p.stock] + 1e-6)
  for (const [s, n] of counts.entries()) expect(packed.filter((p) => p.stock === s).length).toBeLessThanOrEqual(n)
}

describe('packing a given choice', () => {
  const rooms = [300, 200]
  const bins = (kinds: Kind[]) =>
    binsOf(
      kinds,
      rooms.map((room, i) => ({ room, price: 10 + i, quantity: null })),
    )
  const solve = (model: string) => tools.solve(model, 2000)
  test('what bin completion finds is a packing, and the exact programme agrees that there is one', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 }), (list, a, b) => {
        const kinds = kindsOf(list)
        if (a + b === 0) return
        const counts = [a, b]
        const quick = packByCompletion(kinds, bins(kinds), counts, { nodes: 4000, breadth: 20, stop: never })
        if (quick) holds(kinds, rooms, counts, quick)
        const exact = packExactly(kinds, bins(kinds), counts, solve, () => null)
        if (quick) expect(exact).not.toBe('impossible')
        if (exact && exact !== 'impossible') holds(kinds, rooms, counts, exact)
        if (exact === 'impossible') expect(quick).toBeNull()
      }),
      { numRuns: 60 },
    )
  })
  test('three pieces of 160 do not go into two bars of 300, however they are turned', () => {
    const kinds = kindsOf([[160, 3]])
    expect(packExactly(kinds, bins(kinds), [2, 0], solve, () => null)).toBe('impossible')
    expect(packByCompletion(kinds, bins(kinds), [2, 0], { nodes: 1000, breadth: 10, stop: never })).toBeNull()
    expect(packByCompletion(kinds, bins(kinds), [3, 0], { nodes: 1000, breadth: 10, stop: never })).toHaveLength(3)
  })
})

describe('long lists in two parts', () => {
  test('60 pieces that fill 30 bars of 100 to the end, 70 + 30 and 50 + 50: found, and known to be the least', () => {
    const kinds = kindsOf([
      [70, 20],
      [50, 20],
      [30, 20],
    ])
    const stock = [{ id: 's', length: 100, price: 7, quantity: null }]
    const bins = binsOf(kinds, [{ price: 7, room: 100, quantity: null }])
    const plan = inTwoParts(
      kinds,
      bins,
      { stock, rooms: [100] },
      {
        incumbent: 31 * 7,
        tools,
        deadline: performance.now() + 5000,
      },
    )
    expect(plan).toMatchObject({ cost: 210, lowerBound: 210, closed: true })
    const cut = kinds.map((_, k) => plan.packed!.reduce((n, p) => n + p.pattern[k]!, 0))
    expect([plan.packed!.length, cut]).toEqual([30, [20, 20, 20]])
    for (const p of plan.packed!) expect(weightOf(kinds, p.pattern)).toBeLessThanOrEqual(100)
  })
  test('what is known to be the least already is not looked for', () => {
    const kinds = kindsOf([[50, 4]])
    const stock = [{ id: 's', length: 100, price: 7, quantity: null }]
    const bins = binsOf(kinds, [{ price: 7, room: 100, quantity: null }])
    const search = { incumbent: 14, tools, deadline: performance.now() + 2000 }
    expect(inTwoParts(kinds, bins, { stock, rooms: [100] }, search)).toMatchObject({ packed: null, cost: 14, closed: true })
  })
})
