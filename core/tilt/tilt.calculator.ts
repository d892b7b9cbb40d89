import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { tilted } from './tilt'

export const tiltCalculator = calculator({
  name: 'tilted-item',
  title: 'Stood at an angle',
  about: 'How tall and how far something reaches that leans: a tube over the tailgate, a board in a van.',
  formula: 'h = L·sin α + D·cos α; x = L·cos α + D·sin α',
  source: 'trigonometry',
  input: z.object({
    lengthMm: positive('Length', 'mm', 20_000),
    depthMm: zero('Depth', 'mm', 5000).default(0),
    angleDeg: z.number().min(0).max(90).meta({ title: 'Angle off level', unit: '°' }),
  }),
  output: z.object({ heightMm: number, reachMm: number }),
  example: { lengthMm: 3000, depthMm: 110, angleDeg: 24 },
  run: (v) => tilted(v.lengthMm, v.depthMm, v.angleDeg),
})
