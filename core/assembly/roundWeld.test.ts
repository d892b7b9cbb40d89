import { expect, test } from 'vitest'
import { filletWeldStress } from '../fasten/filletWeld'
import { roundWeld } from './roundWeld'

/** A ring of many short runs: what a weld round a tube really is. */
const ring = (d: number, n = 720) =>
  Array.from({ length: n }, (_, i) => {
    const [a, b] = [(2 * Math.PI * i) / n, (2 * Math.PI * (i + 1)) / n]
    return { x1: (d / 2) * Math.cos(a), y1: (d / 2) * Math.sin(a), x2: (d / 2) * Math.cos(b), y2: (d / 2) * Math.sin(b) }
  })
const square = (d: number) => {
  const { lengthMm, apartMm } = roundWeld(d)
  const [a, b] = [lengthMm / 2, apartMm / 2]
  return [
    { x1: -a, y1: -b, x2: a, y2: -b },
    { x1: -a, y1: b, x2: a, y2: b },
    { x1: -a, y1: -b, x2: -a, y2: b },
    { x1: a, y1: -b, x2: a, y2: b },
  ]
}
const none = { fx: 0, fy: 0, fz: 0, mx: 0, my: 0, mz: 0 }

test.each([
  ['pushed across', { fx: 1000 }],
  ['pulled along', { fz: 1000 }],
  ['bent', { mx: 50_000 }],
  ['bent the other way', { my: 50_000 }],
  ['twisted', { mz: 50_000 }],
  ['all at once', { fx: 300, fy: -200, fz: 900, mx: 20_000, my: -10_000, mz: 30_000 }],
])('%s, four runs in place of the ring never carry more than the ring does', (_, load) => {
  for (const d of [25, 32, 42.4, 60.3])
    expect(filletWeldStress(square(d), 3, { ...none, ...load }).stressMPa).toBeGreaterThan(
      filletWeldStress(ring(d), 3, { ...none, ...load }).stressMPa,
    )
})
test('and the ring by the handbook: F / (π·d·a) pulled, M / (π·d²·a/4) bent, T / (π·d²·a/2) twisted', () => {
  const [d, leg] = [42.4, 3]
  const throat = leg * Math.SQRT1_2
  const stress = (load: object) => filletWeldStress(ring(d), leg, { ...none, ...load }).stressMPa
  expect(stress({ fz: 1000 })).toBeCloseTo(1000 / (Math.PI * d * throat), 3)
  expect(stress({ mx: 50_000 })).toBeCloseTo(50_000 / ((Math.PI * d ** 2 * throat) / 4), 2)
  expect(stress({ mz: 50_000 })).toBeCloseTo(50_000 / ((Math.PI * d ** 2 * throat) / 2), 2)
})
