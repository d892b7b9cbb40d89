import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { pitchInOpening } from './opening'

describe('things in an opening', () => {
  test('four lamps of 180 in 1020: gaps of 60, middles at 150, 390, 630, 870; five would leave 20', () => {
    expect(pitchInOpening(1020, 180, 4, 20)).toEqual({ gapMm: 60, mostThatFit: 5, middlesMm: [150, 390, 630, 870] })
    expect(pitchInOpening(1020, 180, 5, 20).gapMm).toBe(20)
    expect(() => pitchInOpening(1020, 180, 6, 20)).toThrow(/5 do, and 1 need another place/)
    expect(() => pitchInOpening(100, 180, 1, 0)).toThrow(/not one/)
  })
  test('none leaves the opening as it is', () =>
    expect(pitchInOpening(500, 180, 0, 20)).toEqual({ gapMm: 500, mostThatFit: 2, middlesMm: [] }))
  test('all gaps are alike, wall to wall, and no less than was asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 4000 }),
        fc.integer({ min: 10, max: 300 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 12 }),
        (clear, item, least, n) => {
          const most = Math.floor((clear - least) / (item + least))
          if (n > most) {
            expect(() => pitchInOpening(clear, item, n, least)).toThrow()
            return
          }
          const { gapMm, middlesMm } = pitchInOpening(clear, item, n, least)
          expect(gapMm).toBeGreaterThanOrEqual(least - 1e-9)
          const edges = [0, ...middlesMm.flatMap((m) => [m - item / 2, m + item / 2]), clear]
          for (let i = 0; i < edges.length; i += 2) expect(edges[i + 1]! - edges[i]!).toBeCloseTo(gapMm, 6)
        },
      ),
    )
  })
})
