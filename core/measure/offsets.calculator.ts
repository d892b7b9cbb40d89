import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number } from '../calculator/fields'
import { angleFromOffsets } from './taper'

const tolerance = z.number().min(0).max(500).default(2).meta({ title: 'Tolerance of a reading', unit: 'mm' })

export const offsetsCalculator = calculator({
  name: 'angle-from-offsets',
  title: 'Angle from offsets',
  about:
    'A lean from two heights and two offsets, instead of one reading of a finder; what one degree changes; how far off the angle may be.',
  formula: 'tan θ = Δoffset / Δheight',
  source: 'trigonometry; worst case over the four readings',
  input: z
    .object({
      lowerHeightMm: any('Lower height'),
      lowerOffsetMm: any('Offset there'),
      upperHeightMm: any('Upper height'),
      upperOffsetMm: any('Offset there, upper'),
      toleranceMm: tolerance,
    })
    .refine((v) => v.upperHeightMm > v.lowerHeightMm, { path: ['upperHeightMm'], message: 'must be greater than the lower height' }),
  output: z.object({ angleDeg: number, errorDeg: number, offsetPerDegreeMm: number }),
  example: { lowerHeightMm: 900, lowerOffsetMm: 42, upperHeightMm: 1500, upperOffsetMm: 147, toleranceMm: 1 },
  run: angleFromOffsets,
})
