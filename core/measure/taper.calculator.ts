import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { taper } from './taper'

const tolerance = z.number().min(0).max(500).default(2).meta({ title: 'Tolerance of a reading', unit: 'mm' })

const bare = (text: string) => text.replace(/\{([\d.]+)\}/g, '$1 mm')

export const taperCalculator = calculator({
  name: 'taper',
  title: 'Taper and diagonals',
  about:
    'A bed or roof from two widths, its length and both diagonals: how much it tapers, in all and a side, whether it is square, and whether the readings contradict each other.',
  formula: 'd² = L² + ((a + b)/2 ± s)²; s = (dA² − dB²) / (2·(a + b))',
  source: 'Pythagoras, for a trapezium of parallel widths',
  input: z.object({
    lengthMm: positive('Length along the middle'),
    rearWidthMm: positive('Width at the rear'),
    frontWidthMm: positive('Width at the front'),
    diagonalAMm: positive('Diagonal, rear left to front right').nullable(),
    diagonalBMm: positive('Diagonal, rear right to front left').nullable(),
    toleranceMm: tolerance,
  }),
  output: z.object({
    totalMm: number,
    perSideMm: number,
    perSideDeg: number,
    squareDiagonalMm: number,
    skewMm: number.nullable(),
    lengthMisfitMm: number.nullable(),
    square: z.boolean().nullable(),
    agrees: z.boolean().nullable(),
    say: z.string(),
  }),
  example: { lengthMm: 1500, rearWidthMm: 1240, frontWidthMm: 1280, diagonalAMm: 1961, diagonalBMm: 1959, toleranceMm: 2 },
  run: (v) => {
    const t = taper(v)
    return { ...t, say: bare(t.say) }
  },
})
