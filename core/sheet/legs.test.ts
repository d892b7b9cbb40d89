import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { onPlate } from '../assembly/places'
import { defaultRules } from '../rules/rules'
import { foldedStrip } from './foldedStrip'
import { type Legs, legsFaults, legsFlat, webOfStepMm } from './legs'

const sheet = { thicknessMm: 4, insideRadiusMm: 6, kFactor: 0.4 }
const square: Legs = { legsMm: [50, 80], turns: [{ angleDeg: 90, side: 'up' }], wideMm: 60 }
const stood = (legs: Legs) => {
  const flat = legsFlat(legs, sheet)
  return foldedStrip({ outline: flat.outline, holes: [], folds: flat.folds, ...sheet }).faces.filter((f) => !f.bend)
}

describe('a strip by its outside legs', () => {
  test('by hand, 50 and 80 square in 4 mm: 130 less 2·10 and the arc (6 + 1.6)·π/2 = 11.94 back: 121.94; flat from 0 to 40 and from 51.94 on', () => {
    const flat = legsFlat(square, sheet)
    expect(flat.lengthMm).toBeCloseTo(130 - 20 + 11.938, 2)
    expect(flat.flats.flat().map((v) => Math.round(v * 100) / 100)).toEqual([0, 40, 51.94, 121.94])
    expect(flat.folds[0]!.atMm).toBeCloseTo(45.97, 2)
  })

  test('a step comes out as high as it was asked, whatever its web leans', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 90, noNaN: true }), fc.double({ min: 25, max: 200, noNaN: true }), (angleDeg, stepMm) => {
        const web = webOfStepMm(stepMm, angleDeg, sheet.thicknessMm)
        const legs: Legs = {
          legsMm: [60, web, 60],
          turns: [
            { angleDeg, side: 'up' },
            { angleDeg, side: 'down' },
          ],
          wideMm: 40,
        }
        const [first, , last] = stood(legs)
        const z = (f: typeof first) => onPlate(f!, f!.outline[0]!).z
        expect(z(last) - z(first)).toBeCloseTo(stepMm, 6)
        // and its last leg lies level again
        expect(last!.pose.along.z).toBeCloseTo(0, 9)
      }),
      { numRuns: 60 },
    )
  })

  test('a leg that the tool does not hold is named with what would do; so is a web with nothing left between its folds', () => {
    const says = (legs: Legs) => legsFaults(legs, sheet, defaultRules)
    expect(says(square)).toEqual([])
    // set-back 10, and the shop’s least flange in thicknesses
    const least = Math.max(defaultRules.leastFlangeT * 4, 11)
    expect(says({ ...square, legsMm: [least - 1, 80] })).toEqual([
      `a leg of {${Math.round(least - 1)}} is too short to fold: {${Math.ceil(least)}} or more`,
    ])
    const joggle = {
      legsMm: [60, webOfStepMm(4, 90, 4), 60],
      turns: [square.turns[0]!, { angleDeg: 90, side: 'down' as const }],
      wideMm: 40,
    }
    expect(says(joggle)).toEqual(['a leg of {8} is too short to fold: {21} or more'])
    expect(legsFaults(square, { ...sheet, insideRadiusMm: 0.5 }, defaultRules).join()).toMatch(/may crack/)
  })
})
