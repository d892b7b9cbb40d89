import fc from 'fast-check'
import { expect, test } from 'vitest'
import { cornersOfSlot, edgeOfHole, endsOfHole, holeAreaMm2, roundHoleMm } from './hole'
import { areaMm2 } from './polygon'

const slot = { at: { x: 100, y: 50 }, diameterMm: 8, slot: { lengthMm: 40, turnDeg: 0 } }

test('a slot 40 × 8 is a circle of 8 and a strip of 32 × 8: 306.3 mm², once round it 89.1 mm', () => {
  expect(holeAreaMm2(slot)).toBeCloseTo(50.265 + 256, 2)
  expect(roundHoleMm(slot)).toBeCloseTo(25.133 + 64, 2)
  expect(endsOfHole(slot)).toEqual([
    { x: 84, y: 50 },
    { x: 116, y: 50 },
  ])
})
test('a slot no longer than it is wide is a round hole', () => {
  const round = { at: slot.at, diameterMm: 8 }
  expect(holeAreaMm2({ ...slot, slot: { lengthMm: 5, turnDeg: 30 } })).toBe(holeAreaMm2(round))
})
test('whichever way it is turned its edge holds its area, and its half circles begin where its straights end', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 40, noNaN: true }),
      fc.double({ min: 0, max: 200, noNaN: true }),
      fc.double({ min: -180, max: 180, noNaN: true }),
      (diameterMm, more, turnDeg) => {
        const h = { at: { x: 10, y: -20 }, diameterMm, slot: { lengthMm: diameterMm + more, turnDeg } }
        expect(areaMm2(edgeOfHole(h, 64)) / holeAreaMm2(h)).toBeCloseTo(1, 2)
        const [a, b, c, d] = cornersOfSlot(h)
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeCloseTo(diameterMm, 9)
        expect(Math.hypot(b.x - c.x, b.y - c.y)).toBeCloseTo(more, 6)
        // counter-clockwise, as a bulge of 1 asks
        const turn = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x)
        expect(turn).toBeGreaterThanOrEqual(-1e-6)
        expect(Math.hypot(c.x - d.x, c.y - d.y)).toBeCloseTo(diameterMm, 9)
      },
    ),
  )
})
