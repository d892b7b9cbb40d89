import type { Fold } from '../assembly/assembly'
import { type Figure, figure, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'

const SOURCE = `Machinery’s Handbook, 30th ed., lengths of sheet-metal bends; K: ${SHOP_RULE}`
const inputs = (f: Fold, thicknessMm: number) => ({
  r: [f.insideRadiusMm, 'gauge', 'inside radius'] as const,
  t: [thicknessMm, 'gauge', 'thickness'] as const,
  A: [f.angleDeg, '°', 'turn'] as const,
})
const rad = (deg: number) => (deg * Math.PI) / 180

/** Length of sheet that a fold uses up, its line in the middle of it. */
export const allowanceFigure = (f: Fold, thicknessMm: number, rules: Rules): Figure =>
  figure(
    {
      id: 'fold.allowance',
      name: 'Sheet in the fold',
      unit: 'gauge',
      formula: 'BA = (r + K·t)·A',
      source: SOURCE,
      with: { ...inputs(f, thicknessMm), K: [rules.kFactor, '', 'K factor'] },
    },
    ({ r, t, A, K }) => (r + K * t) * rad(A),
  )

/** What the blank is shorter by than the outside lengths on both sides of the fold. */
export const deductionFigure = (f: Fold, thicknessMm: number, rules: Rules): Figure =>
  figure(
    {
      id: 'fold.deduction',
      name: 'Off the two outside lengths',
      unit: 'gauge',
      formula: 'BD = 2·(r + t)·tan(A/2) − (r + K·t)·A',
      source: SOURCE,
      with: { ...inputs(f, thicknessMm), K: [rules.kFactor, '', 'K factor'] },
    },
    ({ r, t, A, K }) => 2 * (r + t) * Math.tan(rad(A) / 2) - (r + K * t) * rad(A),
  )
