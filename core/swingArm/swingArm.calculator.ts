import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { swingArm } from './swingArm'

export const swingArmCalculator = calculator({
  name: 'swing-arm',
  title: 'Wheel on a swing arm',
  about:
    'An arm swung open with the spare wheel on it: the moment at its spindle, what its two collars take, and what its stop must hold where the ground slopes.',
  formula: 'M = g·cos θ·Σ m·r; collar = M / h; stop = g·sin θ·Σ m·r / l',
  source: 'statics; parked, without the road’s shocks',
  input: z.object({
    wheelKg: positive('Wheel with its tyre', 'kg', 200),
    armKg: z.number().min(0).max(200).default(8).meta({ title: 'Arm', unit: 'kg' }),
    wheelReachMm: positive('Spindle to the middle of the wheel', 'mm', 3000),
    armReachMm: z.number().min(0).max(3000).default(600).meta({ title: 'Spindle to the middle of the arm', unit: 'mm' }),
    stopReachMm: positive('Spindle to its stop', 'mm', 3000).default(150),
    collarsMm: positive('Collars apart on the spindle', 'mm', 1000).default(100),
    slopeDeg: z.number().min(0).max(30).default(5).meta({ title: 'Slope of the ground', unit: '°' }),
  }),
  output: z.object({ momentNmm: number, collarN: number, stopN: number }),
  example: { wheelKg: 32, wheelReachMm: 700 },
  run: swingArm,
})
