import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { patternHoles } from './patternHoles'
import { patternMatches } from './patternMatch'

export const patternMatchCalculator = calculator({
  name: 'pattern-match',
  title: 'Where two hole patterns coincide',
  about:
    'Two drilled parts, as an accessory and a slide: at which shift and turn most bolts pass holes of both, and how far those stand apart.',
  formula: 'off ≤ (d₁ − d)/2 + (d₂ − d)/2',
  source: 'geometry of a bolt in two holes; smallest enclosing circle (Welzl 1991) of what is left over',
  input: z.object({
    one: patternHoles('Holes of the first part'),
    other: patternHoles('Holes of the second part'),
    boltMm: positive('Bolt', 'mm', 60),
    mayTurnOver: z.boolean().default(false).meta({ title: 'The second may be turned over' }),
  }),
  output: z.object({
    matches: z.array(
      z.object({
        turnDeg: number,
        over: z.boolean(),
        shiftXMm: number,
        shiftYMm: number,
        pairs: z.array(z.object({ one: number, other: number, offMm: number })),
        spreadMm: number,
        playMm: number,
      }),
    ),
  }),
  example: {
    one: [35, 163, 355, 547, 675].map((xMm) => ({ xMm, yMm: 38, diameterMm: 6.5 })),
    other: [0, 192, 320].map((xMm) => ({ xMm, yMm: 0, diameterMm: 6.6 })),
    boltMm: 6,
    mayTurnOver: false,
  },
  run: (given) => ({ matches: patternMatches(given) }),
})
