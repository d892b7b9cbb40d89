import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { stepWay } from './stepCompare'

const way = z.object({ webDeg: number, blankMm: number, reachMm: number, lowerNmm: number, upperNmm: number, stressMPa: number })

export const stepCompareCalculator = calculator({
  name: 'bracket-step',
  title: 'Step bracket, square or slanted',
  about:
    'The same step folded square and with a slanted web: its blank, how far the load reaches out, and what that bends at the folds, standing still and thrown by a road.',
  formula: 'M = F·g·(s / tan A + a); σ = 6·M / (b·t²)',
  source: 'statics of a bent lever; flexure: Gere & Goodno, Mechanics of Materials, 8th ed., 5.5; blank: Machinery’s Handbook, 30th ed.',
  input: z.object({
    stepMm: positive('Step, from face to same face', 'mm', 1000),
    padMm: positive('Leg on what it stands on', 'mm', 1000),
    holdMm: positive('Leg that holds', 'mm', 1000),
    armMm: positive('Load past the upper fold', 'mm', 1000),
    webDeg: z.number().min(15, 'must be 15 or more').max(90).default(45).meta({ title: 'Slanted web folded by', unit: '°' }),
    wideMm: positive('Width', 'mm', 1000),
    thicknessMm: positive('Thickness', 'mm', 40),
    insideRadiusMm: positive('Inside radius', 'mm', 200),
    kFactor: z.number().min(0).max(0.6).default(0.42).meta({ title: 'K factor' }),
    forceN: positive('Weight on one bracket', 'N', 100_000),
    thrownG: z.number().min(1, 'must be 1 or more').max(20).default(2).meta({ title: 'Thrown by the road, times its weight' }),
  }),
  output: z.object({ square: way, slanted: way, squareThrown: way, slantedThrown: way, more: number }),
  example: { stepMm: 60, padMm: 70, holdMm: 60, armMm: 30, wideMm: 60, thicknessMm: 4, insideRadiusMm: 6, forceN: 100 },
  run: ({ webDeg, thrownG, ...v }) => {
    const [square, slanted] = [stepWay(v, 90, 1), stepWay(v, webDeg, 1)]
    return {
      ...{ square, slanted },
      ...{ squareThrown: stepWay(v, 90, thrownG), slantedThrown: stepWay(v, webDeg, thrownG) },
      more: slanted.stressMPa / square.stressMPa,
    }
  },
})
