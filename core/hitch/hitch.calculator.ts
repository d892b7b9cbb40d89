import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive, zero } from '../calculator/fields'
import { G_M_S2 } from '../quantity/units'
import { departureDeg, hitchLoad } from './departure'

export const hitchCalculator = calculator({
  name: 'tongue-and-carrier',
  title: 'Tongue and carrier',
  about: 'What a receiver feels of a carrier and its load: weight, moment about the pin, and the departure angle left under it.',
  formula: 'm = Σ mᵢ; M = Σ mᵢ·g·dᵢ; d·sin α + (R − h)·cos α = R',
  source: 'statics; ISO 612, 6.11',
  input: z.object({
    items: z
      .array(z.object({ name: z.string().min(1).max(80), massKg: zero('Mass', 'kg', 5000), behindMm: any('Behind the pin') }))
      .min(1)
      .max(40),
    tongueKg: positive('Tongue rating', 'kg').nullable().default(null),
    carrierKg: positive('Carrier rating', 'kg').nullable().default(null),
    pinBehindAxleMm: positive('Pin behind the rear axle', 'mm', 5000),
    endBehindPinMm: positive('Carrier’s end behind the pin', 'mm', 5000),
    bottomMm: zero('Its lowest part above the ground', 'mm', 3000),
    tyreMm: positive('Tyre, outside diameter', 'mm', 2000),
  }),
  output: z.object({
    massKg: number,
    momentNm: number,
    tongueUsed: number.nullable(),
    carrierUsed: number.nullable(),
    departureDeg: number,
    say: z.string(),
  }),
  example: {
    items: [
      { name: 'carrier', massKg: 20, behindMm: 300 },
      { name: 'two bicycles', massKg: 36, behindMm: 500 },
    ],
    tongueKg: 75,
    carrierKg: null,
    pinBehindAxleMm: 1350,
    endBehindPinMm: 700,
    bottomMm: 420,
    tyreMm: 712,
  },
  run: (v) => {
    const { massKg, momentNmm } = hitchLoad(v.items, G_M_S2)
    const used = (rating: number | null) => (rating === null ? null : massKg / rating)
    const [tongueUsed, carrierUsed] = [used(v.tongueKg), used(v.carrierKg)]
    const over = [tongueUsed, carrierUsed].some((u) => u !== null && u > 1)
    const open = [v.tongueKg === null ? 'tongue rating' : '', v.carrierKg === null ? 'carrier rating' : ''].filter(Boolean)
    return {
      massKg,
      momentNm: momentNmm / 1000,
      tongueUsed,
      carrierUsed,
      departureDeg: departureDeg(v.pinBehindAxleMm + v.endBehindPinMm, v.bottomMm, v.tyreMm / 2),
      say: over ? 'over a rating' : open.length ? `not assessed: ${open.join(' and ')} unknown` : 'within the ratings given',
    }
  },
})
