import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { K_CAN_BE, kOfTrial } from './foldTrial'

export const foldTrialCalculator = calculator({
  name: 'fold-trial',
  title: 'K factor from a trial fold',
  about: 'A strip is cut, folded once and measured: what the fold took off, and the K factor of this sheet in this tool.',
  formula: 'BD = a + b − L; BA = 2·(r + t)·tan(A/2) − BD; K = (BA/A − r)/t',
  source: "Machinery's Handbook, 30th ed., lengths of sheet-metal bends, turned round",
  input: z.object({
    thicknessMm: positive('Thickness', 'mm', 20),
    radiusMm: positive('Inside radius, as the tool leaves it', 'mm', 100),
    angleDeg: z.number().min(5).max(175).meta({ title: 'Turn', unit: '°' }),
    blankMm: positive('Length cut', 'mm', 5000),
    legAMm: positive('First leg, outside, to where the outer faces would meet', 'mm', 5000),
    legBMm: positive('Second leg', 'mm', 5000),
  }),
  output: z.object({ k: number, deductionMm: number, allowanceMm: number }),
  example: { thicknessMm: 2, radiusMm: 3, angleDeg: 90, blankMm: 96, legAMm: 40, legBMm: 60 },
  run: (given) => {
    const { possible, ...found } = kOfTrial(given)
    if (!possible)
      throw new Impossible(
        `K comes out at ${found.k.toFixed(2)}, and lies between ${K_CAN_BE[0]} and ${K_CAN_BE[1]}: measure both legs outside, to where the outer faces would meet, and the length before it was folded`,
      )
    return found
  },
})
