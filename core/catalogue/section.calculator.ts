import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { ShapeSchema, sectionOf, shapeFault } from './section'

export const sectionCalculator = calculator({
  name: 'section',
  title: 'Section properties',
  about: 'Area, second moments, section modulus and mass of a bar from its outside dimensions, corner radii included.',
  formula: 'A, I by superposition and the parallel-axis theorem; W = I / c; J by Bredt or Σ b·t³/3; m = A·ρ',
  source: 'Roark, 8th ed., tables A.1, 10.1, 10.7; EN 10219-2, annex B (corners)',
  input: z
    .object({ shape: ShapeSchema, densityKgM3: z.number().min(100).max(20_000).default(7850).meta({ title: 'Density', unit: 'kg/m³' }) })
    .superRefine((v, ctx) => {
      const fault = shapeFault(v.shape)
      if (fault) ctx.addIssue({ code: 'custom', path: ['shape', fault.field], message: fault.message })
    }),
  output: z.object({
    areaMm2: number,
    iyMm4: number,
    izMm4: number,
    torsionMm4: number,
    wyMm3: number,
    perimeterMm: number,
    massKgPerM: number,
  }),
  example: { shape: { kind: 'rectangular', heightMm: 40, widthMm: 40, wallMm: 3, outsideRadiusMm: 6 }, densityKgM3: 7850 },
  run: ({ shape, densityKgM3 }) => {
    const { areaMm2, iyMm4, izMm4, torsionMm4, wyMm3, perimeterMm } = sectionOf(shape)
    return { areaMm2, iyMm4, izMm4, torsionMm4, wyMm3, perimeterMm, massKgPerM: (areaMm2 * densityKgM3) / 1e6 }
  },
})
