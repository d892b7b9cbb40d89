import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Cargo } from '../brief/cargo'
import { nearestMountX, newMountLine } from '../vehicle/vehicle'
import { equalPositions, largestCount, layoutRatio, planBars, supportOf } from './spacing'

const poles = {
  id: 'p',
  name: 'Poles',
  xMm: 1000,
  yMm: 0,
  lengthMm: 3400,
  widthMm: 200,
  heightMm: 90,
  maxOverhangMm: 600,
  maxSpanMm: 1200,
  centreForwardMm: 0,
  centreLeftMm: 0,
} as Cargo
const line = newMountLine({
  id: 't',
  name: 'Track',
  kind: 'track',
  fromXMm: -800,
  toXMm: 2600,
  halfWidthRearMm: 700,
  halfWidthFrontMm: 700,
  zMm: 2300,
})

test('four bars from 100 to 1900 stand at 100, 700, 1300, 1900', () => expect(equalPositions(100, 1900, 4)).toEqual([100, 700, 1300, 1900]))
test('2400 mm holds five bars at no less than 600, and four at 601', () => {
  expect(largestCount(0, 2400, 600)).toBe(5)
  expect(largestCount(0, 2400, 601)).toBe(4)
  expect(largestCount(0, 2400, 0)).toBe(0)
})

test('3.4 m poles on bars at 0 and 2000 reach 700 past each; a 600 rule needs 2200 of support', () => {
  const s = supportOf(poles, [0, 2000])
  expect([s.rearOverhangMm, s.frontOverhangMm, s.greatestSpanMm, s.shortestSupportMm]).toEqual([700, 700, 2000, 2200])
})

test('poles with 600 overhang and 1200 span need three bars 1100 apart at least: planned as three, even', () => {
  const [plan] = planBars(line, [poles], { least: 2, most: 6 }, 80).filter((p) => p.meetsRules)
  expect(plan.barXMm).toHaveLength(3)
  expect(plan.ratio).toBeLessThanOrEqual(1)
})

test('with only two fixed points too near each other no plan meets the rules, and the best is still shown', () => {
  const plans = planBars({ ...line, pointsXMm: [500, 1500] }, [poles], { least: 2, most: 4 }, 80)
  expect(plans).toEqual([{ barXMm: [500, 1500], ratio: 1200 / 600, meetsRules: false }])
})

test('an item whose centre of mass is outside its bars is never a plan', () =>
  expect(layoutRatio([1500, 2400], [poles])).toBe(Number.POSITIVE_INFINITY))

test('count and pitch agree: the counted marks keep the pitch and one more would not', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 10, max: 900 }), (length, pitch) => {
      const n = largestCount(0, length, pitch)
      if (n > 1) expect(length / (n - 1)).toBeGreaterThanOrEqual(pitch - 1e-6)
      expect(length / n).toBeLessThan(pitch)
    }),
  )
})

test('a foot keeps off a stretch: wished at 1000 in a keep-out of 900 to 1200 it stands at 900; a point inside is not offered', () => {
  const out = { ...line, keepOuts: [{ fromXMm: 900, toXMm: 1200 }] }
  expect([nearestMountX(out, 1000), nearestMountX(out, 1150), nearestMountX(out, 500), nearestMountX(out, 9999)]).toEqual([
    900, 1200, 500, 2600,
  ])
  expect(nearestMountX({ ...out, pointsXMm: [1000, 1500] }, 1000)).toBe(1500)
  expect(nearestMountX({ ...line, keepOuts: [{ fromXMm: -900, toXMm: 2700 }] }, 400)).toBe(400)
  for (const plan of planBars(out, [poles], { least: 2, most: 5 }, 80)) for (const x of plan.barXMm) expect(x > 900 && x < 1200).toBe(false)
})
