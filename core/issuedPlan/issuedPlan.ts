import type { SawSetting } from '../nesting/barLine'
import type { CutPlan } from '../nesting/planCuts'
import type { Piece } from './planMoved'

/** A cut plan as it was accepted for the saw: kept as it was, whatever the design does afterwards. */
export type IssuedPlan = {
  id: string
  jobRevision: number
  at: string
  takenBackAt: string | null
  plan: CutPlan
  /** the saw as it was set then; null in plans from before this was kept */
  saw: SawSetting | null
  /** the pieces as they were accepted */
  pieces: Piece[]
  /** why it was accepted with a limit over its line or not assessed */
  reason: string
}

/** The one that stands: accepted and not taken back. */
export const standingPlan = (plans: IssuedPlan[]): IssuedPlan | null => plans.find((p) => !p.takenBackAt) ?? null
