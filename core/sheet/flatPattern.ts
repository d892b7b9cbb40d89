import { radians } from '../quantity/units'

export type FlatPatternInput = { thickness: number; insideRadius: number; kFactor: number; flanges: number[]; bends: { angle: number }[] }
export type FlatPattern = {
  flatLength: number
  bendLines: number[]
  bends: { allowanceMm: number; setbackMm: number; deductionMm: number }[]
}

/**
 * Blank of a folded strip. Flanges are outside lengths to the outer apex (mm); angles are the turn (degrees, < 180).
 * Bend allowance BA = (r + K·t)·A, outside setback OSSB = (r + t)·tan(A/2), deduction BD = 2·OSSB − BA;
 * flat length = Σ flanges − Σ BD. Bend lines are the middles of the bent zones, from the first edge.
 * Source: Machinery's Handbook, 30th ed., "Lengths of sheet-metal bends"; DIN 6935 for the neutral-line idea.
 * Throws when the numbers of flanges and bends do not match; the calculator's schema refuses that first.
 */
export function flatPattern({ thickness: t, insideRadius: r, kFactor: k, flanges, bends }: FlatPatternInput): FlatPattern {
  if (flanges.length !== bends.length + 1) throw new Error(`${flanges.length} flanges need ${flanges.length - 1} bends`)
  const worked = bends.map(({ angle }) => {
    const a = radians(angle)
    const allowanceMm = (r + k * t) * a
    const setbackMm = (r + t) * Math.tan(a / 2)
    return { allowanceMm, setbackMm, deductionMm: 2 * setbackMm - allowanceMm }
  })
  const bendLines: number[] = []
  let at = 0
  flanges.forEach((outside, i) => {
    at += outside - (worked[i - 1]?.setbackMm ?? 0) - (worked[i]?.setbackMm ?? 0)
    const bend = worked[i]
    if (!bend) return
    bendLines.push(at + bend.allowanceMm / 2)
    at += bend.allowanceMm
  })
  return { flatLength: at, bendLines, bends: worked }
}
