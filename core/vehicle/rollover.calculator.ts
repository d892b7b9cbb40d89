import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { degrees, type Radians } from '../quantity/units'

export const rolloverCalculator = calculator({
  name: 'rollover',
  title: 'Rollover figure',
  about:
    'Static stability factor before and after a load on the roof, the tilt at which the vehicle would balance on its outer wheels, and what the load costs.',
  formula: 'SSF = T/2h; h′ = (m·h + Σ mᵢ·zᵢ)/(m + Σ mᵢ); tilt = atan SSF',
  source: 'NHTSA static stability factor',
  input: z.object({
    trackMm: positive('Track width', 'mm', 5000),
    centreHeightMm: positive('Centre of mass height, unladen', 'mm', 5000),
    massKg: positive('Mass, unladen', 'kg', 50_000),
    items: z
      .array(
        z.object({ name: z.string().min(1).max(80), massKg: zero('Mass', 'kg', 5000), heightMm: zero('Height of its centre', 'mm', 6000) }),
      )
      .max(40),
  }),
  output: z.object({ before: number, after: number, lossPercent: number, heightAfterMm: number, tiltDeg: number }),
  example: { trackMm: 1730, centreHeightMm: 790, massKg: 2570, items: [{ name: 'rack and load', massKg: 110, heightMm: 2800 }] },
  run: (v) => {
    const mass = v.items.reduce((s, i) => s + i.massKg, v.massKg)
    const heightAfterMm = (v.massKg * v.centreHeightMm + v.items.reduce((s, i) => s + i.massKg * i.heightMm, 0)) / mass
    const [before, after] = [v.trackMm / (2 * v.centreHeightMm), v.trackMm / (2 * heightAfterMm)]
    return { before, after, lossPercent: 100 * (1 - after / before), heightAfterMm, tiltDeg: degrees(Math.atan(after) as Radians) }
  },
})
