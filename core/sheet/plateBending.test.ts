import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { patchOnPlate } from './plateBending'

const plate = { longMm: 1000, shortMm: 1000, thicknessMm: 10, elasticMPa: 210_000, poisson: 0.3 }

describe('a plate held along its four edges', () => {
  // Timoshenko & Woinowsky-Krieger, table 8: evenly pressed, w = α·q·a⁴/D, M = β·q·a²
  test.each([
    [1, 0.00406, 0.0479],
    [1.5, 0.00772, 0.0812],
    [2, 0.01013, 0.1017],
  ])('pressed all over, sides as %s : 1, it sinks by α = %s and bends by β = %s', (ratio, alpha, beta) => {
    const longMm = plate.shortMm * ratio
    const q = 0.01
    const r = patchOnPlate({ ...plate, longMm, patchLongMm: longMm, patchShortMm: 1000, forceN: q * longMm * 1000 })
    const D = (210_000 * 10 ** 3) / (12 * 0.91)
    expect(r.sinksMm / ((q * 1000 ** 4) / D)).toBeCloseTo(alpha, 4)
    expect((r.stressMPa * 100) / 6 / (q * 1e6)).toBeCloseTo(beta, 3)
  })
  test('a force on one place of a square plate: w = 0.0116·P·a²/D (table 23)', () => {
    const r = patchOnPlate({ ...plate, patchLongMm: 2, patchShortMm: 2, forceN: 1000 })
    expect(r.sinksMm / ((1000 * 1e6) / ((210_000 * 1000) / (12 * 0.91)))).toBeCloseTo(0.0116, 4)
  })
  // Roark, 8th ed., table 11.4, case 1b: σ = 3·W/(2π·t²)·[(1 + ν)·ln(2b/(π·r)) + β]; a square of side u is a circle of r = 0.57·u
  test.each([
    [1, 0.435],
    [1.4, 0.789],
    [2, 0.958],
  ])('a fifth of the short side loaded about the middle, sides as %s : 1: Roark’s β = %s', (ratio, beta) => {
    const r = patchOnPlate({ ...plate, longMm: 1000 * ratio, patchLongMm: 200, patchShortMm: 200, forceN: 1000 })
    const roark = ((3 * 1000) / (2 * Math.PI * 100)) * (1.3 * Math.log(2000 / (Math.PI * 0.57 * 200)) + beta)
    expect(r.stressMPa / roark).toBeCloseTo(1, 2)
  })
  test('it does not matter which side is called the long one', () => {
    for (const [longMm, shortMm, u, v] of [
      [800, 300, 50, 300],
      [500, 400, 20, 350],
      [900, 300, 700, 40],
    ] as const) {
      const one = patchOnPlate({ ...plate, longMm, shortMm, patchLongMm: u, patchShortMm: v, forceN: 700 })
      const other = patchOnPlate({ ...plate, longMm: shortMm, shortMm: longMm, patchLongMm: v, patchShortMm: u, forceN: 700 })
      expect(other.stressMPa).toBeCloseTo(one.stressMPa, 9)
      expect(other.sinksMm).toBeCloseTo(one.sinksMm, 12)
    }
  })
  test('the same force on a smaller patch never bends it less, a thicker or a shorter plate never more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.9, noNaN: true }), fc.double({ min: 0.3, max: 1, noNaN: true }), (share, shape) => {
        const of = (over: object) =>
          patchOnPlate({
            ...plate,
            shortMm: 1000 * shape,
            patchLongMm: 1000 * share,
            patchShortMm: 1000 * shape * share,
            forceN: 500,
            ...over,
          })
        expect(of({ patchLongMm: 900 * share }).stressMPa).toBeGreaterThanOrEqual(of({}).stressMPa * 0.999)
        expect(of({ thicknessMm: 12 }).stressMPa).toBeLessThan(of({}).stressMPa)
        expect(of({}).stressMPa).toBeGreaterThan(0)
      }),
      { numRuns: 30, seed: 3 },
    )
  })
})
