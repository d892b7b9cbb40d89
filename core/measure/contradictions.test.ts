import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { demoVehicles } from '../vehicle/demoVehicles'
import { fieldRanges } from '../vehicle/fieldRanges'
import { sourcedValue, type Vehicle, vehicleFields } from '../vehicle/vehicle'
import { contradictions } from './contradictions'
import { measuringSheets, rangeOf } from './sheets'

const van = demoVehicles[0]!
const says = (vehicle: Vehicle) =>
  contradictions(vehicle)
    .map((c) => c.says)
    .join('; ')
const tape = (v: number) => sourcedValue(v, 'tape')

test('our own vehicles contradict themselves nowhere, and every figure of theirs is one its field would take', () => {
  for (const vehicle of demoVehicles) {
    expect(contradictions(vehicle)).toEqual([])
    for (const { key } of vehicleFields) {
      const value = vehicle[key].value
      if (value === null) continue
      expect(value).toBeGreaterThanOrEqual(fieldRanges[key].min)
      expect(value).toBeLessThanOrEqual(fieldRanges[key].max)
    }
  }
})

test('a width of −5, a height of nothing and a wheelbase below nothing are named with what they can be', () => {
  expect(says({ ...van, widthMm: tape(-5) })).toContain('Overall width is minus {5}: it lies between {300} and {4000}')
  expect(says({ ...van, heightMm: tape(0) })).toContain('Overall height is {0}')
  expect(says({ ...van, wheelbaseMm: tape(-3660) })).toContain('Wheelbase is minus {3660}')
  const sizes = measuringSheets
    .flatMap((s) => s.quantities)
    .filter((q) => ['outside', 'inside', 'centre to centre', 'above ground'].includes(q.datum))
  for (const q of sizes.filter((s) => s.dimension === 'length')) expect(rangeOf(q).min).toBeGreaterThanOrEqual(0)
})

test('a roof skin 300 mm below its own mounts: the gutter stands at 2560, the skin is said to be at 2260', () => {
  expect(says({ ...van, roofHeightMm: tape(2260) })).toContain('Rain gutter, both sides stands {300} above the roof skin as measured')
  expect(says({ ...van, roofHeightMm: tape(2575) })).toBe('')
})

test('a roof higher than the vehicle, a front edge behind the rear one, a wheelbase longer than the whole', () => {
  expect(says({ ...van, heightMm: tape(2400) })).toContain('Roof skin above ground {2575} is more than overall height {2400}')
  expect(says({ ...van, roofToXMm: tape(-1300) })).toContain('front edge of the roof lies behind its rear edge')
  expect(says({ ...van, lengthMm: tape(3000) })).toContain('Wheelbase {3660} is more than overall length {3000}')
})

test('a mount line that leaves its roof or its body by more than its own tolerance is named', () => {
  const line = van.mounts[0]!
  // the roof ends at 3050; this gutter was taped, ± 2, and 10 for the eye
  expect(says({ ...van, mounts: [{ ...line, toXMm: 3060 }] })).toBe('')
  expect(says({ ...van, mounts: [{ ...line, toXMm: 3200 }] })).toContain('runs {150} past the edge of the roof')
  const canopy = demoVehicles.find((v) => v.id === 'pickup-canopy')!
  const rails = canopy.mounts.find((m) => m.bodyId === 'canopy')!
  expect(says({ ...canopy, mounts: [{ ...rails, fromXMm: -1300 }] })).toContain('runs {200} past the end of the canopy it stands on')
})

test('a roof measured wider than its mounts: bars follow the mounts, and that is said; narrower, the mounts would hang in the air', () => {
  expect(says({ ...van, roofWidthRearMm: tape(2000) })).toBe('')
  // 2400 / 2 − 790 = 410
  expect(says({ ...van, widthMm: tape(2500), roofWidthRearMm: tape(2400) })).toContain(
    '{410} inside the edge of the roof at its rear: bars follow the mounts',
  )
  // 790 − 1400 / 2 = 90
  expect(says({ ...van, roofWidthRearMm: tape(1400) })).toContain('lies {90} outside the edge of the roof at its rear')
})

test('what nobody knows contradicts nothing, and a job says what contradicts itself where its faults stand', () => {
  const job = demoJobs[0]!
  expect(evaluate(job, defaultRules).issues.filter((i) => i.code === 'measures_contradict')).toEqual([])
  const wrong = { ...job, vehicle: { ...job.vehicle, roofHeightMm: tape(1200) } }
  expect(evaluate(wrong, defaultRules).issues.some((i) => i.code === 'measures_contradict' && i.at[0] === 'vehicle')).toBe(true)
})
