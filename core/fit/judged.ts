import type { Evaluation } from '../job/evaluate'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'
import type { Kit } from '../touch/kit'
import type { Measurer } from '../touch/meetings'
import { fitGiven, fitOf, withFit } from './fit'

/** A job's limits of strength and fit together: what a change is tried against. */
export function judged(job: Job, rules: Rules, kit: Kit, measurer: Measurer): Pick<Evaluation, 'limits' | 'issues'> {
  const e = evaluate(job, rules)
  return { issues: e.issues, limits: withFit(e.limits, fitOf(fitGiven(job, e, rules), kit, measurer)) }
}
