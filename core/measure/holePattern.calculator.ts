import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive } from '../calculator/fields'
import { fitHolePattern } from './holePattern'

const point = z.object({ xMm: any('Along'), yMm: any('Across') })

export const holePatternCalculator = calculator({
  name: 'hole-pattern',
  title: 'Misfit of a hole pattern',
  about:
    'A drilled part over the vehicle’s own crooked holes: where it must lie, how far each hole is off, and the smallest common hole and washer that still seats every bolt.',
  formula: 'hole = d + 2·(e + t); e = min over shift and turn of the worst offset',
  source: 'smallest enclosing circle (Welzl 1991) at the best turn; washer seat: shop’s own, half the bolt beyond the hole',
  input: z
    .object({
      partHoles: z.array(point).min(1).max(40),
      vehicleHoles: z.array(point).min(1).max(40),
      boltMm: positive('Bolt', 'mm', 60),
      toleranceMm: z.number().min(0).max(50).default(0.5).meta({ title: 'Tolerance of a place', unit: 'mm' }),
    })
    .refine((v) => v.partHoles.length === v.vehicleHoles.length, {
      path: ['vehicleHoles'],
      message: 'give as many vehicle holes as part holes, in the same order',
    }),
  output: z.object({
    shiftXMm: number,
    shiftYMm: number,
    turnDeg: number,
    offsetsMm: z.array(number),
    worstMm: number,
    holeMm: number,
    washerMm: number,
  }),
  example: {
    partHoles: [
      { xMm: 0, yMm: 0 },
      { xMm: 700, yMm: 0 },
      { xMm: 0, yMm: 1100 },
      { xMm: 700, yMm: 1100 },
    ],
    vehicleHoles: [
      { xMm: 0, yMm: 0 },
      { xMm: 703, yMm: 1 },
      { xMm: 1, yMm: 1098 },
      { xMm: 702, yMm: 1101 },
    ],
    boltMm: 8,
    toleranceMm: 0.5,
  },
  run: fitHolePattern,
})
