import { placeName } from './shopCalendar'
import { keyOf, type Placed, type Schedule, TINY, type WorkGiven, type WorkStep } from './work'

/** One step of what a hand-over hangs on: the days it waited before it could begin, and those it took with its own waiting. */
export type Link = { placed: Placed; title: string; jobTitle: string; waitedDays: number; tookDays: number }

/** The chain a job's hand-over hangs on, first step first: back from its last one, always to what that waited for last, through other jobs as well. */
export function chainOf(jobId: string, { jobs }: Pick<WorkGiven, 'jobs'>, { placed }: Schedule): Link[] {
  const at = new Map(placed.map((p) => [keyOf(p.jobId, p.stepId), p]))
  const mine = placed.filter((p) => p.jobId === jobId && !stepOf(jobs, p)?.afterHandOver && !isDone(p, jobs))
  if (!mine.length) return []
  const chain: Placed[] = []
  for (let p: Placed | undefined = mine.reduce((a, b) => (b.ends > a.ends + TINY ? b : a)); p && !chain.includes(p); ) {
    chain.unshift(p)
    p = at.get(before(p))
  }
  return chain.map((p, i) => {
    const last = chain[i - 1]
    const free = last ? overOf(last, jobs) : 0
    return {
      placed: p,
      title: stepOf(jobs, p)?.title ?? p.stepId,
      jobTitle: jobs.find((j) => j.id === p.jobId)?.title ?? '',
      waitedDays: Math.max(0, p.begins - Math.max(0, free)),
      tookDays: Math.max(0, Math.min(overOf(p, jobs), chain[i + 1]?.begins ?? p.ends) - Math.max(0, p.begins)),
    }
  })
}
/** what a step waited for last: a step of another job that had the hands or the place, or the last of those before it */
const before = ({ jobId, because, after }: Placed): string =>
  because.kind === 'hands' || because.kind === 'place' ? keyOf(because.jobId, because.stepId) : keyOf(jobId, after ?? '')

/** When what waits for a step may begin, days from today: its end, or the end of its own waiting. */
export function overOf(p: Placed, jobs: WorkGiven['jobs']): number {
  const hours = stepOf(jobs, p)?.waitHours ?? 0
  return hours > 0 ? Math.ceil(p.ends - TINY) + hours / 24 : p.ends
}

const stepOf = (jobs: WorkGiven['jobs'], p: Pick<Placed, 'jobId' | 'stepId'>): WorkStep | undefined =>
  jobs.find((j) => j.id === p.jobId)?.steps.find((s) => s.id === p.stepId)
const isDone = (p: Placed, jobs: WorkGiven['jobs']): boolean => jobs.find((j) => j.id === p.jobId)?.done[p.stepId] !== undefined

/** Why a step begins when it does, in words. */
export function becauseWords(p: Placed, { jobs }: Pick<WorkGiven, 'jobs'>): string {
  const b = p.because
  const named = (jobId: string, stepId: string) => {
    const other = jobs.find((j) => j.id === jobId)
    const title = stepOf(jobs, { jobId, stepId })?.title ?? stepId
    return jobId === p.jobId ? `“${title}”` : `“${title}” of ${other?.title ?? 'another job'}`
  }
  switch (b.kind) {
    case 'after':
      return `after ${named(p.jobId, b.stepId)}`
    case 'hands':
      return `hands were at ${named(b.jobId, b.stepId)}`
    case 'place': {
      const place = stepOf(jobs, p)?.place
      return `the ${place ? placeName[place] : 'place'} was taken by ${named(b.jobId, b.stepId)}`
    }
    default:
      return {
        today: 'at once',
        start: 'its work may not begin before',
        vehicle: 'the vehicle comes on that day',
        moved: 'moved to that day by hand',
        comes: 'what was ordered is to come on that day',
        wet: 'rain in the forecast (simulated) before',
        closed: 'the shop was shut before',
        away: 'somebody whom it wants was away before',
      }[b.kind]
  }
}

/** Shorter than this is no reason for anything. */
const TELLING_DAYS = 0.5
/** What costs a chain the most days, in words, the longest first. */
export function whyLate(chain: Link[], jobTitle: string, given: Pick<WorkGiven, 'jobs'>): string[] {
  const told = (days: number) => `${Math.round(days * 10) / 10} ${Math.abs(days - 1) < 0.05 ? 'day' : 'days'}`
  return chain
    .flatMap((l) => {
      const name = `“${l.title}”${l.jobTitle === jobTitle ? '' : ` of ${l.jobTitle}`}`
      return [
        { days: l.tookDays, says: `${name} takes ${told(l.tookDays)} with its waiting, from ${l.placed.from}` },
        { days: l.waitedDays, says: `${name} waits ${told(l.waitedDays)}, until ${l.placed.from}: ${becauseWords(l.placed, given)}` },
      ]
    })
    .filter((x) => x.days >= TELLING_DAYS)
    .sort((a, b) => b.days - a.days)
    .slice(0, 3)
    .map((x) => x.says)
}
