import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { pitchInOpening } from './opening'

export const openingCalculator = calculator({
  name: 'lamp-pitch',
  title: 'Lamps in an opening',
  about: 'Equal gaps between lamps or other things in an opening, where their middles come, and how many fit at a least gap.',
  formula: 'g = (clear − n·d)/(n + 1)',
  source: 'arithmetic',
  input: z.object({
    clearMm: positive('Clear width, wall to wall', 'mm', 20_000),
    itemMm: positive('Width of one', 'mm', 5000),
    count: z.number().int().min(0).max(100).meta({ title: 'How many' }),
    leastGapMm: zero('Least gap', 'mm', 2000).default(0),
  }),
  output: z.object({ gapMm: number, middlesMm: z.array(number), mostThatFit: number }),
  example: { clearMm: 1020, itemMm: 180, count: 4, leastGapMm: 20 },
  run: (v) => pitchInOpening(v.clearMm, v.itemMm, v.count, v.leastGapMm),
})
