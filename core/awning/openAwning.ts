import { windPressurePa } from '../loads/loadCases'
import type { Rules } from '../rules/rules'

/**
 * Of the whole wind on an open awning, so much lifts and so much presses: overall force coefficients of a canopy of one slope up to 10°, with the vehicle
 * shutting one side of it (EN 1991-1-4:2005, table 7.6: cf = −1.4 blocked, +0.5).
 */
const CF = { up: 1.4, down: 0.5 }
/** The wind's force stands a quarter of the way in from the edge that it comes over (EN 1991-1-4:2005, 7.3, canopies of one slope). */
const IN = 0.25

export const windsFrom = ['side', 'vehicle', 'front', 'rear'] as const
/** One wind on it: what comes on its case, so far out from the case and ahead of its middle. N, mm */
export type OpenWind = { from: (typeof windsFrom)[number]; way: 'up' | 'down'; forceN: number; outMm: number; aheadMm: number }

/**
 * What an awning puts on its case while it is open in the wind it is rolled in at, F = cf·q·A, from each side and both ways. Pegged legs at its outer edge
 * hold their share by the lever and the case the rest; without legs all of it hangs on the case. Lengths mm, forces N.
 */
export function openAwning(
  { lengthMm, opensMm, legs }: { lengthMm: number; opensMm: number; legs: boolean },
  rules: Pick<Rules, 'airDensity' | 'awningKmh'>,
): OpenWind[] {
  const whole = (windPressurePa(rules.airDensity, rules.awningKmh) * lengthMm * opensMm) / 1e6
  const at = {
    side: { out: 1 - IN, ahead: 0 },
    vehicle: { out: IN, ahead: 0 },
    front: { out: 0.5, ahead: 0.5 - IN },
    rear: { out: 0.5, ahead: IN - 0.5 },
  }
  return windsFrom.flatMap((from) =>
    (['up', 'down'] as const).map((way): OpenWind => {
      const { out, ahead } = at[from]
      return {
        ...{ from, way, aheadMm: ahead * lengthMm },
        forceN: CF[way] * whole * (legs ? 1 - out : 1),
        outMm: legs ? 0 : out * opensMm,
      }
    }),
  )
}
