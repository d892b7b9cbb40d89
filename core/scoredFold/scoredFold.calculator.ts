import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { scoredFold } from './scoredFold'

export const scoredFoldCalculator = calculator({
  name: 'scored-fold',
  title: 'Scored fold',
  about: 'How wide a groove must be for the fold to close, the web that is left, and at which angle a groove as cut closes.',
  formula: 'w = 2·d·tan(θ/2)',
  source: 'geometry of a wedge',
  input: z.object({
    thicknessMm: positive('Plate', 'mm', 100),
    depthMm: positive('Groove, depth', 'mm', 100),
    angleDeg: z.number().gt(0).lt(180, 'must be less than 180°').meta({ title: 'Fold', unit: '°' }),
    cutMm: positive('Groove, width as cut', 'mm', 200).nullable().default(null),
  }),
  output: z.object({ widthMm: number, webMm: number, closes: z.boolean(), closesAtDeg: number, bead: z.string() }),
  example: { thicknessMm: 4, depthMm: 3, angleDeg: 90, cutMm: 4 },
  run: (v) => scoredFold(v.thicknessMm, v.depthMm, v.angleDeg, v.cutMm),
})
