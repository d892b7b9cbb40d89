import RAPIER from '@dimforge/rapier3d-compat'
import { expose } from 'comlink'
import { type Relief, relieve } from '../../core/advice/relief'
import { type Fit, fitGiven, gapsAndWays } from '../../core/fit/fit'
import type { HeightWindow } from '../../core/fit/heightBounds'
import { heightWindows } from '../../core/fit/heightWindow'
import { judged } from '../../core/fit/judged'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { type Apart, takeApart } from '../../core/reach/takeApart'
import type { Rules } from '../../core/rules/rules'
import { type Kit, rapierKit } from '../../core/touch/kit'
import { Measurer } from '../../core/touch/meetings'

const ready = RAPIER.init().then((): { kit: Kit; measurer: Measurer } => {
  const kit = rapierKit(RAPIER)
  return { kit, measurer: new Measurer(kit) }
})
// who waits for it is told; nobody waiting yet is no error
ready.catch(() => undefined)

const api = {
  /** Gaps and ways of a job whose figures are known; what did not change since the last time is not measured again. */
  fit: async (job: Job, figures: Pick<Evaluation, 'assembly' | 'cases'>, rules: Rules): Promise<Fit> => {
    const { kit, measurer } = await ready
    return gapsAndWays(fitGiven(job, figures, rules), kit, measurer)
  },
  /** What comes apart, and what tools get to. */
  apart: async (job: Job, figures: Pick<Evaluation, 'assembly' | 'cases'>, rules: Rules): Promise<Apart> =>
    takeApart(fitGiven(job, figures, rules), (await ready).kit),
  /** How low and how high the pieces may stand. */
  heights: async (job: Job, evaluation: Pick<Evaluation, 'assembly' | 'cases' | 'pieces'>, rules: Rules): Promise<HeightWindow[]> =>
    heightWindows({ job, evaluation, rules }, (await ready).kit),
  /** Single changes that would relieve a gap or a way, tried one by one. */
  relieve: async (job: Job, limitId: string, rules: Rules): Promise<Relief[]> => {
    const { kit, measurer } = await ready
    return relieve(job, limitId, rules, (j) => judged(j, rules, kit, measurer))
  },
}
export type FitApi = typeof api
expose(api)
