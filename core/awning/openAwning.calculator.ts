import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { defaultRules } from '../rules/rules'
import { openAwning } from './openAwning'

export const openAwningCalculator = calculator({
  name: 'open-awning',
  title: 'Awning open in wind',
  about: 'What wind on an open awning puts on its case: lifting, pressing, and how far out; with pegged legs at its outer edge half of it.',
  formula: 'F = cf·½·ρ·v²·A',
  source: 'EN 1991-1-4:2005, 4.5 and table 7.6, canopy of one slope up to 10°, shut on one side',
  input: z.object({
    lengthMm: positive('Length along the vehicle'),
    opensMm: positive('Reaches out, open'),
    legs: z.boolean().meta({ title: 'On pegged legs' }),
    windKmh: z.number().min(0).max(150).meta({ title: 'Wind', unit: 'km/h' }),
  }),
  output: z.object({ upN: number, downN: number, leverMm: number }),
  example: { lengthMm: 2500, opensMm: 2000, legs: true, windKmh: 30 },
  run: ({ windKmh, ...v }) => openAwning(v, { airDensity: defaultRules.airDensity, awningKmh: windKmh }),
})
