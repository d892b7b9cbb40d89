import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { G_M_S2 } from '../quantity/units'
import { barHz, sheddingHz, singsAtKmh } from '../structure/whistle'
import { windPressurePa } from './loadCases'

export const windCalculator = calculator({
  name: 'wind-and-whistle',
  title: 'Wind and whistle',
  about:
    'Drag and lift on a thing on the roof at a speed, how many kilograms of its weight the lift takes off, and the tone and singing speed of a bare bar.',
  formula: 'q = ½·ρ·v²; F = q·C·A; f = St·v/D; f₁ = (π/2L²)·√(EI/m)',
  source: 'EN 1991-1-4, 4.5; Hoerner, Fluid-Dynamic Drag; Blevins, Flow-Induced Vibration, 2nd ed.',
  input: z.object({
    speedKmh: positive('Speed through the air', 'km/h', 300),
    airDensity: z.number().min(0.8).max(1.5).default(1.225).meta({ title: 'Air density', unit: 'kg/m³' }),
    acrossMm: positive('Width facing the wind', 'mm', 5000),
    heightMm: positive('Height facing the wind', 'mm', 3000),
    lengthMm: positive('Length along the vehicle', 'mm', 20_000),
    dragCoefficient: z.number().min(0.05).max(2.5).default(1.2).meta({ title: 'Drag coefficient' }),
    liftCoefficient: z.number().min(0).max(2).default(0.3).meta({ title: 'Lift coefficient' }),
    massKg: zero('Its mass', 'kg', 5000),
    bar: z.enum(['round', 'flat']).default('round').meta({ title: 'Bare bar' }),
    barMm: positive('Bar, height in the wind', 'mm', 200),
    barSpanMm: positive('Bar, span between feet', 'mm', 5000),
    barKgM: positive('Bar, mass per metre', 'kg/m', 50),
    elasticMPa: positive('Bar, elastic modulus', 'MPa').default(210_000),
    secondMomentMm4: positive('Bar, second moment of area', 'mm⁴', 1e9),
  }),
  output: z.object({
    pressurePa: number,
    dragN: number,
    liftN: number,
    liftKg: number,
    floats: z.boolean(),
    toneHz: number,
    ownHz: number,
    singsAtKmh: number,
  }),
  example: {
    speedKmh: 110,
    acrossMm: 900,
    heightMm: 400,
    lengthMm: 2000,
    massKg: 45,
    barMm: 32,
    barSpanMm: 1500,
    barKgM: 1.48,
    secondMomentMm4: 21_300,
  },
  run: (v) => {
    const pressurePa = windPressurePa(v.airDensity, v.speedKmh)
    const liftN = (pressurePa * v.liftCoefficient * v.acrossMm * v.lengthMm) / 1e6
    const ownHz = barHz(v.barSpanMm, v.elasticMPa, v.secondMomentMm4, v.barKgM)
    return {
      pressurePa,
      dragN: (pressurePa * v.dragCoefficient * v.acrossMm * v.heightMm) / 1e6,
      liftN,
      liftKg: liftN / G_M_S2,
      floats: liftN > v.massKg * G_M_S2,
      toneHz: sheddingHz(v.bar, v.speedKmh, v.barMm),
      ownHz,
      singsAtKmh: singsAtKmh(v.bar, ownHz, v.barMm),
    }
  },
})
