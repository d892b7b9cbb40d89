import RAPIER from '@dimforge/rapier3d-compat'
import { type Fit, fitGiven, fitOf } from '../../core/fit/fit'
import { rapierKit } from '../../core/fit/kit'
import { Measurer } from '../../core/fit/meetings'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import type { Rules } from '../../core/rules/rules'

/** What fits of one job, worked out by itself: nothing is kept for the next. */
export type Fitting = (job: Job, figures: Pick<Evaluation, 'assembly' | 'cases'>, rules: Rules) => Fit

const fitting: Fitting = (job, figures, rules) => {
  const kit = rapierKit(RAPIER)
  try {
    return fitOf(fitGiven(job, figures, rules), kit, new Measurer(kit))
  } finally {
    kit.close()
  }
}

let ready: Promise<Fitting> | null = null
/** Loads the solids’ library the first time that somebody asks. */
export const fittingReady = (): Promise<Fitting> => {
  ready ??= RAPIER.init().then(() => fitting)
  return ready
}
