import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type BoardsGiven, boardPlan } from './boards'

const given: BoardsGiven = {
  clearMm: 1180,
  lengthMm: 2200,
  boardMm: 95,
  thickMm: 20,
  leastGapMm: 8,
  crossings: 5,
  wallMm: 3,
  screwMm: 5.5,
  densityKgM3: 520,
  wetShare: 0.25,
  sparesPercent: 5,
  minutesPerScrew: 0.8,
}

test('1180 by boards of 95 with 8 between: eleven, gaps of 13.5, 110 screws and 6 spares; 23.9 kg dry, 29.9 wet', () => {
  const p = boardPlan(given)
  expect(p).toMatchObject({ count: 11, gapMm: 13.5, screws: 110, spares: 6, minutes: 88 })
  expect(p.dryKg).toBeCloseTo(11 * 0.095 * 0.02 * 2.2 * 520, 6)
  expect(p.wetKg).toBeCloseTo(p.dryKg * 1.25, 9)
})
test('the boards begin at the datum, end at the far wall, and never overlap', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 3000 }),
      fc.integer({ min: 20, max: 100 }),
      fc.integer({ min: 0, max: 30 }),
      (clearMm, boardMm, leastGapMm) => {
        const p = boardPlan({ ...given, clearMm, boardMm, leastGapMm })
        expect(p.startsMm[0]).toBe(0)
        if (p.count > 1) expect(p.startsMm.at(-1)! + boardMm).toBeCloseTo(clearMm, 6)
        if (p.count > 1) expect(p.gapMm).toBeGreaterThanOrEqual(leastGapMm - 1e-9)
        // and one more would not fit
        expect((p.count + 1) * boardMm + p.count * leastGapMm).toBeGreaterThan(clearMm - 1e-6)
      },
    ),
  )
})
test('a board wider than the deck is refused with the width that fits', () =>
  expect(() => boardPlan({ ...given, clearMm: 80 })).toThrow(/narrower/))
