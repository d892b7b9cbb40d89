import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { summariseReadings } from './readings'

const tolerance = z.number().min(0).max(500).default(2).meta({ title: 'Tolerance of a reading', unit: 'mm' })

export const readingsCalculator = calculator({
  name: 'mean-and-spread',
  title: 'Mean and spread',
  about:
    'Repeat readings of one length: mean, spread, standard deviation, whether they agree within their tolerances, and which one to take again.',
  formula: 'x̄ = Σx / n; s = √(Σ(x − x̄)² / (n − 1))',
  source: 'JCGM 100:2008, 4.2',
  input: z.object({
    readingsMm: z.array(z.number().min(-50_000).max(50_000)).min(1, 'give one reading or more').max(200),
    toleranceMm: tolerance,
  }),
  output: z.object({ meanMm: number, spreadMm: number, deviationMm: number.nullable(), agree: z.boolean(), takeAgain: z.string() }),
  example: { readingsMm: [1565, 1566, 1564, 1581], toleranceMm: 2 },
  run: ({ readingsMm, toleranceMm }) => {
    const s = summariseReadings(readingsMm.map((value) => ({ value, tolerance: toleranceMm })))
    if (!s) throw new Impossible('there is no reading')
    return {
      meanMm: s.mean,
      spreadMm: s.spread,
      deviationMm: s.deviation,
      agree: s.agree,
      takeAgain: s.takeAgain === null ? 'none' : `reading ${s.takeAgain + 1}, ${readingsMm[s.takeAgain]} mm`,
    }
  },
})
