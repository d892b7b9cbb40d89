import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { wire } from './wiring'

export const wiringCalculator = calculator({
  name: 'wire-and-fuse',
  title: 'Wire and fuse',
  about:
    'The fuse at the battery for a lamp or a motor on a vehicle, and the smallest conductor that loses little and carries no less than it.',
  formula: 'fuse ≥ reserve·I; ΔV = 2·ρ·L·I / A; A·j ≥ fuse',
  source: 'Ohm’s law; IEC 60228; ISO 8820-3. Drop, reserve and load of the copper: the shop’s own. Wiring is for people trained in it',
  input: z.object({
    powerW: positive('Power', 'W', 10_000),
    supplyV: positive('Supply', 'V', 1000).default(12),
    lengthMm: positive('Run, one way', 'mm', 100_000),
    mostShare: z.number().min(0.005).max(0.2).default(0.03).meta({ title: 'Most of the voltage lost' }),
    reserve: z.number().min(1).max(3).default(1.25).meta({ title: 'Reserve of the fuse' }),
    mostAPerMm2: z.number().min(1).max(12).default(5).meta({ title: 'Most A for a mm² of copper' }),
  }),
  output: z.object({ currentA: number, sectionMm2: number, dropV: number, dropShare: number, fuseA: number, cableMustCarryA: number }),
  example: { powerW: 96, lengthMm: 5200 },
  run: ({ mostShare, reserve, mostAPerMm2, ...fed }) => wire({ ...fed, back: 'cable' }, { mostShare, reserve, mostAPerMm2 }),
})
