import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { wire } from './wiring'

export const wiringCalculator = calculator({
  name: 'wire-and-fuse',
  title: 'Wire and fuse',
  about: 'The smallest conductor for a lamp or a winch on a vehicle by its voltage drop, and the fuse at the battery that protects it.',
  formula: 'ΔV = 2·ρ·L·I / A; fuse ≥ reserve·I',
  source: 'Ohm’s law; IEC 60228; ISO 8820-3. Drop and reserve: the shop’s own. Wiring is for people trained in it',
  input: z.object({
    powerW: positive('Power', 'W', 10_000),
    supplyV: positive('Supply', 'V', 1000).default(12),
    lengthMm: positive('Run, one way', 'mm', 100_000),
    mostShare: z.number().min(0.005).max(0.2).default(0.03).meta({ title: 'Most of the voltage lost' }),
    reserve: z.number().min(1).max(3).default(1.25).meta({ title: 'Reserve of the fuse' }),
  }),
  output: z.object({ currentA: number, sectionMm2: number, dropV: number, dropShare: number, fuseA: number, cableMustCarryA: number }),
  example: { powerW: 96, lengthMm: 5200 },
  run: (v) => wire(v.powerW, v.supplyV, v.lengthMm, v.mostShare, v.reserve),
})
