import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { fitUpGap, gangCut } from './gang'

export const gangCalculator = calculator({
  name: 'gang-cut',
  title: 'Cut several at once',
  about: 'How many alike pieces the saw takes at once, what that saves, and the gap that a saw off square leaves at a joint.',
  formula: 'n = ⌊throat / height⌋·⌊vice / width⌋; gap = 2·e·depth / 100',
  source: 'geometry; both ends off square the wrong way',
  input: z.object({
    heightMm: positive('Section, height', 'mm', 1000),
    widthMm: positive('Section, width', 'mm', 1000),
    throatMm: positive('Throat of the saw', 'mm', 2000),
    viceMm: positive('Vice opens', 'mm', 2000),
    pieces: z.number().int().min(1).max(10_000).meta({ title: 'Alike pieces' }),
    minutes: zero('Minutes a cut', 'min', 120).default(1.5),
    outOfSquareMm: zero('Off square over 100 mm', 'mm', 20).default(0.4),
    mostGapMm: zero('Largest gap to weld', 'mm', 10).default(1.5),
  }),
  output: z.object({ atOnce: number, cuts: number, savedMin: number, gapMm: number, bridges: z.boolean() }),
  example: { heightMm: 40, widthMm: 40, throatMm: 150, viceMm: 170, pieces: 14 },
  run: (v) => ({
    ...gangCut(v.heightMm, v.widthMm, v.throatMm, v.viceMm, v.pieces, v.minutes),
    ...fitUpGap(v.outOfSquareMm, 100, v.heightMm, v.mostGapMm),
  }),
})
