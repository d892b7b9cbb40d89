import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { cutTime } from './cutTime'

export const cutTimeCalculator = calculator({
  name: 'table-cut-time',
  title: 'Time on the cutting table',
  about: 'Seconds a part, minutes for all of them and what that costs, from length of cut, feed and pierces.',
  formula: 't = L / feed + n·pierce',
  source: 'arithmetic; feed and pierce by the settings that gave a clean edge',
  input: z.object({
    lengthMm: positive('Length of cut, one part', 'mm', 1e6),
    feedMmMin: positive('Feed', 'mm/min', 100_000),
    pierces: z.number().int().min(0).max(10_000).meta({ title: 'Pierces, one part' }),
    pierceS: zero('Seconds a pierce', 's', 60).default(1),
    setUpMin: zero('Setting up', 'min', 600).default(10),
    perHourMinor: zero('Price of an hour, in hundredths', '', 1e7).default(6200),
    quantity: z.number().int().min(1).max(100_000).default(1).meta({ title: 'How many' }),
  }),
  output: z.object({ secondsEach: number, minutesAll: number, priceMinor: number }),
  example: { lengthMm: 1240, feedMmMin: 2400, pierces: 5, quantity: 8 },
  run: cutTime,
})
