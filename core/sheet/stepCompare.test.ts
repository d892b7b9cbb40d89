import { expect, test } from 'vitest'
import { type StepGiven, stepWay } from './stepCompare'
import { stepCompareCalculator } from './stepCompare.calculator'

const given: StepGiven = {
  stepMm: 60,
  padMm: 70,
  holdMm: 60,
  armMm: 30,
  wideMm: 60,
  thicknessMm: 4,
  insideRadiusMm: 6,
  kFactor: 0.4,
  forceN: 100,
}

test('by hand: square, 100 N at 30 bend both folds by 3 N·m, 18.75 MPa on 60 × 4; folded by 45° the load stands 60 farther out and the lower fold takes 9', () => {
  const [square, slanted] = [stepWay(given, 90, 1), stepWay(given, 45, 1)]
  expect([square.reachMm, square.lowerNmm, square.upperNmm, square.stressMPa]).toEqual(
    [30, 3000, 3000, 18.75].map((v) => expect.closeTo(v, 6)),
  )
  expect([slanted.reachMm, slanted.lowerNmm, slanted.upperNmm, slanted.stressMPa]).toEqual(
    [90, 9000, 3000, 56.25].map((v) => expect.closeTo(v, 6)),
  )
})
test('thrown by twice its weight it is bent twice as much; the blank is the same', () => {
  const [still, thrown] = [stepWay(given, 60, 1), stepWay(given, 60, 2)]
  expect(thrown.stressMPa / still.stressMPa).toBeCloseTo(2, 9)
  expect(thrown.blankMm).toBe(still.blankMm)
})
test('blank by hand, square: 70 + 64 + 60 outside, less twice 2·10 and the arc 7.6·π/2 back', () =>
  expect(stepWay(given, 90, 1).blankMm).toBeCloseTo(194 - 2 * (20 - 7.6 * (Math.PI / 2)), 6))
test('as a calculator: three times the stress for the slanted one', () => {
  const { run } = stepCompareCalculator
  const out = run({ ...given, webDeg: 45, thrownG: 2 }, undefined as never) as { more: number; slantedThrown: { stressMPa: number } }
  expect(out.more).toBeCloseTo(3, 9)
  expect(out.slantedThrown.stressMPa).toBeCloseTo(112.5, 6)
})
