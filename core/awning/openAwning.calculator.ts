import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { defaultRules } from '../rules/rules'
import { openAwning, windsFrom } from './openAwning'

export const openAwningCalculator = calculator({
  name: 'open-awning',
  title: 'Awning open in wind',
  about:
    'What wind on an open awning puts on its case, from each side: lifting, pressing, how far out and how far ahead of its middle; pegged legs at its outer edge take their share.',
  formula: 'F = cf·½·ρ·v²·A',
  source: 'EN 1991-1-4:2005, 4.5, 7.3 and table 7.6, canopy of one slope up to 10°, shut on one side',
  input: z.object({
    lengthMm: positive('Length along the vehicle'),
    opensMm: positive('Reaches out, open'),
    legs: z.boolean().meta({ title: 'On pegged legs' }),
    windKmh: z.number().min(0).max(150).meta({ title: 'Wind', unit: 'km/h' }),
  }),
  output: z.object({
    winds: z.array(z.object({ from: z.enum(windsFrom), way: z.enum(['up', 'down']), forceN: number, outMm: number, aheadMm: number })),
  }),
  example: { lengthMm: 2500, opensMm: 2000, legs: true, windKmh: 30 },
  run: ({ windKmh, ...v }) => ({ winds: openAwning(v, { airDensity: defaultRules.airDensity, awningKmh: windKmh }) }),
})
