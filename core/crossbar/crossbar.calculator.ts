import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { CrossbarStaticsInput, crossbarStatics, crossbarStaticsExample } from './statics'

export const crossbarCalculator = calculator({
  name: 'crossbar',
  title: 'Crossbar on two feet',
  about: 'Foot reactions, bending, stress and sag of a bar on two feet with free ends, under point and spread loads.',
  formula: 'ΣF = 0, ΣM = 0; σ = M / W; E·I·v⁗ = −q',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., ch. 5 and 9; Roark, table 8.1',
  input: CrossbarStaticsInput,
  output: z.object({
    reactionsN: z.tuple([number, number]),
    maxMomentNmm: number,
    maxMomentAtMm: number,
    stressMPa: number,
    maxSagMm: number,
    maxSagAtMm: number,
  }),
  example: crossbarStaticsExample,
  run: (given) => crossbarStatics(given),
})
