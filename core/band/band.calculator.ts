import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { bandLengthMm } from './band'

export const bandCalculator = calculator({
  name: 'perimeter-band',
  title: 'Band round a rack',
  about: 'Length of a band or rail round a rectangle with rounded corners, over its own middle; cut it long and trim it at the joint.',
  formula: '2·(L + W) − (8 − 2·π)·r = 2·(L + W) − 1.717·r',
  source: 'geometry; each corner saves 2·r − π·r/2',
  input: z.object({
    lengthMm: positive('Length outside', 'mm', 20_000),
    widthMm: positive('Width outside', 'mm', 20_000),
    cornerMm: zero('Corner radius outside', 'mm', 5000),
    thicknessMm: zero('Thickness of the band', 'mm', 200).default(0),
  }),
  output: z.object({ aroundMm: number, bandMm: number, cornersTakeMm: number }),
  example: { lengthMm: 2200, widthMm: 1300, cornerMm: 90, thicknessMm: 5 },
  run: (v) => bandLengthMm(v.lengthMm, v.widthMm, v.cornerMm, v.thicknessMm),
})
