import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { tyreDiameterMm } from './masses'

export const tyresCalculator = calculator({
  name: 'tyre-change',
  title: 'Height with other tyres',
  about: 'How much higher a vehicle stands on other tyres, and what the speedometer then shows.',
  formula: 'D = 2·w·a + rim; Δh = (D₂ − D₁) / 2',
  source: 'ETRTO Standards Manual, nominal sizes; both tyres taken to sink alike',
  input: z
    .object({
      heightMm: positive('Height now'),
      now: z.string().max(30).meta({ title: 'Tyre now' }),
      next: z.string().max(30).meta({ title: 'Tyre next' }),
    })
    .superRefine((v, ctx) => {
      for (const key of ['now', 'next'] as const)
        if (tyreDiameterMm(v[key]) === null)
          ctx.addIssue({ code: 'custom', path: [key], message: `“${v[key]}” is no tyre size: write it as 235/65 R16` })
    }),
  output: z.object({ heightMm: number, higherByMm: number, nowMm: number, nextMm: number, trueSpeedAt100: number }),
  example: { heightMm: 2590, now: '235/65 R16', next: '245/75 R16' },
  run: (v) => {
    const [a, b] = [tyreDiameterMm(v.now) ?? 0, tyreDiameterMm(v.next) ?? 0]
    return { heightMm: v.heightMm + (b - a) / 2, higherByMm: (b - a) / 2, nowMm: a, nextMm: b, trueSpeedAt100: (100 * b) / a }
  },
})
