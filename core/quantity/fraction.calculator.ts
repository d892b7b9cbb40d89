import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { fractionText } from './formatQuantity'
import { parseQuantity } from './parseQuantity'
import { MM_PER_INCH } from './units'

export const fractionCalculator = calculator({
  name: 'fraction',
  title: 'Fractions, decimals, metric',
  about: 'Reads a length as the trade writes it, sums included, and gives it in millimetres, decimal inches and fractions.',
  formula: '1 in = 25.4 mm',
  source: 'international yard and pound agreement, 1959 (exact)',
  input: z
    .object({
      text: z.string().min(1, 'type a length').max(120).meta({ title: 'Length' }),
      system: z.enum(['metric', 'inch']).default('inch').meta({ title: 'A number without a unit is' }),
    })
    .superRefine((v, ctx) => {
      const read = parseQuantity(v.text, 'length', v.system)
      if (!read.ok) ctx.addIssue({ code: 'custom', path: ['text'], message: read.message })
    }),
  output: z.object({ mm: number, inches: number, sixteenths: z.string(), thirtySeconds: z.string(), errorAtSixteenthMm: number }),
  example: { text: '84 - 2*1 3/4', system: 'inch' },
  run: ({ text, system }) => {
    const read = parseQuantity(text, 'length', system)
    if (!read.ok) throw new Impossible(read.message)
    const inches = read.value / MM_PER_INCH
    return {
      mm: read.value,
      inches,
      sixteenths: fractionText(inches, 16),
      thirtySeconds: fractionText(inches, 32),
      errorAtSixteenthMm: (Math.round(inches * 16) / 16 - inches) * MM_PER_INCH,
    }
  },
})
