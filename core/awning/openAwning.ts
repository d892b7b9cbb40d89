import { windPressurePa } from '../loads/loadCases'
import type { Rules } from '../rules/rules'

/**
 * Of the whole wind on an open awning, so much lifts and so much presses: overall force coefficients of a canopy of one slope up to 10°, with the vehicle
 * shutting one side of it (EN 1991-1-4:2005, table 7.6: cf = −1.4 blocked, +0.5).
 */
const LIFTS = 1.4
const PRESSES = 0.5
/** What stands on legs at its outer edge comes half on its case, if the legs are pegged down. */
const ON_CASE = 0.5

export type OpenAwning = { upN: number; downN: number; leverMm: number }
/**
 * What an awning puts on its case while it is open in the wind it is rolled in at: F = cf·q·A, in the middle of the cloth; with legs half of it, at the case.
 * Lengths mm, forces N, lever outward from the case.
 */
export function openAwning(
  { lengthMm, opensMm, legs }: { lengthMm: number; opensMm: number; legs: boolean },
  rules: Pick<Rules, 'airDensity' | 'awningKmh'>,
): OpenAwning {
  const whole = (windPressurePa(rules.airDensity, rules.awningKmh) * lengthMm * opensMm) / 1e6
  const share = legs ? ON_CASE : 1
  return { upN: LIFTS * whole * share, downN: PRESSES * whole * share, leverMm: legs ? 0 : opensMm / 2 }
}
