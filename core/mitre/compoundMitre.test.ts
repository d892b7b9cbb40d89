import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compoundMitre } from './compoundMitre'

const rad = (deg: number) => (deg * Math.PI) / 180
const flat = (cornerDeg: number) =>
  compoundMitre({
    first: { way: { x: -1, y: 0, z: 0 }, width: { x: 0, y: 1, z: 0 } },
    second: {
      way: { x: -Math.cos(rad(cornerDeg)), y: -Math.sin(rad(cornerDeg)), z: 0 },
      width: { x: Math.sin(rad(cornerDeg)), y: -Math.cos(rad(cornerDeg)), z: 0 },
    },
    widthMm: 40,
    heightMm: 30,
  })

describe('a mitre between two members', () => {
  test.each([90, 60, 120, 150])(
    'lying flat in a corner of %s° each is turned by half of what is left of 180°, and the blade stands upright',
    (corner) => {
      const m = flat(corner)
      expect(m.cornerDeg).toBeCloseTo(corner, 9)
      for (const cut of [m.first, m.second]) {
        expect(Math.abs(cut.turnDeg)).toBeCloseTo((180 - corner) / 2, 9)
        expect(cut.tiltDeg).toBeCloseTo(0, 9)
        // the long point over a width of 40
        expect(cut.pointMm).toBeCloseTo(40 * Math.tan(rad((180 - corner) / 2)), 9)
      }
    },
  )
  // the tables of every moulding saw: spring 38° and 45° in a right corner, stock flat on the table
  test.each([
    [38, 31.62, 33.86],
    [45, 35.26, 30],
  ])('leaning by a spring of %s° from the wall: turn %s°, tilt %s°', (spring, turn, tilt) => {
    const [s, c] = [Math.sin(rad(spring)), Math.cos(rad(spring))]
    const m = compoundMitre({
      first: { way: { x: -1, y: 0, z: 0 }, width: { x: 0, y: s, z: c } },
      second: { way: { x: 0, y: -1, z: 0 }, width: { x: s, y: 0, z: c } },
      widthMm: 80,
      heightMm: 12,
    })
    for (const cut of [m.first, m.second]) {
      expect(Math.abs(cut.turnDeg)).toBeCloseTo(turn, 2)
      expect(Math.abs(cut.tiltDeg)).toBeCloseTo(tilt, 2)
    }
  })
  test('however they lean the two settings rebuild one plane: both members see it at the same angle to their own line', () => {
    const way = fc.record({
      x: fc.double({ min: -1, max: 1, noNaN: true }),
      y: fc.double({ min: -1, max: 1, noNaN: true }),
      z: fc.double({ min: -1, max: 1, noNaN: true }),
    })
    fc.assert(
      fc.property(way, way, way, way, (a, b, wa, wb) => {
        let m: ReturnType<typeof compoundMitre>
        try {
          m = compoundMitre({ first: { way: a, width: wa }, second: { way: b, width: wb }, widthMm: 40, heightMm: 40 })
        } catch (error) {
          expect((error as Error).message).toMatch(/no corner|runs nowhere|cannot lie along/)
          return
        }
        // cos of the angle between the plane's normal and the member, from either pair of settings: sin of half the corner
        for (const cut of [m.first, m.second])
          expect(Math.cos(rad(cut.turnDeg)) * Math.cos(rad(cut.tiltDeg))).toBeCloseTo(Math.sin(rad(m.cornerDeg / 2)), 6)
      }),
      { numRuns: 200, seed: 2 },
    )
  })
  test('two members in one line are cut square; two on one another are refused', () => {
    const m = flat(180)
    expect([m.first.turnDeg, m.first.tiltDeg, m.first.pointMm].map((v) => Math.abs(v))).toEqual([0, 0, 0].map((v) => expect.closeTo(v, 9)))
    expect(() => flat(0)).toThrow(/no corner to cut/)
    expect(() =>
      compoundMitre({
        first: { way: { x: 1, y: 0, z: 0 }, width: { x: 1, y: 0, z: 0 } },
        second: { way: { x: 0, y: 1, z: 0 }, width: { x: 1, y: 0, z: 0 } },
        widthMm: 1,
        heightMm: 1,
      }),
    ).toThrow(/cannot lie along/)
  })
})
