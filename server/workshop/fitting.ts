import RAPIER from '@dimforge/rapier3d-compat'
import { fitGiven, fitOf, type WholeFit } from '../../core/fit/fit'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import type { Rules } from '../../core/rules/rules'
import { rapierKit } from '../../core/touch/kit'
import { Measurer } from '../../core/touch/meetings'

/** What fits of one job, worked out by itself: nothing is kept for the next. */
export type Fitting = (job: Job, figures: Pick<Evaluation, 'assembly' | 'cases'>, rules: Rules) => WholeFit

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
