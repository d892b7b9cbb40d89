import fc from 'fast-check'
import { expect, test } from 'vitest'
import { regularise, scaleOf } from './trace'

test('a 1-metre rule that is 250 picture units long: 4 mm a unit', () => {
  expect(scaleOf({ x: 10, y: 10 }, { x: 260, y: 10 }, 1000)).toBe(4)
  expect(scaleOf({ x: 10, y: 10 }, { x: 10, y: 10 }, 1000)).toBeNull()
})

test('a shaky trace of a 600 × 400 window comes out with four square corners, sides within 4 mm, deviation within the shake', () => {
  const corner = fc.double({ min: -2, max: 2, noNaN: true })
  fc.assert(
    fc.property(fc.array(corner, { minLength: 24, maxLength: 24 }), (shake) => {
      const along = [0, 0.33, 0.66]
      const ideal = [
        ...along.map((t) => ({ x: 600 * t, y: 0 })),
        ...along.map((t) => ({ x: 600, y: 400 * t })),
        ...along.map((t) => ({ x: 600 - 600 * t, y: 400 })),
        ...along.map((t) => ({ x: 0, y: 400 - 400 * t })),
      ]
      const traced = ideal.map((p, i) => ({ x: p.x + shake[2 * i], y: p.y + shake[2 * i + 1] }))
      const t = regularise(traced, 6, true)
      expect(t.points).toHaveLength(4)
      expect(t.sides.every((s) => s.squared)).toBe(true)
      expect(Math.abs(Math.max(...t.sides.map((s) => s.lengthMm)) - 600)).toBeLessThan(8)
      expect(Math.abs(t.sides[0].lengthMm - t.sides[2].lengthMm)).toBeLessThan(1e-6)
      expect(t.deviationMm).toBeLessThan(8)
    }),
  )
})

test('a slanted side stays slanted; two points are one side; one point has none', () => {
  const t = regularise(
    [
      { x: 0, y: 0 },
      { x: 500, y: 0 },
      { x: 400, y: 300 },
      { x: 0, y: 300 },
    ],
    5,
    true,
  )
  expect(t.sides.map((s) => s.squared)).toEqual([true, false, true, true])
  expect(t.sides[1].lengthMm).toBeCloseTo(Math.hypot(100, 300), 6)
  expect(
    regularise(
      [
        { x: 0, y: 0 },
        { x: 3, y: 4 },
      ],
      1,
      false,
    ),
  ).toMatchObject({ deviationMm: 0, sides: [{ lengthMm: 5 }] })
  expect(regularise([{ x: 1, y: 1 }], 1, false).sides).toEqual([])
})

test('a short side traced crooked is squared on the longest, wherever the picture lies and whichever way it stands', () => {
  // 100 long and 3 out of square, against 600
  const traced = [
    { x: -303, y: -100 },
    { x: -300, y: 0 },
    { x: 300, y: 0 },
  ]
  const lying = regularise(traced, 1, false)
  expect(lying.sides.map((s) => s.squared)).toEqual([true, true])
  expect(lying.points.map((p) => p.y)).toEqual([-100, 0, 0])
  const standing = regularise(
    traced.map((p) => ({ x: p.y, y: p.x })),
    1,
    false,
  )
  expect(standing.points[1]!.x).toBeCloseTo(0, 9)
  expect(standing.points[2]!.x).toBeCloseTo(0, 9)
})
