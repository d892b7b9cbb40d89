import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { liftPlan } from './lift'

export const liftCalculator = calculator({
  name: 'lift-plan',
  title: 'Who lifts it',
  about: 'How many people, or a hoist, for a piece of that mass to that height.',
  formula: 'n = m / per person, rounded up; half as much each above the shoulder',
  source: "shop's own: 25 kg a person, less above the shoulder; local rules for work say what applies",
  input: z.object({
    massKg: positive('It weighs', 'kg', 5000),
    toMm: zero('Lifted to', 'mm', 6000),
    perPersonKg: positive('One person lifts', 'kg', 100).default(25),
    shoulderMm: positive('Shoulder height', 'mm', 2500).default(1400),
  }),
  output: z.object({ people: number, hoist: z.boolean(), eachN: number, says: z.string() }),
  example: { massKg: 68, toMm: 1960 },
  run: (v) => liftPlan(v.massKg, v.toMm, v.perPersonKg, v.shoulderMm),
})
