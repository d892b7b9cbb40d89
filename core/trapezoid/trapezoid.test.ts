import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Impossible } from '../issue/impossible'
import { oneDegree, sawSettings, solveTrapezoid } from './trapezoid'

const open = { baseMm: null, topMm: null, heightMm: null, legMm: null, leanDeg: null }

describe('a guard whose posts lean with the cab', () => {
  test('by hand: base 1500, top 1400, 600 high: each leg comes in 50, is √(50² + 600²) = 602.08 long and leans 4.76°', () => {
    const t = solveTrapezoid({ ...open, baseMm: 1500, topMm: 1400, heightMm: 600 })
    expect(t.legMm).toBeCloseTo(602.08, 2)
    expect(t.leanDeg).toBeCloseTo(4.764, 3)
  })
  test('3-4-5: leg 500 on a height of 400 comes in 300 each side: base 1000 leaves a top of 400', () =>
    expect(solveTrapezoid({ ...open, baseMm: 1000, heightMm: 400, legMm: 500 }).topMm).toBeCloseTo(400, 9))
  test('any three of the five of one trapezoid give the other two back', () => {
    const keys = ['baseMm', 'topMm', 'heightMm', 'legMm', 'leanDeg'] as const
    const threes = keys.flatMap((a, i) => keys.slice(i + 1).flatMap((b, j) => keys.slice(i + j + 2).map((c) => [a, b, c] as const)))
    fc.assert(
      fc.property(fc.double({ min: 2, max: 40, noNaN: true }), fc.double({ min: 200, max: 900, noNaN: true }), (lean, height) => {
        const inset = height * Math.tan((lean * Math.PI) / 180)
        const whole = { baseMm: 2000, topMm: 2000 - 2 * inset, heightMm: height, legMm: Math.hypot(height, inset), leanDeg: lean }
        for (const three of threes) {
          if (three.join() === 'heightMm,legMm,leanDeg') continue
          const given = { ...open, ...Object.fromEntries(three.map((k) => [k, whole[k]])) }
          const t = solveTrapezoid(given)
          for (const k of keys) expect(t[k]).toBeCloseTo(whole[k], 4)
        }
      }),
    )
  })
  test.each([
    ['two are given', { baseMm: 1000, topMm: 900 }, /2 are given/],
    ['a leg shorter than it leans over', { baseMm: 1000, topMm: 200, legMm: 390 }, /shorter than it leans over/],
    ['a leg lower than its height', { baseMm: 1000, heightMm: 500, legMm: 480 }, /shorter than the height/],
    ['legs that cross', { baseMm: 300, heightMm: 600, leanDeg: 40 }, /cross below the top/],
    ['a lean that says nothing', { baseMm: 1000, topMm: 1000, leanDeg: 5 }, /stays open/],
  ])('%s: refused with what to change', (_, given, says) => {
    expect(() => solveTrapezoid({ ...open, ...given })).toThrow(Impossible)
    expect(() => solveTrapezoid({ ...open, ...given })).toThrow(says)
  })
})

describe('how the saw is set', () => {
  test('upright legs under a level bar are cut square; the bar is mitred at 45°', () => {
    const [leg, top] = sawSettings(solveTrapezoid({ ...open, baseMm: 1000, topMm: 1000, heightMm: 600 }), 40)
    expect([leg!.cuts, leg!.offSquareDeg, leg!.longMm]).toEqual(['square', 0, 600])
    expect([top!.offSquareDeg, top!.longMm, top!.shortMm]).toEqual([45, 1000, expect.closeTo(920, 6)])
  })
  test('legs that lean 10° inward are cut 10° off square and parallel, the bar (90 − 10)/2 = 40°: the two cuts meet in one line', () => {
    const [leg, top] = sawSettings(solveTrapezoid({ ...open, baseMm: 1400, heightMm: 600, leanDeg: 10 }), 50)
    expect([leg!.cuts, leg!.offSquareDeg, top!.cuts, top!.offSquareDeg]).toEqual([
      'parallel',
      expect.closeTo(10, 9),
      'opposed',
      expect.closeTo(40, 9),
    ])
    // between bar and leaning leg there are 100°; twice what is left of a mitre is just that
    expect(2 * (90 - top!.offSquareDeg)).toBeCloseTo(100, 9)
  })
  test('one degree more at a leg of 600: each side comes in by 10.5 upright, and nothing sinks', () => {
    const d = oneDegree({ baseMm: 1000, topMm: 1000, heightMm: 600, legMm: 600, leanDeg: 0 })
    expect(d.topInMm).toBeCloseTo(10.47, 2)
    expect(d.sinksMm).toBe(0)
  })
})
