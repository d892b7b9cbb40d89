import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'
import { figureOf } from '../workLog/learnedTimes'
import { type Tick, tickOf, tookMinutes } from '../workLog/tick'
import type { BuildStep } from './step'
import { stepMark } from './ticks'

/** A moment as the log has it: the shop's day, and the time anywhere. */
export type Moment = { day: string; iso: string }

/** The job with a step begun; what was at work before is left without a time. */
export const begun = (job: Job, s: BuildStep, now: Moment): Job => ({ ...job, atWork: { id: s.id, since: now.iso } })

/** A gate is passed under somebody's name. */
export const needsName = (s: BuildStep, by: string): boolean => s.gate && by.trim() === ''

/** The job with a step done: timed where it was begun here, and kept with what it was reckoned at and with which of the shop's figures. */
export function done(
  job: Job,
  s: BuildStep,
  now: Moment,
  rules: Rules,
  { by = '', otherwise = '' }: { by?: string; otherwise?: string } = {},
): Job {
  const mine = job.atWork?.id === s.id ? job.atWork : null
  const made = tickOf(now.day, stepMark(s), {
    tookMin: mine ? tookMinutes(mine.since, now.iso) : null,
    reckonedMin: s.minutes,
    figureMin: figureOf(s.id, rules),
    what: s.title,
    by: by.trim(),
    otherwise: otherwise.trim(),
  })
  return { ...job, built: { ...job.built, [s.id]: made }, atWork: mine ? null : job.atWork }
}

export function undone(job: Job, stepId: string): Job {
  const { [stepId]: _, ...built } = job.built
  return { ...job, built }
}

/** Something of a done step put right: the minutes it took, whether what came out otherwise is settled. */
export function corrected(job: Job, stepId: string, over: Partial<Pick<Tick, 'tookMin' | 'settled'>>): Job {
  const at = job.built[stepId]
  return at ? { ...job, built: { ...job.built, [stepId]: { ...at, ...over } } } : job
}
