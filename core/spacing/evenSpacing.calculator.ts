import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { equalPositions, largestCount } from './spacing'

const mm = (label: string) => z.number().min(-100_000).max(100_000).meta({ title: label, unit: 'mm' })

export const evenSpacingCalculator = calculator({
  name: 'even-spacing',
  title: 'Even spacing and largest count',
  about: 'Exact pitch and running positions from one datum, and how many fit at no less than a pitch.',
  formula: 'pitch = (length − inset₁ − inset₂) / (n − 1); n ≤ ⌊length / pitch⌋ + 1',
  source: 'arithmetic',
  input: z
    .object({
      lengthMm: mm('Length').min(1),
      firstInsetMm: mm('Inset at the datum end').min(0).default(0),
      lastInsetMm: mm('Inset at the far end').min(0).default(0),
      count: z.number().int().min(1).max(200).meta({ title: 'How many' }),
      leastPitchMm: mm('Least pitch').min(1),
    })
    .refine((v) => v.firstInsetMm + v.lastInsetMm < v.lengthMm, {
      path: ['lastInsetMm'],
      message: 'the two insets leave nothing between them: make them smaller',
    }),
  output: z.object({ positionsMm: z.array(number), pitchMm: number.nullable(), largestCount: z.number() }),
  example: { lengthMm: 2400, firstInsetMm: 100, lastInsetMm: 100, count: 4, leastPitchMm: 500 },
  run: (v) => {
    const [from, to] = [v.firstInsetMm, v.lengthMm - v.lastInsetMm]
    return {
      positionsMm: equalPositions(from, to, v.count),
      pitchMm: v.count > 1 ? (to - from) / (v.count - 1) : null,
      largestCount: largestCount(from, to, v.leastPitchMm),
    }
  },
})
