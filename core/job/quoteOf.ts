import { type Quote, quote } from '../cost/quote'
import type { CutPlan } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import type { Job } from './job'
import { builtFrom } from './piecesOf'

/** The price of a job as it stands, with what was asked outside and is used. */
export function quoteOf(job: Job, plan: CutPlan | null, rules: Rules): Quote | null {
  const { pieces, outside } = builtFrom(job, rules)
  return quote(pieces, plan, job.brief, rules, outside)
}
