import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { flatPattern } from './flatPattern'

export const flatPatternCalculator = calculator({
  name: 'flat-pattern',
  title: 'Flat pattern',
  about: 'Blank length and bend lines of a folded strip from outside flange lengths.',
  formula: 'BA = (r + K·t)·A; OSSB = (r + t)·tan(A/2); flat = Σ flanges − Σ (2·OSSB − BA)',
  source: "Machinery's Handbook, 30th ed., lengths of sheet-metal bends",
  input: z
    .object({
      thickness: positive('Thickness', 'mm', 10_000),
      insideRadius: z.number().min(0).max(1000).meta({ title: 'Inside radius', unit: 'mm' }),
      kFactor: z.number().min(0).max(1).meta({ title: 'K factor' }),
      flanges: z
        .array(positive('Flange', 'mm', 10_000))
        .min(1)
        .max(30),
      bends: z.array(z.object({ angle: z.number().gt(0).lt(180) })).max(29),
    })
    .refine((v) => v.flanges.length === v.bends.length + 1, { path: ['flanges'], message: 'there must be one flange more than bends' }),
  output: z.object({ flatLength: number, bendLines: z.array(number) }),
  example: { thickness: 2, insideRadius: 3, kFactor: 0.42, flanges: [40, 60, 40], bends: [{ angle: 90 }, { angle: 90 }] },
  run: (given) => {
    const { flatLength, bendLines } = flatPattern(given)
    const edges = [0, ...bendLines, flatLength]
    if (edges.some((x, i) => i > 0 && x <= edges[i - 1]!))
      throw new Impossible('a flange is shorter than its bends take: lengthen it or use a smaller radius')
    return { flatLength, bendLines }
  },
})
