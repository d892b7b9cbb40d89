import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { seeded } from '../nesting/seeded'
import { nestSheets } from './nestSheets'
import { boxOfPart, type SheetNesting, SheetNestingInput } from './sheetNesting'

const now = { now: () => performance.now() }
const nest = (given: Partial<SheetNestingInput>) =>
  nestSheets(
    SheetNestingInput.parse({
      sheets: [{ id: 'S', width: 2000, height: 1000, quantity: null }],
      parts: [],
      gap: 0,
      edge: 0,
      timeLimitMs: 400,
      ...given,
    }),
    now,
  )
const part = (id: string, width: number, height: number, quantity = 1, mayRotate = true) => ({ id, width, height, quantity, mayRotate })

/** Every part within its sheet and clear of every other, worked out anew from what was answered. */
function sound(input: SheetNestingInput, out: SheetNesting): void {
  const size = new Map(input.parts.map((p) => [p.id, boxOfPart(p)]))
  for (const s of out.sheets) {
    const sheet = input.sheets.find((x) => x.id === s.sheetId)!
    const boxes = s.placements.map((p) => {
      const { width, height } = size.get(p.partId)!
      expect(p.rotated && !input.parts.find((x) => x.id === p.partId)!.mayRotate).toBe(false)
      const [w, h] = p.rotated ? [height, width] : [width, height]
      return { x0: p.x, y0: p.y, x1: p.x + w, y1: p.y + h }
    })
    for (const [i, a] of boxes.entries()) {
      expect(Math.min(a.x0, a.y0, sheet.width - a.x1, sheet.height - a.y1)).toBeGreaterThan(input.edge - 1e-4)
      for (const b of boxes.slice(i + 1))
        expect(Math.max(b.x0 - a.x1, a.x0 - b.x1, b.y0 - a.y1, a.y0 - b.y1)).toBeGreaterThan(input.gap - 1e-4)
    }
  }
  for (const p of input.parts) {
    const placed = out.sheets.flatMap((s) => s.placements).filter((x) => x.partId === p.id).length
    const short = out.unplaced.filter((u) => u.partId === p.id).reduce((s, u) => s + u.quantity, 0)
    expect([p.id, placed + short]).toEqual([p.id, p.quantity])
  }
}

describe('parts on sheets', () => {
  test('eight of 500 × 500 fill a sheet of 2000 × 1000; nine need a second; with a gap or an edge three go on each', () => {
    expect(nest({ parts: [part('a', 500, 500, 8)] })).toMatchObject({ cost: 2, utilisation: 1, unplaced: [] })
    expect(nest({ parts: [part('a', 500, 500, 9)] }).sheets).toHaveLength(2)
    expect(nest({ parts: [part('a', 500, 500, 8)], gap: 1 }).sheets).toHaveLength(3)
    expect(nest({ parts: [part('a', 500, 500, 8)], edge: 1 }).sheets).toHaveLength(3)
    // seven gaps of nothing at the outer edge: parts of 495 with 6.6 between fit four along
    expect(nest({ parts: [part('a', 495, 495, 8)], gap: 6.6 }).sheets).toHaveLength(1)
  })
  test('the grain keeps a part from turning: 900 × 1500 lies across a sheet of 2000 × 1000 only if it may', () => {
    expect(nest({ parts: [part('a', 900, 1500)] }).sheets[0]!.placements[0]!.rotated).toBe(true)
    const kept = nest({ parts: [part('a', 900, 1500, 1, false)] })
    expect([kept.sheets, kept.unplaced[0]!.reason]).toEqual([[], expect.stringMatching(/900 × 1500 mm is larger .* 2000 × 1000 mm/)])
  })
  test('the cheaper of two sheets that both take it; a dear large one where two small ones cost more; none left is said', () => {
    const sheets = [
      { id: 'small', width: 1000, height: 500, price: 30, quantity: null },
      { id: 'large', width: 2000, height: 1000, price: 90, quantity: 1 },
    ]
    expect(nest({ sheets, parts: [part('a', 900, 400)] })).toMatchObject({ cost: 30, sheets: [{ sheetId: 'small' }] })
    // four of them: four small ones cost 120, one large 90
    expect(nest({ sheets, parts: [part('a', 980, 490, 4)] }).cost).toBe(90)
    const two = nest({ sheets: sheets.slice(1), parts: [part('a', 1900, 900, 2)] })
    expect(two.unplaced).toEqual([{ partId: 'a', quantity: 1, reason: expect.stringMatching(/used up/) }])
  })
  test('an outline counts by its own area and lies by its box', () => {
    const out = nest({
      parts: [
        {
          id: 't',
          outline: [
            [0, 0],
            [400, 0],
            [0, 300],
          ],
          quantity: 1,
          mayRotate: true,
        },
      ],
    })
    expect(out.utilisation).toBeCloseTo(60_000 / 2e6, 9)
  })
  test('a sheet cut at random into thirty rectangles is filled to 92 % and more again', () => {
    for (const seed of [1, 2, 3]) {
      const random = seeded(seed)
      let rects = [{ width: 2500, height: 1250 }]
      while (rects.length < 30) {
        rects = rects.sort((a, b) => b.width * b.height - a.width * a.height)
        const [r, ...rest] = rects as [{ width: number; height: number }, ...typeof rects]
        const at = Math.round((0.3 + 0.4 * random()) * Math.max(r.width, r.height))
        rects =
          r.width > r.height
            ? [...rest, { width: at, height: r.height }, { width: r.width - at, height: r.height }]
            : [...rest, { width: r.width, height: at }, { width: r.width, height: r.height - at }]
      }
      const out = nest({
        sheets: [{ id: 'S', width: 2500, height: 1250, quantity: 1 }],
        parts: rects.map((r, i) => part(`r${i}`, r.width, r.height)),
        timeLimitMs: 2000,
      })
      expect(out.utilisation).toBeGreaterThan(0.92)
    }
  })
  test('whatever is asked: nothing lies on anything else or outside, and every part is placed or named', () => {
    const parts = fc.array(
      fc.record({
        width: fc.integer({ min: 20, max: 1400 }),
        height: fc.integer({ min: 20, max: 1400 }),
        quantity: fc.integer({ min: 0, max: 4 }),
        mayRotate: fc.boolean(),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(parts, fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 40 }), (list, gap, edge) => {
        const input = SheetNestingInput.parse({
          sheets: [
            { id: 'S', width: 2000, height: 1000, price: 10, quantity: 2 },
            { id: 'L', width: 2500, height: 1250, price: 17, quantity: null },
          ],
          parts: list.map((p, i) => ({ id: `p${i}`, ...p })),
          gap,
          edge,
          timeLimitMs: 30,
        })
        sound(input, nestSheets(input, now))
      }),
      { numRuns: 40, seed: 9 },
    )
  })
  test('what makes no sense is refused by the name of its field', () => {
    const faults = (over: object) =>
      SheetNestingInput.safeParse({
        sheets: [{ id: 'S', width: 10, height: 10, quantity: 1 }],
        parts: [],
        gap: 0,
        edge: 0,
        ...over,
      }).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`) ?? []
    expect(faults({ parts: [{ id: 'a', quantity: 1 }] }).join()).toMatch(/width: give width and height, or an outline/)
    expect(faults({ parts: [part('a', 0, 5)] }).join()).toMatch(/width: must be more than 0/)
    expect(faults({ parts: [part('a', 5, 5), part('a', 6, 6)] }).join()).toMatch(/used twice/)
    expect(faults({ parts: [part('a', 5, 5, 1500), part('b', 6, 6, 900)] }).join()).toMatch(/2400 pieces are too many/)
    expect(faults({ sheets: [] }).join()).toMatch(/at least one sheet/)
  })
})
