import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { playFigure } from './patternFigures'
import { type PatternHole, patternMatches } from './patternMatch'

const row = (xs: number[], yMm = 0, diameterMm = 6.5): PatternHole[] => xs.map((xMm) => ({ xMm, yMm, diameterMm }))
const match = (one: PatternHole[], other: PatternHole[], boltMm = 6, mayTurnOver = false) =>
  patternMatches({ one, other, boltMm, mayTurnOver })

describe('two rows of holes', () => {
  test('a slide with holes at 35, 163, 355, 547 and 675 and a bracket at 0, 192 and 320: all three at 355, by hand', () => {
    const [best] = match(row([35, 163, 355, 547, 675], 38), row([0, 192, 320]))
    // 355, 547 and 675 are 0, 192 and 320 further on
    expect(best).toMatchObject({
      turnDeg: 0,
      over: false,
      shiftXMm: expect.closeTo(355, 9),
      shiftYMm: expect.closeTo(38, 9),
      spreadMm: expect.closeTo(320, 9),
    })
    expect(best!.pairs.map((p) => [p.one, p.other])).toEqual([
      [2, 0],
      [3, 1],
      [4, 2],
    ])
    // and the other way round, for the row is the same backwards: 163 − 35 = 128 = 320 − 192
    expect(match(row([35, 163, 355, 547, 675], 38), row([0, 192, 320])).some((m) => m.turnDeg === 180 && m.pairs.length === 3)).toBe(true)
  })
  test('M6 in holes of 6.5 and 6.6: middles 0.5·0.5 + 0.5·0.6 = 0.55 apart still pass, farther they do not', () => {
    const off = (by: number) => match(row([0, 100]), row([0, 100 + 2 * by], 0, 6.6))[0]
    expect(off(0.54)!.pairs.map((p) => p.offMm)).toEqual([expect.closeTo(0.54, 6), expect.closeTo(0.54, 6)])
    expect(off(0.54)!.playMm).toBeCloseTo(0.01, 6)
    expect(off(0.56)).toBeUndefined()
  })
  test('the play that is left opens its working, for every way that is told', () => {
    const [one, other] = [row([35, 163, 355, 547, 675], 38), row([0, 192, 320.3], 0, 6.6)]
    const found = match(one, other)
    expect(found.length).toBeGreaterThan(1)
    for (const m of found) expect(playFigure(m, one, other, 6).value).toBeCloseTo(m.playMm, 9)
    // 0.3 shared between the first and the last: each 0.15 off of 0.55
    expect(playFigure(found[0]!, one, other, 6).value).toBeCloseTo(0.4, 6)
  })
  test('a hole smaller than the bolt takes none, and one bolt alone is no fit', () => {
    expect(match(row([0, 100], 0, 5.5), row([0, 100]))).toEqual([])
    expect(match(row([0, 100]), row([0, 130]))).toEqual([])
  })
  test('most bolts first; of as many the two that stand farther apart', () => {
    const found = match(row([0, 50, 150, 400]), row([0, 50, 400]))
    expect(found.map((m) => m.pairs.length)).toEqual([...found.map((m) => m.pairs.length)].sort((a, b) => b - a))
    expect(found[0]!.pairs).toHaveLength(3)
    const two = match(row([0, 60, 300]), row([0, 300]))
    expect([two[0]!.spreadMm]).toEqual([expect.closeTo(300, 9)])
  })
  test('what only fits upside down is found only where it may be turned over', () => {
    // an L of three holes, and its mirror image
    const ell: PatternHole[] = [...row([0, 100]), ...row([0], 60)]
    const mirror = ell.map((h) => ({ ...h, xMm: -h.xMm }))
    expect(match(ell, mirror).every((m) => m.pairs.length < 3)).toBe(true)
    expect(match(ell, mirror, 6, true)[0]).toMatchObject({ over: true, pairs: { length: 3 } })
  })
})

test('a part turned and moved in any way fits itself by every hole, and each bolt of each way passes both of its holes', () => {
  const hole = fc.record({
    xMm: fc.integer({ min: 0, max: 500 }),
    yMm: fc.integer({ min: 0, max: 500 }),
    diameterMm: fc.constantFrom(6.6, 9, 11),
  })
  fc.assert(
    fc.property(
      fc.uniqueArray(hole, { minLength: 2, maxLength: 6, selector: (h) => `${Math.round(h.xMm / 40)} ${Math.round(h.yMm / 40)}` }),
      fc.integer({ min: 0, max: 3 }),
      fc.integer({ min: -300, max: 300 }),
      (holes, quarters, by) => {
        const turned = holes.map((h): PatternHole => {
          let [x, y] = [h.xMm, h.yMm]
          for (let i = 0; i < quarters; i++) [x, y] = [-y, x]
          return { xMm: x + by, yMm: y - by, diameterMm: h.diameterMm }
        })
        const found = match(turned, holes)
        expect(found[0]!.pairs).toHaveLength(holes.length)
        for (const m of found)
          for (const p of m.pairs) {
            // by walking the second part there, the other way than by a table of turns
            const h = holes[p.other]!
            const a = (m.turnDeg * Math.PI) / 180
            const x = h.xMm * Math.cos(a) - h.yMm * Math.sin(a) + m.shiftXMm
            const y = h.xMm * Math.sin(a) + h.yMm * Math.cos(a) + m.shiftYMm
            const to = turned[p.one]!
            expect(Math.hypot(x - to.xMm, y - to.yMm)).toBeLessThanOrEqual((h.diameterMm - 6) / 2 + (to.diameterMm - 6) / 2 + 1e-6)
          }
      },
    ),
    { numRuns: 60 },
  )
})
