import type { Fold } from '../assembly/assembly'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import type { FoldTrial } from '../rules/foldTrials'
import type { Rules } from '../rules/rules'
import { foldOf, learnedFold } from './foldTrial'

/** Which sheet it is. mm */
type Sheet = { materialId: string; thicknessMm: number }
const sourceOf = ({ materialId, thicknessMm }: Sheet, rules: Rules): string => {
  const learned = learnedFold(rules.foldTrials, materialId, thicknessMm)
  const by = learned ? `${learned.trials.length} of the shop’s trials of this sheet, the last on ${learned.last}` : SHOP_RULE
  return `Machinery’s Handbook, 30th ed., lengths of sheet-metal bends; K: ${by}`
}
const inputs = (f: Fold, { materialId, thicknessMm }: Sheet, rules: Rules) => ({
  r: [f.insideRadiusMm, 'gauge', 'inside radius'] as const,
  t: [thicknessMm, 'gauge', 'thickness'] as const,
  A: [f.angleDeg, '°', 'turn'] as const,
  K: [foldOf(rules, materialId, thicknessMm).kFactor, '', 'K factor'] as const,
})
const rad = (deg: number) => (deg * Math.PI) / 180

/** K that trial folds of a sheet teach, one by one and in the mean. */
export const kFigure = (trials: FoldTrial[]): Figure => {
  const each = (of: (t: FoldTrial) => number, unit: string, name: string) => trials.map((t): Input => [of(t), unit, `${name}, ${t.on}`])
  return figure(
    {
      id: `fold.k.${trials.map((t) => t.on).join('.')}`,
      name: trials.length > 1 ? 'K factor, mean of the trials' : 'K factor of the trial',
      unit: '',
      formula: 'K = mean of ((2·(r + t)·tan(A/2) − (a + b − L))/A − r)/t',
      source: 'Machinery’s Handbook, 30th ed., lengths of sheet-metal bends, turned round; trials of the shop',
      with: {
        r: each((t) => t.radiusMm, 'gauge', 'inside radius'),
        t: each((t) => t.thicknessMm, 'gauge', 'thickness'),
        A: each((t) => t.angleDeg, '°', 'turn'),
        a: each((t) => t.legAMm, 'gauge', 'first leg, outside'),
        b: each((t) => t.legBMm, 'gauge', 'second leg, outside'),
        L: each((t) => t.blankMm, 'gauge', 'length cut'),
      },
    },
    ({ r, t, A, a, b, L }) =>
      sum(
        r.map((ri, i) => {
          const [ti, turn] = [t[i]!, rad(A[i]!)]
          return ((2 * (ri + ti) * Math.tan(turn / 2) - (a[i]! + b[i]! - L[i]!)) / turn - ri) / ti
        }),
      ) / r.length,
  )
}

/** Length of sheet that a fold uses up, its line in the middle of it. */
export const allowanceFigure = (f: Fold, sheet: Sheet, rules: Rules): Figure =>
  figure(
    {
      id: 'fold.allowance',
      name: 'Sheet in the fold',
      unit: 'gauge',
      formula: 'BA = (r + K·t)·A',
      source: sourceOf(sheet, rules),
      with: inputs(f, sheet, rules),
    },
    ({ r, t, A, K }) => (r + K * t) * rad(A),
  )

/** What the blank is shorter by than the outside lengths on both sides of the fold. */
export const deductionFigure = (f: Fold, sheet: Sheet, rules: Rules): Figure =>
  figure(
    {
      id: 'fold.deduction',
      name: 'Off the two outside lengths',
      unit: 'gauge',
      formula: 'BD = 2·(r + t)·tan(A/2) − (r + K·t)·A',
      source: sourceOf(sheet, rules),
      with: inputs(f, sheet, rules),
    },
    ({ r, t, A, K }) => 2 * (r + t) * Math.tan(rad(A) / 2) - (r + K * t) * rad(A),
  )
