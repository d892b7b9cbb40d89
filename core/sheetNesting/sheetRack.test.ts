import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Plate } from '../assembly/assembly'
import { defaultRules } from '../rules/rules'
import type { SheetOffcut, Stock } from '../stock/stock'
import { laidParts, planSheets, type SheetGroup, sheetOf } from './sheetPlan'
import { begunFor, begunUsed, leftOvers, rackAfterSheets } from './sheetRack'

const rules = { ...defaultRules, sheetGapMm: 6, sheetEdgeMm: 10, sheetKeepMm: 150 }
const part = (lengthMm: number, widthMm: number, id = `${lengthMm}×${widthMm}`): Plate => ({
  ...{ id, mark: id, name: id, materialId: 'al5052h32', thicknessMm: 2, holes: [], bends: [], goodFace: 'either', air: 'sheltered' },
  pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  outline: [
    { x: 0, y: 0 },
    { x: lengthMm, y: 0 },
    { x: lengthMm, y: widthMm },
    { x: 0, y: widthMm },
  ],
})
const begun = (over: Partial<SheetOffcut> = {}): SheetOffcut => ({
  ...{
    id: 'sheet-1',
    materialId: 'al5052h32',
    thicknessMm: 2,
    lengthMm: 900,
    widthMm: 500,
    quantity: 1,
    grade: 'clean',
    place: 'wall',
    note: '',
  },
  ...over,
})
const planned = (plates: Plate[], sheets: SheetOffcut[]): SheetGroup =>
  planSheets({ ...emptyAssembly, plates }, { rules, system: 'metric', begun: sheets }, () => performance.now())[0]!
const rack = (sheets: SheetOffcut[]): Stock => ({ sale: [], remnants: [], sheets })
const sheetsOf = (g: SheetGroup) => g.nest.sheets.map((s) => sheetOf(g, s.sheetId))

describe('begun sheets', () => {
  test('800 × 400 goes on the begun 900 × 500, and no sheet is bought', () => {
    const g = planned([part(800, 400)], [begun()])
    expect([sheetsOf(g)[0]!.offcut?.id, g.priceMinor, begunUsed([g])]).toEqual(['sheet-1', 0, 1])
  })
  test('what fits with it on no sheet of 2000 × 1000 leaves only that to buy, not one of 3000 × 1500', () => {
    const g = planned([part(800, 400), part(1900, 900)], [begun()])
    expect(sheetsOf(g).map((s) => s.offcut?.id ?? s.id)).toEqual(['sheet-1', '2000'])
  })
  test.each([
    ['another metal', { materialId: 'steel' }],
    ['another thickness', { thicknessMm: 2.5 }],
    ['an alloy that nobody knows', { grade: 'unknown alloy' as const }],
    ['none left of it', { quantity: 0 }],
    ['too small by its edges', { lengthMm: 815, widthMm: 500 }],
  ])('%s is not taken', (_, over) => expect(begunUsed([planned([part(800, 400)], [begun(over)])])).toBe(0))
  test('a pitted one costs what it takes to dress it, as a pitted bar does', () =>
    expect(planned([part(800, 400)], [begun({ grade: 'pitted' })]).priceMinor).toBe(Math.round(rules.dressPittedEach * 100)))
  test('two of a size are two, and the third part needs a sheet', () => {
    const g = planned(
      [part(1500, 900, 'a'), part(1500, 900, 'b'), part(1500, 900, 'c')],
      [begun({ lengthMm: 1600, widthMm: 950, quantity: 2 })],
    )
    expect(sheetsOf(g).filter((s) => s.offcut).length).toBe(2)
    expect([g.nest.unplaced, g.nest.sheets.length]).toEqual([[], 3])
  })
  test('a job that shall use no offcuts uses none', () =>
    expect(begunFor({ cut: { useRemnants: false } }, { sheets: [begun()] })).toEqual([]))
})

describe('what is left', () => {
  test('of 2000 × 1000 after one of 800 × 400 in its corner: 1184 by 1000 beside it, its edge and gap taken off', () => {
    const g = planned([part(800, 400)], [])
    const [left] = leftOvers(g, rules)
    // 10 edge + 800 + 6 gap
    expect([left!.lengthMm, left!.widthMm]).toEqual([1184, 1000])
    const after = rackAfterSheets(rack([]), [g], 'Panel', rules)
    expect(after.sheets).toMatchObject([
      { id: 'sheet-1', lengthMm: 1184, widthMm: 1000, thicknessMm: 2, quantity: 1, note: 'left from Panel' },
    ])
  })
  test('a begun sheet is gone and what is left of it stands where it stood; one of two stays', () => {
    const all = [begun({ quantity: 2, place: 'wall, left', grade: 'coated' })]
    const after = rackAfterSheets(rack(all), [planned([part(500, 400)], all)], 'Panel', rules)
    expect(after.sheets.map((s) => [s.id, s.quantity, s.lengthMm, s.widthMm, s.place, s.grade])).toEqual([
      ['sheet-1', 1, 900, 500, 'wall, left', 'coated'],
      ['sheet-2', 1, 500, 384, 'wall, left', 'coated'],
    ])
  })
  test('a strip narrower than the shop keeps is not put on the rack', () =>
    expect(leftOvers(planned([part(1900, 860)], []), rules)).toEqual([]))
  test('it never covers a part or comes nearer to one than the gap, and no larger place is clear: seen by trying points', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 80, max: 600 }), fc.integer({ min: 80, max: 400 })), { minLength: 1, maxLength: 7 }),
        (sizes) => {
          const g = planned(
            sizes.map(([a, b], i) => part(a, b, `p${i}`)),
            [],
          )
          const laid = laidParts(g)
          for (const [i, s] of g.nest.sheets.entries()) {
            const { width, height } = sheetOf(g, s.sheetId)
            const boxes = laid
              .filter((l) => l.sheet === i)
              .map((l) => l.plate.outline.map(l.on))
              .map(
                (q) =>
                  [
                    Math.min(...q.map((p) => p.x)),
                    Math.max(...q.map((p) => p.x)),
                    Math.min(...q.map((p) => p.y)),
                    Math.max(...q.map((p) => p.y)),
                  ] as const,
              )
            const left = leftOvers(g, { ...rules, sheetKeepMm: 1 }).find((l) => l.sheet === i)
            const clear = (x: number, y: number, w: number, h: number) =>
              x >= -1e-6 &&
              y >= -1e-6 &&
              x + w <= width + 1e-6 &&
              y + h <= height + 1e-6 &&
              boxes.every(([l, r, b, t]) => x >= r + 6 - 1e-6 || x + w <= l - 6 + 1e-6 || y >= t + 6 - 1e-6 || y + h <= b - 6 + 1e-6)
            if (left) expect(clear(left.x, left.y, left.lengthMm, left.widthMm)).toBe(true)
            const most = left ? left.lengthMm * left.widthMm : 0
            // rectangles grown from points of a grid, up and to the right
            for (let x = 0; x < width; x += 97)
              for (let y = 0; y < height; y += 89) {
                let w = 0
                while (clear(x, y, w + 50, 1)) w += 50
                let h = 0
                while (w && clear(x, y, w, h + 50)) h += 50
                expect(w * h).toBeLessThanOrEqual(most + 1)
              }
          }
        },
      ),
      { numRuns: 12 },
    ))
})
