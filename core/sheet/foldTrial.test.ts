import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import type { FoldTrial } from '../rules/foldTrials'
import { defaultRules } from '../rules/rules'
import { flatPattern } from './flatPattern'
import { allowanceFigure, kFigure } from './foldFigures'
import { foldOf, kOfTrial, learnedFold } from './foldTrial'
import { foldTrialCalculator } from './foldTrial.calculator'

const trial = (over: Partial<FoldTrial> = {}): FoldTrial => ({
  ...{ on: '2026-11-20', materialId: 'al5754', thicknessMm: 2, radiusMm: 3, angleDeg: 90, blankMm: 96, legAMm: 40, legBMm: 60, by: '' },
  ...over,
})

describe('a trial fold', () => {
  test('by hand: 96 of 2 mm folded square round 3 to legs of 40 and 60. 4 came off; 2·5 − 4 = 6 went into the fold; 6/(π/2) = 3.82, so K = 0.82/2 = 0.41', () => {
    const found = kOfTrial(trial())
    expect([found.deductionMm, found.possible]).toEqual([4, true])
    expect(found.allowanceMm).toBeCloseTo(6, 9)
    expect(found.k).toBeCloseTo(0.40986, 4)
  })
  test('round trip: a strip laid out with any K, radius and angle and measured as it then comes out teaches that K again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.5, noNaN: true }),
        fc.double({ min: 0.8, max: 6, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        fc.double({ min: 20, max: 140, noNaN: true }),
        (k, thicknessMm, r, angleDeg) => {
          const radiusMm = r * thicknessMm
          const [legAMm, legBMm] = [200, 260]
          const { flatLength } = flatPattern({
            ...{ thickness: thicknessMm, insideRadius: radiusMm, kFactor: k, flanges: [legAMm, legBMm] },
            bends: [{ angle: angleDeg }],
          })
          expect(kOfTrial({ thicknessMm, radiusMm, angleDeg, blankMm: flatLength, legAMm, legBMm }).k).toBeCloseTo(k, 6)
        },
      ),
    )
  })
  test('legs read inside instead of outside give a K that no sheet has: it is refused with what to measure, and teaches nothing', () => {
    const inside = trial({ legAMm: 38, legBMm: 58 })
    expect(kOfTrial(inside).possible).toBe(false)
    expect(learnedFold([inside], 'al5754', 2)).toBeNull()
    expect(() => foldTrialCalculator.run({ ...inside }, null as never)).toThrow(/K comes out at 1\.68, .*measure both legs outside/)
  })
})

describe('what trials teach', () => {
  const trials = [
    trial(),
    trial({ on: '2026-11-25', blankMm: 96.2, radiusMm: 3.2 }),
    trial({ thicknessMm: 3, blankMm: 95 }),
    trial({ materialId: 'steel' }),
  ]
  const rules = { ...defaultRules, foldTrials: trials }
  test('only those of that metal and gauge count: their mean, the least and most, the last day', () => {
    const learned = learnedFold(trials, 'al5754', 2)
    const [a, b] = [kOfTrial(trials[0]!).k, kOfTrial(trials[1]!).k]
    expect([learned?.trials.length, learned?.last, learned?.radiusMm]).toEqual([2, '2026-11-25', 3.1])
    expect(learned?.k).toBeCloseTo((a + b) / 2, 9)
    expect([learned?.leastK, learned?.mostK]).toEqual([Math.min(a, b), Math.max(a, b)])
  })
  test('the working of K gives what was learned, for one trial and for all of them', () => {
    const own = learnedFold(trials, 'al5754', 2)!
    expect(kFigure(own.trials).value).toBeCloseTo(own.k, 12)
    expect(kFigure([trials[0]!]).value).toBeCloseTo(0.82 / 2 - 0.0001408, 4)
    // every figure of every trial stands in it with its day
    expect(
      kFigure(own.trials)
        .with.map((w) => w.name)
        .filter((n) => n.endsWith('2026-11-25')),
    ).toHaveLength(6)
  })
  test('an untried sheet folds by the shop’s usual figures; a tried one by its own, and its working says so', () => {
    expect(foldOf(rules, 'al5754', 1.5)).toEqual({ insideRadiusMm: 2.25, kFactor: defaultRules.kFactor })
    expect(foldOf(rules, 'al5754', 2).kFactor).toBe(learnedFold(trials, 'al5754', 2)?.k)
    const fold = {
      line: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
      ] as never,
      angleDeg: 90,
      side: 'up' as const,
      insideRadiusMm: 3,
    }
    expect(allowanceFigure(fold, { materialId: 'al5754', thicknessMm: 2 }, rules).source).toContain(
      '2 of the shop’s trials of this sheet, the last on 2026-11-25',
    )
    expect(allowanceFigure(fold, { materialId: 'al5754', thicknessMm: 1.5 }, rules).source).not.toContain('trials')
  })
  test('a chest of a tried sheet: each blank grows by what its folds take less, and what is not folded keeps its size', () => {
    const chest = demoJobs.find((j) => j.pieces.some((p) => p.family === 'chest'))!
    const flat = (r: typeof defaultRules) =>
      new Map(
        madeAssembly(chest, r)
          .plates.filter((p) => p.bends.length)
          .map((p) => [p.id, p]),
      )
    const { materialId, thicknessMm } = [...flat(defaultRules).values()][0]!
    // the same radius, so that only K differs: 0.42 → 0.47 gives each square fold 0.05·t·π/2 more
    const radiusMm = 1.5 * thicknessMm
    const { flatLength } = flatPattern({
      ...{ thickness: thicknessMm, insideRadius: radiusMm, kFactor: 0.47, flanges: [40, 60] },
      bends: [{ angle: 90 }],
    })
    const tried = { ...defaultRules, foldTrials: [trial({ materialId, thicknessMm, radiusMm, blankMm: flatLength })] }
    const long = (o: { x: number; y: number }[]) => Math.max(...o.map((q) => q.x)) - Math.min(...o.map((q) => q.x))
    const [before, after] = [flat(defaultRules), flat(tried)]
    const lid = [...before.values()].find((p) => p.id.endsWith('/lid'))!
    const grown = long(after.get(lid.id)!.outline) - long(lid.outline)
    // along x the lid has a flange at the front and at the rear
    const folds = lid.bends.filter((b) => Math.abs(b.line[0].x - b.line[1].x) < 1e-6 && b.angleDeg === 90).length
    expect(folds).toBeGreaterThan(0)
    expect(grown).toBeCloseTo(folds * 0.05 * thicknessMm * (Math.PI / 2), 6)
  })
})
