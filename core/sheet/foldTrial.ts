import { radians } from '../quantity/units'
import type { FoldTrial } from '../rules/foldTrials'
import type { Rules } from '../rules/rules'

/** Inside radius of an air bend as a share of the thickness, until a trial says what the tool leaves; the shop's own. */
const RADIUS_PER_THICKNESS = 1.5
/** What K can be at all: 0 = the inside keeps its length, 0.5 = the middle does, a little more where sheet is thinned in the bend. */
export const K_CAN_BE: [number, number] = [0, 0.6]
/** Sheets this near in thickness are one gauge. mm */
const SAME_GAUGE_MM = 0.05

export type TrialGiven = Pick<FoldTrial, 'thicknessMm' | 'radiusMm' | 'angleDeg' | 'blankMm' | 'legAMm' | 'legBMm'>

/**
 * K of a trial fold: BD = a + b − L is what the fold took off the outside lengths; BA = 2·(r + t)·tan(A/2) − BD what it used of the sheet; K = (BA/A − r)/t.
 * Machinery's Handbook, 30th ed., lengths of sheet-metal bends, turned round. mm, degrees. A K that no sheet can have says that something was misread: it is
 * given all the same, and `possible` says so.
 */
export function kOfTrial(t: TrialGiven): { k: number; deductionMm: number; allowanceMm: number; possible: boolean } {
  const a = radians(t.angleDeg)
  const deductionMm = t.legAMm + t.legBMm - t.blankMm
  const allowanceMm = 2 * (t.radiusMm + t.thicknessMm) * Math.tan(a / 2) - deductionMm
  const k = (allowanceMm / a - t.radiusMm) / t.thicknessMm
  return { k, deductionMm, allowanceMm, possible: k > K_CAN_BE[0] && k <= K_CAN_BE[1] }
}

/** What the trials of one sheet taught: how many, the last, K in the mean with least and most, and the radius that the tool leaves. mm */
export type LearnedFold = { trials: FoldTrial[]; last: string; k: number; leastK: number; mostK: number; radiusMm: number }

export function learnedFold(trials: FoldTrial[], materialId: string, thicknessMm: number): LearnedFold | null {
  const own = trials.filter(
    (t) => t.materialId === materialId && Math.abs(t.thicknessMm - thicknessMm) < SAME_GAUGE_MM && kOfTrial(t).possible,
  )
  if (!own.length) return null
  const ks = own.map((t) => kOfTrial(t).k)
  const mean = (list: number[]) => list.reduce((s, v) => s + v, 0) / list.length
  return {
    trials: own,
    last: own
      .map((t) => t.on)
      .sort()
      .at(-1)!,
    k: mean(ks),
    leastK: Math.min(...ks),
    mostK: Math.max(...ks),
    radiusMm: mean(own.map((t) => t.radiusMm)),
  }
}

/** How a sheet folds in this shop: by its own trials of that metal and gauge, else by the shop's usual K and radius. mm */
export function foldOf(rules: Rules, materialId: string, thicknessMm: number): { insideRadiusMm: number; kFactor: number } {
  const learned = learnedFold(rules.foldTrials, materialId, thicknessMm)
  return learned
    ? { insideRadiusMm: learned.radiusMm, kFactor: learned.k }
    : { insideRadiusMm: RADIUS_PER_THICKNESS * thicknessMm, kFactor: rules.kFactor }
}
