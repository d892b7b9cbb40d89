import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { threadNames } from '../boltHoles/boltHoles'
import { type Adapter, type AdapterGiven, adapter, boltFor } from './adapter'
import { edgeFigure, edgeMm, pitchFigure, pitchMm } from './adapterFigures'

const at = (xMm: number, yMm: number, diameterMm = 9) => ({ xMm, yMm, diameterMm })
/** A foot with four holes 56 by 22 apart, under a part with two holes 100 apart. */
const given = (over: Partial<AdapterGiven> = {}): AdapterGiven => ({
  one: { holes: [at(12, 12), at(68, 12), at(12, 34), at(68, 34)], lengthMm: 80, widthMm: 46 },
  other: { holes: [at(10, 15, 6.6), at(110, 15, 6.6)], lengthMm: 120, widthMm: 30 },
  ...{ boltOne: 'M8', boltOther: 'M6', turnDeg: 0, shiftXMm: -20, shiftYMm: 60 },
  ...over,
})
const middles = (a: Adapter, of: 'one' | 'other') => a.holes.filter((h) => h.of === of).map((h) => [h.at.x + a.from.x, h.at.y + a.from.y])

describe('a plate between two hole patterns', () => {
  test('by hand: M8 in 9 wants 10.8 or 8 + 2 of rim to an edge, M6 in 6.6 wants 8: the plate runs from −18 to 98 and from 1.2 to 83', () => {
    const a = adapter(given())
    expect(a.holes.map((h) => h.diameterMm)).toEqual([9, 9, 9, 9, 6.6, 6.6])
    // 12 − 10.8 = 1.2 below, the second's holes at −10 and 90 by 75
    expect([a.from.x, a.from.y, a.lengthMm, a.widthMm]).toEqual([-18, 1.2, 116, 81.8].map((v) => expect.closeTo(v, 9)))
    expect([a.faults, a.under]).toEqual([[], []])
  })
  test('both patterns are where their parts have them', () => {
    const a = adapter(given())
    expect(middles(a, 'one')).toEqual(
      [
        [12, 12],
        [68, 12],
        [12, 34],
        [68, 34],
      ].map((p) => p.map((v) => expect.closeTo(v, 9))),
    )
    expect(middles(a, 'other')).toEqual(
      [
        [-10, 75],
        [90, 75],
      ].map((p) => p.map((v) => expect.closeTo(v, 9))),
    )
    // a quarter turn to the left: (10, 15) comes to (−15, 10), (110, 15) to (−15, 110)
    expect(middles(adapter(given({ turnDeg: 90, shiftXMm: 100, shiftYMm: 0 })), 'other')).toEqual(
      [
        [85, 10],
        [85, 110],
      ].map((p) => p.map((v) => expect.closeTo(v, 9))),
    )
  })
  test('holes that run into one another are named with 2.4 diameters between them, and clear once they are so far', () => {
    // the second's first hole 5 above the first's third
    const near = adapter(given({ shiftXMm: 2, shiftYMm: 24 }))
    expect(near.faults[0]).toBe('holes 3 and A are {g 5} apart: {g 21.6} or more, or move the second')
    expect(adapter(given({ shiftXMm: 2, shiftYMm: 19 + 21.6 })).faults).toEqual([])
    expect(adapter(given({ shiftXMm: 2, shiftYMm: 19 + 21.5 })).faults).toHaveLength(1)
  })
  test('a bolt that does not go through their own hole is named', () =>
    expect(adapter(given({ boltOther: 'M8' })).faults).toEqual(['into A, B of {g 6.6} a bolt M8 does not go']))
  test('edge and pitch open their working, and are what the plate is laid out by', () => {
    // M8 in 9: 1.2·9 = 10.8 against 8 + 2; M6 in 6.6: 7.92 against 6 + 2
    expect([edgeFigure('M8').value, edgeFigure('M6').value, pitchFigure(['M6', 'M8']).value]).toEqual(
      [10.8, 8, 21.6].map((v) => expect.closeTo(v, 9)),
    )
    for (const bolt of threadNames) expect(edgeMm(bolt)).toBe(edgeFigure(bolt).value)
    expect(pitchMm(['M10', 'M6'])).toBe(pitchFigure(['M10', 'M6']).value)
    expect([...edgeFigure('M8').missing, ...pitchFigure(['M8']).missing]).toEqual([])
  })
  test('the largest metric bolt that goes through all holes of a part is meant first', () =>
    expect([boltFor([at(0, 0, 9), at(9, 0, 11)]), boltFor([at(0, 0, 6.5)]), boltFor([at(0, 0, 2)])]).toEqual(['M8', 'M6', 'M4']))
  test('bolts that the second part covers are told by number, heads reaching under it too; of a part that nobody measured nobody knows', () => {
    // its lower edge at 40: holes at 34 reach 8 up, to 42
    expect(adapter(given({ shiftYMm: 40 })).under).toEqual([3, 4])
    expect(adapter(given({ shiftYMm: 43 })).under).toEqual([])
    expect(adapter(given({ other: { holes: [at(10, 15, 6.6), at(110, 15, 6.6)], lengthMm: null, widthMm: 30 } })).under).toBeNull()
  })
})

test('wherever the second lies: every hole has 1.2 diameters to each edge, and no two of a plate without faults are nearer than 2.4', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -200, max: 200 }),
      fc.integer({ min: -200, max: 200 }),
      fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const),
      (shiftXMm, shiftYMm, turnDeg) => {
        const a = adapter(given({ shiftXMm, shiftYMm, turnDeg }))
        for (const h of a.holes)
          expect(Math.min(h.at.x, h.at.y, a.lengthMm - h.at.x, a.widthMm - h.at.y)).toBeGreaterThanOrEqual(1.2 * h.diameterMm - 1e-6)
        const apart = a.holes.flatMap((h, i) =>
          a.holes.slice(i + 1).map((o) => Math.hypot(h.at.x - o.at.x, h.at.y - o.at.y) / Math.max(h.diameterMm, o.diameterMm)),
        )
        expect(a.faults.length === 0).toBe(Math.min(...apart) >= 2.4 - 1e-9)
      },
    ),
    { numRuns: 80 },
  )
})
