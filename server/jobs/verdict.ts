import { withFit } from '../../core/fit/fit'
import { type Piece, planMoved } from '../../core/issuedPlan/planMoved'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { RulesSchema } from '../../core/rules/rules'
import type { Fitting } from '../workshop/fitting'

/** What the Slipway shows of a job's limits: how many in each state, the governing one in words, and how many pieces moved since a plan was accepted. */
export type Verdict = { over: number; near: number; unknown: number; governing: string; moved: number }

export function verdictOf(job: Job, rulesDocument: unknown, accepted: Piece[] | null, fitting: Fitting): Verdict {
  const rules = RulesSchema.parse(rulesDocument)
  const figures = evaluate(job, rules)
  const { assembly } = figures
  const limits = withFit(figures.limits, fitting(job, figures, rules))
  const count = (state: string) => limits.filter((l) => l.state === state).length
  return {
    over: count('over'),
    near: count('near'),
    unknown: count('unknown'),
    moved: accepted ? planMoved(accepted, assembly).length : 0,
    governing: limits[0] ? `${limits[0].name}: ${limits[0].state}` : '',
  }
}

/** Raised when limits are worked out differently: the verdicts of an older program are thrown away at the start. */
export const VERDICT_VERSION = 16
