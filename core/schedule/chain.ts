import { AFTER } from './latestStarts'
import { placeName } from './shopCalendar'
import { keyOf, type Placed, type Schedule, TINY, type WorkGiven, type WorkStep } from './work'

/** One step of what a hand-over hangs on, with the days it keeps the next one waiting: from its own begin to the next one's. */
export type Link = { placed: Placed; title: string; jobTitle: string; days: number }

/** The chain a job's hand-over hangs on, first step first: back from its last one, always to what that waited for last, through other jobs as well. */
export function chainOf(jobId: string, { jobs }: Pick<WorkGiven, 'jobs'>, { placed }: Schedule): Link[] {
  const at = new Map(placed.map((p) => [keyOf(p.jobId, p.stepId), p]))
  const mine = placed.filter((p) => p.jobId === jobId && p.stepId !== AFTER && !isDone(p, jobs))
  if (!mine.length) return []
  const chain: Placed[] = []
  const seen = new Set<string>()
  for (let p: Placed | undefined = mine.reduce((a, b) => (b.ends > a.ends + TINY ? b : a)); p && !seen.has(keyOf(p.jobId, p.stepId)); ) {
    seen.add(keyOf(p.jobId, p.stepId))
    chain.unshift(p)
    const { because } = p as Placed
    p = 'stepId' in because ? at.get(keyOf('jobId' in because ? because.jobId : p.jobId, because.stepId)) : undefined
  }
  return chain.map((p, i) => {
    const job = jobs.find((j) => j.id === p.jobId)
    const until = chain[i + 1]?.begins ?? p.ends
    return {
      placed: p,
      title: stepOf(jobs, p)?.title ?? p.stepId,
      jobTitle: job?.title ?? '',
      days: Math.max(0, until - Math.max(0, p.begins)),
    }
  })
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
        wet: 'rain in the forecast (simulated) before',
        closed: 'the shop was shut, or nobody was there, before',
      }[b.kind]
  }
}

/** What costs a chain the most days, in words: the two longest links. */
export const whyLate = (chain: Link[], jobTitle: string): string[] =>
  [...chain]
    .sort((a, b) => b.days - a.days)
    .slice(0, 2)
    .filter((l) => l.days >= 0.5)
    .map((l) => {
      const of = l.jobTitle === jobTitle ? '' : ` of ${l.jobTitle}`
      const days = Math.round(l.days * 10) / 10
      return `“${l.title}”${of} takes ${days} ${days === 1 ? 'day' : 'days'} with its waiting (${l.placed.from} to ${l.placed.readyOn})`
    })
