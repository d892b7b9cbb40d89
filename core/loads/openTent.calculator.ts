import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { windPressurePa } from './loadCases'

/** A tent by itself, its underside level with what carries it: what wind puts on it, and whether it would tip over the edge that the wind pushes it towards. */
export const openTentCalculator = calculator({
  name: 'open-tent',
  title: 'Tent open in wind',
  about:
    'What wind on a tent that stands open pushes and lifts, and how much of its weight is left to hold it down. Ladder and pegs are taken to hold nothing; what people inside weigh is left out.',
  formula: 'F = ½·ρ·v²·c·A, with drag on the face and lift on all it covers',
  source: 'EN 1991-1-4, 4.5; coefficients: the shop’s own rules',
  input: z.object({
    lengthMm: positive('Length, shut'),
    widthMm: positive('Width, shut'),
    reachMm: zero('Reaches out beyond that'),
    highMm: positive('Height, open'),
    massKg: positive('Mass, empty', 'kg', 1000),
    windKmh: z.number().min(0).max(150).meta({ title: 'Wind', unit: 'km/h' }),
  }),
  output: z.object({ asideN: number, aheadN: number, liftN: number, heldDownN: number, overturnsNmm: number }),
  example: { lengthMm: 2200, widthMm: 1300, reachMm: 1300, highMm: 1100, massKg: 58, windKmh: 40 },
  run: ({ lengthMm, widthMm, reachMm, highMm, massKg, windKmh }) => {
    const q = windPressurePa(defaultRules.airDensity, windKmh)
    const on = (c: number, aMm: number, bMm: number) => (q * c * aMm * bMm) / 1e6
    const asideN = on(defaultRules.dragCoefficient, lengthMm, highMm)
    const liftN = on(defaultRules.liftCoefficient, lengthMm, widthMm + reachMm)
    return {
      asideN,
      aheadN: on(defaultRules.dragCoefficient, widthMm + reachMm, highMm),
      liftN,
      heldDownN: massKg * G_M_S2 - liftN,
      overturnsNmm: (asideN * highMm) / 2,
    }
  },
})
