import { expect, test } from 'vitest'
import type { Point } from '../geometry/vec3'
import { defaultRules } from '../rules/rules'
import { flatPattern } from './flatPattern'
import { allowanceFigure, deductionFigure } from './foldFigures'
import { stepBracket } from './stepBracket'

test('L of 50 and 30 outside, 2 mm, r 3, K 0.42, 90°: BA 6.03, OSSB 5, blank 76.03, line at 48.02', () => {
  // BA = (3 + 0.84)·π/2 = 6.032; blank = 50 + 30 − (10 − 6.032) = 76.032; line = 45 + 3.016
  const flat = flatPattern({ thickness: 2, insideRadius: 3, kFactor: 0.42, flanges: [50, 30], bends: [{ angle: 90 }] })
  expect(flat.flatLength).toBeCloseTo(76.032, 3)
  expect(flat.bendLines[0]).toBeCloseTo(48.016, 3)
})

test('a fold opens its working: 6.03 of sheet used, 3.97 off the two outside lengths, as the blank is laid out', () => {
  const fold = {
    line: [
      { x: 0, y: 0 },
      { x: 0, y: 1 },
    ] as [Point, Point],
    angleDeg: 90,
    side: 'up' as const,
    insideRadiusMm: 3,
  }
  const [uses, off] = [
    allowanceFigure(fold, { materialId: 'steel', thicknessMm: 2 }, defaultRules),
    deductionFigure(fold, { materialId: 'steel', thicknessMm: 2 }, defaultRules),
  ]
  expect([uses.value!, off.value!].map((v) => Math.round(v * 1000) / 1000)).toEqual([6.032, 3.968])
  const flat = flatPattern({ thickness: 2, insideRadius: 3, kFactor: defaultRules.kFactor, flanges: [50, 30], bends: [{ angle: 90 }] })
  expect(80 - off.value!).toBeCloseTo(flat.flatLength, 9)
  expect(uses.with.map((i) => i.symbol)).toEqual(['r', 't', 'A', 'K'])
})

test('no bend at all leaves the strip as long as it was', () =>
  expect(flatPattern({ thickness: 2, insideRadius: 3, kFactor: 0.42, flanges: [80], bends: [] }).flatLength).toBe(80))

test('the middle line of the folded strip is as long as the blank when K = 0.5', () => {
  // straight parts 30 + 40 + 20, arcs (r + t/2)·π/2 each
  const [t, r] = [3, 5]
  const setback = r + t
  const flat = flatPattern({
    thickness: t,
    insideRadius: r,
    kFactor: 0.5,
    flanges: [30 + setback, 40 + 2 * setback, 20 + setback],
    bends: [{ angle: 90 }, { angle: 90 }],
  })
  expect(flat.flatLength).toBeCloseTo(90 + 2 * (r + t / 2) * (Math.PI / 2), 9)
})

test('a clear step of 35 in 5 mm with 40 of rise folds 45° twice, once each way, with a web of 56.6 and 5·tan 22.5° = 2.1 outside', () => {
  const bracket = stepBracket({ stepMm: 35, riseMm: 40, thicknessMm: 5, footPadMm: 60, barPadMm: 60, kFactor: 0.42, insideRadiusMm: 7.5 })
  expect(bracket.bends.map((b) => [Math.round(b.angleDeg), b.side])).toEqual([
    [45, 'up'],
    [45, 'down'],
  ])
  expect(bracket.flangesMm[1]).toBeCloseTo(56.57 + 2.07, 2)
  expect(bracket.flatLengthMm).toBeLessThan(60 + 58.64 + 60)
})
