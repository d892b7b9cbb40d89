import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { wallsThatExplain } from './weigh'

export const weighCalculator = calculator({
  name: 'weigh-back',
  title: 'Weigh the finished piece',
  about: 'From what it weighs: how far that is from what was computed, and which wall of each tube would explain it.',
  formula: 't = (D − √(D² − 4·A/k))/2; k = π round, 4 square',
  source: 'area of a tube; sharp corners',
  input: z.object({
    weighedKg: positive('It weighs', 'kg', 10_000),
    otherKg: zero('Of that, not tube', 'kg', 10_000).default(0),
    tubes: z
      .array(
        z.object({
          name: z.string().min(1).max(60),
          outsideMm: positive('Outside', 'mm', 500),
          wallMm: positive('Wall as bought', 'mm', 100),
          lengthMm: positive('All of it, end to end', 'mm', 1_000_000),
          round: z.boolean().default(true),
          densityKgM3: z.number().min(500).max(20_000).default(7850),
        }),
      )
      .min(1, 'one tube at least')
      .max(40),
  }),
  output: z.object({
    computedKg: number,
    differenceKg: number,
    walls: z.array(z.object({ name: z.string(), wallMm: number, massKg: number })),
  }),
  example: { weighedKg: 16.2, otherKg: 1.1, tubes: [{ name: 'hoops and cross tubes', outsideMm: 32, wallMm: 2, lengthMm: 9400 }] },
  run: (v) => wallsThatExplain(v.tubes, v.otherKg, v.weighedKg),
})
