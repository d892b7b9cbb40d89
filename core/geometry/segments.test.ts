import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { segmentsApart } from './segments'
import { along, apart, minus, plus, type Vec3 } from './vec3'

const p = (x: number, y: number, z: number): Vec3 => ({ x, y, z })
const place = fc.record({
  x: fc.integer({ min: -500, max: 500 }),
  y: fc.integer({ min: -500, max: 500 }),
  z: fc.integer({ min: -500, max: 500 }),
})

describe('how far two straights pass each other', () => {
  test('crossing, side by side, end to end, and past each other’s ends', () => {
    const level = { from: p(0, 0, 0), to: p(100, 0, 0) }
    expect(segmentsApart(level, { from: p(50, -50, 0), to: p(50, 50, 0) })).toBeCloseTo(0, 9)
    expect(segmentsApart(level, { from: p(50, -50, 30), to: p(50, 50, 30) })).toBeCloseTo(30, 9)
    expect(segmentsApart(level, { from: p(0, 40, 0), to: p(100, 40, 0) })).toBeCloseTo(40, 9)
    expect(segmentsApart(level, { from: p(130, 40, 0), to: p(200, 40, 0) })).toBeCloseTo(50, 9)
    // a straight of no length is a place
    expect(segmentsApart(level, { from: p(50, 70, 0), to: p(50, 70, 0) })).toBeCloseTo(70, 9)
  })
  test('no pair of places on the two is nearer, and the same either way round', () => {
    fc.assert(
      fc.property(place, place, place, place, (a, b, c, d) => {
        const [one, two] = [
          { from: a, to: b },
          { from: c, to: d },
        ]
        const found = segmentsApart(one, two)
        expect(found).toBeCloseTo(segmentsApart(two, one), 6)
        let least = Number.POSITIVE_INFINITY
        for (let i = 0; i <= 40; i++)
          for (let k = 0; k <= 40; k++) least = Math.min(least, apart(along(a, minus(b, a), i / 40), along(c, minus(d, c), k / 40)))
        expect(found).toBeLessThanOrEqual(least + 1e-6)
      }),
      { numRuns: 60 },
    )
  })
  test('carried elsewhere together they are as far apart', () => {
    fc.assert(
      fc.property(place, place, place, place, place, (a, b, c, d, by) => {
        const moved = (q: Vec3) => plus(q, by)
        expect(segmentsApart({ from: moved(a), to: moved(b) }, { from: moved(c), to: moved(d) })).toBeCloseTo(
          segmentsApart({ from: a, to: b }, { from: c, to: d }),
          6,
        )
      }),
    )
  })
})
