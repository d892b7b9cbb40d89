import fc from 'fast-check'
import { expect, test } from 'vitest'
import { tradeSize } from '../tradeSize/tradeSize'
import { wallsThatExplain } from './weigh'

const tube = { name: 'tube', outsideMm: 32, wallMm: 2, lengthMm: 10_000, round: true, densityKgM3: 7850 }

test('10 m of 32 × 2 is 14.80 kg; weighed at 18.0 the wall must be 2.48', () => {
  const { computedKg, walls } = wallsThatExplain([tube], 0, 18)
  expect(computedKg).toBeCloseTo(14.797, 2)
  // π/4·(32² − (32 − 2t)²)·10 m·7850 = 18 kg
  const t = walls[0]!.wallMm
  expect((Math.PI / 4) * (32 ** 2 - (32 - 2 * t) ** 2) * 10 * 7850e-6).toBeCloseTo(18, 6)
  expect(t).toBeCloseTo(2.48, 1)
})
test('weighed as computed the wall is the wall, for round and for square', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 100, noNaN: true }),
      fc.double({ min: 0.05, max: 0.45, noNaN: true }),
      fc.boolean(),
      (outsideMm, share, round) => {
        const p = { ...tube, outsideMm, wallMm: outsideMm * share, round }
        const { computedKg } = wallsThatExplain([p], 3, 1)
        expect(wallsThatExplain([p], 3, computedKg).walls[0]!.wallMm).toBeCloseTo(p.wallMm, 6)
      },
    ),
  )
})
test('more than a solid bar could weigh, or less than nothing, is explained by no wall', () => {
  expect(wallsThatExplain([tube], 0, 500).walls).toEqual([])
  expect(wallsThatExplain([tube], 20, 2).walls).toEqual([])
  expect(() => wallsThatExplain([tube], 0, 0)).toThrow(/weighs nothing/)
})

test('pipe of 1 1/4 is 42.2 outside and conduit of 1 1/4 is 38.4: one in place of the other leaves a gap of 3.8', () => {
  expect(tradeSize('pipe', '1 1/4').outsideMm).toBeCloseTo(42.16, 2)
  expect(tradeSize('conduit', '1 1/4″').outsideMm).toBeCloseTo(38.35, 2)
  expect(tradeSize('pipe', '1 1/4').clearMm).toBeCloseTo(35.05, 2)
})
test('14 gauge is another thickness in each metal; a 2 × 4 is 89 by 38', () => {
  expect(tradeSize('steel sheet gauge', '14 ga').wallMm).toBeCloseTo(1.897, 3)
  expect(tradeSize('aluminium gauge', '14').wallMm).toBeCloseTo(1.628, 3)
  expect(tradeSize('stainless gauge', '14').wallMm).toBeCloseTo(1.984, 3)
  expect(tradeSize('timber', '2 × 4')).toMatchObject({
    outsideMm: expect.closeTo(88.9, 6),
    heightMm: expect.closeTo(38.1, 6),
    wallMm: null,
  })
  expect(() => tradeSize('pipe', '5/8')).toThrow(/use 1\/2, 3\/4/)
})
