import { flatPattern } from './flatPattern'

export type FoldedBend = { atMm: number; angleDeg: number; side: 'up' | 'down'; insideRadiusMm: number }
export type StepBracketGiven = {
  /** clear step between the foot's side and the bar's, as a tape reads it across the folded part */
  stepMm: number
  riseMm: number
  thicknessMm: number
  /** seats of the bolts at the foot and at the bar, edge to fold */
  footPadMm: number
  barPadMm: number
  insideRadiusMm: number
  kFactor: number
}
export type StepBracket = {
  /** from the foot's line to the bar's: the step and one thickness, for the pads are folded out of the sheet that steps */
  offsetMm: number
  angleDeg: number
  insideRadiusMm: number
  /** outside lengths to the outer apexes, as they are laid out */
  flangesMm: [number, number, number]
  flatLengthMm: number
  bends: [FoldedBend, FoldedBend]
}

/** A step needs room to fold: under this the web is only a slanted jog. */
const LEAST_RISE_MM = 20

/**
 * A Z bracket that carries the bar's end a step inboard of its foot, so that a stock length becomes the bar: one model for bar, blank, folds and faces.
 * Three faces: foot pad, web as long as offset and rise together, bar pad. Both folds turn by the web's lean, the second the other way: one line is
 * marked face up, one face down. On one face of the sheet the web runs from an inner to an outer apex, so its outside length is t·tan(A/2) more than
 * √(offset² + rise²). mm and degrees; blank by `flatPattern`.
 */
export function stepBracket(given: StepBracketGiven): StepBracket {
  const { thicknessMm: t, insideRadiusMm } = given
  const rise = Math.max(LEAST_RISE_MM, given.riseMm)
  const offsetMm = given.stepMm + t
  const angle = Math.atan2(rise, offsetMm)
  const angleDeg = (angle * 180) / Math.PI
  const flangesMm: [number, number, number] = [given.footPadMm, Math.hypot(offsetMm, rise) + t * Math.tan(angle / 2), given.barPadMm]
  const flat = flatPattern({
    thickness: t,
    insideRadius: insideRadiusMm,
    kFactor: given.kFactor,
    flanges: flangesMm,
    bends: [{ angle: angleDeg }, { angle: angleDeg }],
  })
  const bend = (i: number, side: FoldedBend['side']): FoldedBend => ({ atMm: flat.bendLines[i]!, angleDeg, side, insideRadiusMm })
  return { offsetMm, angleDeg, insideRadiusMm, flangesMm, flatLengthMm: flat.flatLength, bends: [bend(0, 'up'), bend(1, 'down')] }
}
