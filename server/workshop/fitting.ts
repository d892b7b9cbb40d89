import RAPIER from '@dimforge/rapier3d-compat'
import { fitGiven, fitOf, type WholeFit } from '../../core/fit/fit'
import { type Evaluation, evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { type Apart, takeApart } from '../../core/reach/takeApart'
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

/** What tools and torch get to on a job, and when. */
export type Reaching = (job: Job, rules: Rules) => Apart
const reaching: Reaching = (job, rules) => {
  const kit = rapierKit(RAPIER)
  try {
    return takeApart(fitGiven(job, evaluate(job, rules), rules), kit)
  } finally {
    kit.close()
  }
}

let ready: Promise<void> | null = null
/** Loads the solids’ library the first time that somebody asks. */
const loaded = (): Promise<void> => {
  ready ??= RAPIER.init()
  return ready
}
export const fittingReady = (): Promise<Fitting> => loaded().then(() => fitting)
export const reachingReady = (): Promise<Reaching> => loaded().then(() => reaching)
