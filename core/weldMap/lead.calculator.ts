import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { leadOf } from './lead'

export const leadCalculator = calculator({
  name: 'welder-lead',
  title: 'Welder at the end of a lead',
  about: 'What an extension lead takes from the voltage, over both its conductors, and whether the breaker holds what the welder draws.',
  formula: 'ΔV = 2·ρ·L·I / A',
  source: 'Ohm’s law; copper 0.0172 Ω·mm²/m at 20 °C (IEC 60228), warm from use',
  input: z.object({
    supplyV: positive('Supply', 'V', 1000),
    drawsA: positive('The welder draws', 'A', 500),
    breakerA: positive('Breaker', 'A', 500),
    leadMm2: positive('Section of one conductor', 'mm²', 500),
    leadMm: positive('Length of the lead', 'mm', 500_000),
  }),
  output: z.object({ dropV: number, dropShare: number, atWelderV: number, breakerHolds: z.boolean() }),
  example: { supplyV: 230, drawsA: 26, breakerA: 32, leadMm2: 2.5, leadMm: 30_000 },
  run: (v) => leadOf(v),
})
