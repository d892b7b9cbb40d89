import { defaultRules } from '../rules/rules'
import { flatPattern } from './flatPattern'

export type StepBracket = {
  flatLengthMm: number
  flangesMm: number[]
  bends: { atMm: number; angleDeg: number; face: 'up' | 'down' }[]
  insideRadiusMm: number
}

const FOOT_PAD_MM = 60 // seat of two M8 bolts with washers; shop's own
/** A step needs room to fold: under this the web is only a slanted jog. */
const LEAST_RISE_MM = 20

/**
 * A Z bracket that carries the bar's end a step inboard of its foot, so that a stock length becomes the bar.
 * Three faces: foot pad, web as long as step and rise together, bar pad. Both folds turn by the web's lean, the second
 * the other way, so one line is marked face up and one face down. mm and degrees. Blank by `flatPattern`.
 */
export function stepBracket(given: { stepMm: number; riseMm: number; thicknessMm: number; kFactor?: number }): StepBracket {
  const rise = Math.max(LEAST_RISE_MM, given.riseMm)
  const angleDeg = (Math.atan2(rise, given.stepMm) * 180) / Math.PI
  const insideRadiusMm = given.thicknessMm * 1.5
  const flangesMm = [FOOT_PAD_MM, Math.hypot(given.stepMm, rise), FOOT_PAD_MM]
  const flat = flatPattern({
    thickness: given.thicknessMm,
    insideRadius: insideRadiusMm,
    kFactor: given.kFactor ?? defaultRules.kFactor,
    flanges: flangesMm,
    bends: [{ angle: angleDeg }, { angle: angleDeg }],
  })
  return {
    flatLengthMm: flat.flatLength,
    flangesMm,
    insideRadiusMm,
    bends: [
      { atMm: flat.bendLines[0], angleDeg, face: 'up' },
      { atMm: flat.bendLines[1], angleDeg, face: 'down' },
    ],
  }
}
