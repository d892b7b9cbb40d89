import { type Figure, figure, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import type { Seam } from './weldMap'

/** What counts of a fillet: its leg times sin 45°. mm */
export const throatFigure = (s: Seam): Figure =>
  figure(
    {
      id: `throat.${s.number}`,
      name: `Throat of weld ${s.number}`,
      unit: 'gauge',
      formula: 'a = z / √2',
      source: 'geometry of a fillet of equal legs; a leg counts no more than the thinner wall (AISC 360-16, J2.2b)',
      with: { z: [s.legMm, 'gauge', 'leg that counts'] },
    },
    ({ z }) => z / Math.SQRT2,
  )

export const flushFigure = (s: Seam, rules: Rules): Figure =>
  figure(
    {
      id: `flush.${s.number}`,
      name: `Throat of weld ${s.number}, ground flush`,
      unit: 'gauge',
      formula: 'a′ = k·a',
      source: SHOP_RULE,
      assumes: ['ticked as ground flush, the checks count this throat'],
      with: { a: [s.throatMm, 'gauge', 'throat'], k: [rules.flushThroatShare, '', 'share that is left'] },
    },
    ({ a, k }) => k * a,
  )

/** Fitting and tacking, and the arc along the seam. minutes */
export const minutesFigure = (s: Seam, rules: Rules): Figure =>
  figure(
    {
      id: `minutes.${s.number}`,
      name: `Minutes of weld ${s.number}`,
      unit: 'min',
      formula: 't = t₀ + L / v',
      source: SHOP_RULE,
      with: {
        't₀': [rules.weldSetUpMin, 'min', 'fit, clamp and tack'],
        L: [s.lengthMm, 'mm', 'length of weld'],
        v: [
          { MIG: rules.weldMigMmMin, TIG: rules.weldTigMmMin, stick: rules.weldStickMmMin }[s.process],
          'mm/min',
          `${s.process}, laid in a minute`,
        ],
      },
    },
    (k) => k['t₀'] + k.L / k.v,
  )
