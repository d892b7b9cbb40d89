import { radians } from '../quantity/units'
import { foldStressMPa } from './foldStress'
import { legsFlat, webOfStepMm } from './legs'

/** A step bracket and what stands on it: standing still, so far past the end of its web. mm, N, degrees */
export type StepGiven = {
  stepMm: number
  padMm: number
  holdMm: number
  armMm: number
  wideMm: number
  thicknessMm: number
  insideRadiusMm: number
  kFactor: number
  forceN: number
}
export type StepWay = { webDeg: number; blankMm: number; reachMm: number; lowerNmm: number; upperNmm: number; stressMPa: number }

/**
 * One way to fold the same step: a web that leans by less than 90° runs out by step/tan A, and the load with it, so that the lower fold is bent by F·(s/tan A + a),
 * the upper one by F·a (statics of a bent lever); σ = 6·M/(b·t²) at the lower, Gere & Goodno, 8th ed., 5.5. Blank by `flatPattern`. `g` = so many times its weight.
 */
export function stepWay(v: StepGiven, webDeg: number, g: number): StepWay {
  const runMm = v.stepMm / Math.tan(radians(webDeg))
  const reachMm = Math.abs(runMm) < 1e-9 ? v.armMm : runMm + v.armMm
  const flat = legsFlat(
    {
      wideMm: v.wideMm,
      legsMm: [v.padMm, webOfStepMm(v.stepMm, webDeg, v.thicknessMm), v.holdMm],
      turns: [
        { angleDeg: webDeg, side: 'up' },
        { angleDeg: webDeg, side: 'down' },
      ],
    },
    v,
  )
  const forceN = v.forceN * g
  return {
    ...{ webDeg, reachMm, blankMm: flat.lengthMm },
    ...{ lowerNmm: forceN * reachMm, upperNmm: forceN * v.armMm },
    stressMPa: foldStressMPa({ forceN, armMm: reachMm, momentNmm: 0, wideMm: v.wideMm, thicknessMm: v.thicknessMm }),
  }
}
