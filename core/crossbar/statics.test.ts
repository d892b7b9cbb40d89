import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CrossbarStaticsInput, crossbarStatics, crossbarStaticsExample } from './statics'

const bar = {
  lengthMm: 1500,
  supportsMm: [200, 1300] as [number, number],
  pointLoads: [],
  patchLoads: [],
  elasticMPa: 210_000,
  secondMomentMm4: 21_300,
  sectionModulusMm3: 1331,
}

test('50 kg spread over an 1100 mm span: R 245.2, M = F·L/8 = 67 416 N·mm, sag = 5FL³/384EI = 1.9 mm', () => {
  const r = crossbarStatics(CrossbarStaticsInput.parse(crossbarStaticsExample))
  expect(r.reactionsN[0]).toBeCloseTo(245.15, 6)
  expect(r.maxMomentNmm).toBeCloseTo((490.3 * 1100) / 8, 6)
  expect(r.maxSagMm).toBeCloseTo((5 * 490.3 * 1100 ** 3) / (384 * 210_000 * 21_300), 6)
})

test('a point load in mid-span: M = F·L/4, sag = F·L³/48EI (Roark table 8.1, 1e)', () => {
  const r = crossbarStatics({ ...bar, pointLoads: [{ atMm: 750, forceN: 980.665 }] })
  expect(r.maxMomentNmm).toBeCloseTo((980.665 * 1100) / 4, 6)
  expect(r.maxSagMm).toBeCloseTo((980.665 * 1100 ** 3) / (48 * 210_000 * 21_300), 6)
})

test('a load on a free end lifts the far foot: 300 N, 200 past the foot: R = 354.5 and −54.5 N; tip sag F·c²(L + c)/3EI', () => {
  const r = crossbarStatics({ ...bar, pointLoads: [{ atMm: 0, forceN: 300 }] })
  expect(r.reactionsN[0]).toBeCloseTo(300 * (1300 / 1100), 6)
  expect(r.reactionsN[1]).toBeCloseTo(-300 * (200 / 1100), 6)
  expect(r.maxMomentNmm).toBeCloseTo(-300 * 200, 6)
  expect(r.maxSagMm).toBeCloseTo((300 * 200 ** 2 * (1100 + 200)) / (3 * 210_000 * 21_300), 6)
})

test('a load outside the bar is refused by name', () => {
  const bad = CrossbarStaticsInput.safeParse({ ...bar, pointLoads: [{ atMm: 2000, forceN: 1 }] })
  expect(bad.error?.issues[0].path).toEqual(['pointLoads', 0, 'atMm'])
})

test('forces and moments balance for any loads, and twice the load is twice the sag', () => {
  const loads = fc.array(fc.record({ atMm: fc.integer({ min: 0, max: 1500 }), forceN: fc.integer({ min: -500, max: 2000 }) }), {
    minLength: 1,
    maxLength: 6,
  })
  fc.assert(
    fc.property(loads, fc.integer({ min: 0, max: 700 }), fc.integer({ min: 10, max: 800 }), (pointLoads, from, width) => {
      const patchLoads = [{ fromMm: from, toMm: from + width, forceN: 400 }]
      const one = crossbarStatics({ ...bar, pointLoads, patchLoads })
      const total = pointLoads.reduce((s, p) => s + p.forceN, 400)
      expect(one.reactionsN[0] + one.reactionsN[1]).toBeCloseTo(total, 6)
      const aboutEnd = pointLoads.reduce((s, p) => s + p.forceN * p.atMm, 400 * (from + width / 2))
      expect(one.reactionsN[0] * 200 + one.reactionsN[1] * 1300).toBeCloseTo(aboutEnd, 3)
      const two = crossbarStatics({
        ...bar,
        pointLoads: pointLoads.map((p) => ({ ...p, forceN: 2 * p.forceN })),
        patchLoads: [{ ...patchLoads[0], forceN: 800 }],
      })
      expect(two.maxSagMm).toBeCloseTo(2 * one.maxSagMm, 6)
    }),
  )
})
