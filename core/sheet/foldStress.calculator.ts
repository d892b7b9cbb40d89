import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { foldStressMPa } from './foldStress'

export const foldStressCalculator = calculator({
  name: 'bracket-fold',
  title: 'Bracket, bending at its fold',
  about: 'What a load on one leg of a folded bracket does at the fold, and the thickness that would keep it under what the sheet may take.',
  formula: 'σ = 6·(F·a + M) / (b·t²); t = √(6·(F·a + M) / (b·σ allowed))',
  source: 'flexure of a rectangle: Gere & Goodno, Mechanics of Materials, 8th ed., 5.5',
  input: z.object({
    forceN: positive('Force on the leg', 'N', 100_000),
    armMm: positive('Its distance from the fold', 'mm', 2000),
    momentNmm: z.number().min(0).max(1e8).default(0).meta({ title: 'What turns the leg besides', unit: 'N·mm' }),
    wideMm: positive('Width at the fold', 'mm', 2000),
    thicknessMm: positive('Thickness', 'mm', 40),
    allowedMPa: positive('Stress it may take', 'MPa', 1000).default(141),
  }),
  output: z.object({ stressMPa: number, used: number, leastThicknessMm: number }),
  example: { forceN: 320, armMm: 45, wideMm: 60, thicknessMm: 4 },
  run: ({ allowedMPa, ...f }) => {
    const stressMPa = foldStressMPa(f)
    return { stressMPa, used: stressMPa / allowedMPa, leastThicknessMm: f.thicknessMm * Math.sqrt(stressMPa / allowedMPa) }
  },
})
