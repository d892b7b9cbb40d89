import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { slideOut } from './slide'

export const slideCalculator = calculator({
  name: 'slide-out',
  title: 'Tray pulled out',
  about:
    'What the inner fixings of a slide-out tray are pulled up by at full travel, from where on it would tip, and where the tray sits in the middle of its slide.',
  formula: 'F = g·(k·m·(travel − tray/2) − frame·base/2) / base',
  source: 'statics: moments about the edge that it hangs over; k: the shop’s own, for somebody leaning on it',
  input: z.object({
    trayMm: positive('Tray, length', 'mm', 5000),
    travelMm: zero('Travel', 'mm', 5000),
    baseMm: positive('Inner fixings behind the edge', 'mm', 5000),
    trayKg: zero('Tray', 'kg', 1000),
    loadKg: zero('Load on it', 'kg', 5000),
    frameKg: zero('Frame that stays', 'kg', 1000).default(0),
    fixings: z.number().int().min(1).max(40).default(2).meta({ title: 'Inner fixings' }),
    loadFactor: z.number().min(1).max(4).default(1.5).meta({ title: 'Factor for shocks and leaning' }),
  }),
  output: z.object({ upliftN: number, perFixingN: number, tipsAtMm: number.nullable(), trayOffsetMm: number }),
  example: { trayMm: 1400, travelMm: 1300, baseMm: 1300, trayKg: 22, loadKg: 90, frameKg: 14, fixings: 2 },
  run: slideOut,
})
