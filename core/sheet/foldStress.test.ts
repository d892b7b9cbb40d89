import { expect, test } from 'vitest'
import { foldStressMPa } from './foldStress'
import { foldStressCalculator } from './foldStress.calculator'

test('320 N at 45 from the fold of 60 × 4: 14400 N·mm over W = 60·4²/6 = 160 mm³ is 90 MPa', () => {
  const f = { forceN: 320, armMm: 45, momentNmm: 0, wideMm: 60, thicknessMm: 4 }
  expect(foldStressMPa(f)).toBeCloseTo(90, 9)
  // the same turning by a couple instead
  expect(foldStressMPa({ ...f, forceN: 0, momentNmm: 14_400 })).toBeCloseTo(90, 9)
  // two such brackets side by side share alike; a double thickness carries four times as much
  expect(foldStressMPa({ ...f, wideMm: 120 })).toBeCloseTo(45, 9)
  expect(foldStressMPa({ ...f, thicknessMm: 8 })).toBeCloseTo(22.5, 9)
})
test('the thickness that it names is just enough', () => {
  const given = { forceN: 700, armMm: 60, momentNmm: 5000, wideMm: 50, thicknessMm: 3, allowedMPa: 141 }
  const { leastThicknessMm } = foldStressCalculator.run(given, undefined as never) as { leastThicknessMm: number }
  expect(foldStressMPa({ ...given, thicknessMm: leastThicknessMm })).toBeCloseTo(141, 6)
})
