import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, zero } from '../calculator/fields'
import { coatSchedule } from './coat'

const hours = (title: string) => zero(title, 'h', 1000)

export const coatCalculator = calculator({
  name: 'coat-and-cure',
  title: 'Coat and cure',
  about: 'When a painted piece can be turned, coated again, and loaded: face by face, coat by coat.',
  formula: 'Σ work + drying, turned once a face',
  source: 'hours by the maker of the coat; the order is the shop’s own',
  input: z.object({
    coats: z.number().int().min(1).max(10).meta({ title: 'Coats' }),
    faces: z.number().int().min(1).max(6).default(2).meta({ title: 'Faces, one at a time' }),
    workHours: hours('Work for a face'),
    touchHours: hours('Dry to the touch after'),
    recoatHours: hours('Next coat after'),
    cureHours: hours('Cured after'),
  }),
  output: z.object({ steps: z.array(z.object({ what: z.string(), fromHour: number, untilHour: number })), readyHour: number }),
  example: { coats: 2, faces: 2, workHours: 0.5, touchHours: 2, recoatHours: 12, cureHours: 72 },
  run: coatSchedule,
})
