import fc from 'fast-check'
import { expect, test } from 'vitest'
import { sectionOf, shapeFault } from './section'

test('round tube 32 × 2: A = π/4·(32² − 28²) = 188.5 mm², I = π/64·(32⁴ − 28⁴) = 21 300 mm⁴', () => {
  const s = sectionOf({ kind: 'round', outsideDiameterMm: 32, wallMm: 2 })
  expect(s.areaMm2).toBeCloseTo(188.496, 2)
  expect(s.iyMm4).toBeCloseTo(21_300, -1)
  expect(s.wyMm3).toBeCloseTo(s.iyMm4 / 16, 6)
})

test('cold-formed square 40 × 40 × 3, outside radius 6, against the table of EN 10219-2: A 4.21 cm², I 9.32 cm⁴', () => {
  const s = sectionOf({ kind: 'rectangular', heightMm: 40, widthMm: 40, wallMm: 3, outsideRadiusMm: 6 })
  expect(s.areaMm2 / 100).toBeCloseTo(4.21, 1)
  expect(s.iyMm4 / 1e4).toBeCloseTo(9.32, 1)
  expect(s.torsionMm4 / 1e4).toBeGreaterThan(14.5) // table: 15.8 cm⁴ with a corner term; Bredt alone stays just below
  expect(s.torsionMm4 / 1e4).toBeLessThan(15.8)
})

test('rectangle with square corners equals outer less inner: 60 × 40 × 4', () => {
  const s = sectionOf({ kind: 'rectangular', heightMm: 60, widthMm: 40, wallMm: 4, outsideRadiusMm: 0 })
  expect(s.iyMm4).toBeCloseTo((40 * 60 ** 3 - 32 * 52 ** 3) / 12, 3)
  expect(s.izMm4).toBeCloseTo((60 * 40 ** 3 - 52 * 32 ** 3) / 12, 3)
})

test('fully rounded square tube is a round tube', () => {
  const square = sectionOf({ kind: 'rectangular', heightMm: 50, widthMm: 50, wallMm: 5, outsideRadiusMm: 25 })
  const round = sectionOf({ kind: 'round', outsideDiameterMm: 50, wallMm: 5 })
  expect(square.areaMm2).toBeCloseTo(round.areaMm2, 6)
  expect(square.iyMm4 / round.iyMm4).toBeCloseTo(1, 6)
  expect(square.torsionMm4 / round.torsionMm4).toBeCloseTo(1, 1)
})

test('equal angle 40 × 4 without root radius: A = 304 mm², centroid 11.3 mm, I = 4.61 cm⁴', () => {
  const s = sectionOf({ kind: 'angle', heightMm: 40, widthMm: 40, thicknessMm: 4 })
  const cy = (160 * 20 + 144 * 2) / 304
  expect(s.areaMm2).toBe(304)
  expect(s.iyMm4).toBeCloseTo((4 * 40 ** 3) / 12 + 160 * (20 - cy) ** 2 + (36 * 4 ** 3) / 12 + 144 * (cy - 2) ** 2, 6)
  expect(s.wyMm3).toBeCloseTo(s.iyMm4 / (40 - cy), 6)
})

test('channel 50 × 25, web 3, flange 4: I = outer less the hollow', () => {
  const s = sectionOf({ kind: 'channel', heightMm: 50, widthMm: 25, webMm: 3, flangeMm: 4 })
  expect(s.iyMm4).toBeCloseTo((25 * 50 ** 3 - 22 * 42 ** 3) / 12, 6)
})

test('a wall thicker than half the tube is refused and named', () => {
  expect(shapeFault({ kind: 'round', outsideDiameterMm: 20, wallMm: 11 })).toMatchObject({ field: 'wallMm' })
})

test('numerical strip integration agrees for any rectangular tube', () => {
  const half = (b: number, h: number, r: number, y: number) => {
    const over = Math.abs(y) - (h / 2 - r)
    return over <= 0 ? b : over >= r ? b - 2 * r : b - 2 * (r - Math.sqrt(r * r - over * over))
  }
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 80 }), fc.integer({ min: 20, max: 80 }), fc.integer({ min: 1, max: 4 }), (h, b, t) => {
      const r = 2 * t
      let area = 0
      let iy = 0
      const n = 1000 * h // strips end where the walls begin
      for (let k = 0; k < n; k++) {
        const y = -h / 2 + ((k + 0.5) * h) / n
        const inner = Math.abs(y) < h / 2 - t ? half(b - 2 * t, h - 2 * t, r - t, y) : 0
        const strip = ((half(b, h, r, y) - inner) * h) / n
        area += strip
        iy += strip * y * y
      }
      const s = sectionOf({ kind: 'rectangular', heightMm: h, widthMm: b, wallMm: t, outsideRadiusMm: r })
      expect(s.areaMm2 / area).toBeCloseTo(1, 3)
      expect(s.iyMm4 / iy).toBeCloseTo(1, 3)
    }),
    { numRuns: 25 },
  )
})
