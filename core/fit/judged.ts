import type { Evaluation } from '../job/evaluate'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'
import { fitGiven, withFit } from './fit'
import { fitLimits } from './fitLimits'
import { gapsOf } from './gaps'
import type { Kit } from './kit'
import type { Measurer } from './meetings'
import { motionsOf } from './motions'

/** A job's limits of strength and fit together: what a change is tried against. */
export function judged(job: Job, rules: Rules, kit: Kit, measurer: Measurer): Pick<Evaluation, 'limits' | 'issues'> {
  const e = evaluate(job, rules)
  const given = fitGiven(job, e, rules)
  return { issues: e.issues, limits: withFit(e.limits, { limits: fitLimits(gapsOf(given, measurer), motionsOf(given, kit), rules) }) }
}
