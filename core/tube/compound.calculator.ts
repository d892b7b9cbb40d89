import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { compoundBend } from './bend'

const lean = (title: string) => z.number().min(-85).max(85).meta({ title, unit: '°' })

export const compoundCalculator = calculator({
  name: 'compound-bend',
  title: 'One bend for two leans',
  about:
    'A tube that leans two ways at once is one bend in a turned plane: how far it bends, and how far its plane is turned from the first lean’s.',
  formula: 'cos A = cos a·cos b',
  source: 'spherical law of cosines for a right triangle',
  input: z.object({ firstDeg: lean('First lean'), secondDeg: lean('Second lean, square to it') }),
  output: z.object({ angleDeg: number, planeDeg: number }),
  example: { firstDeg: 12, secondDeg: 20 },
  run: (v) => compoundBend(v.firstDeg, v.secondDeg),
})
