import { counted } from '../quantity/counted'
import { chainOf } from './chain'
import { schedule } from './schedule'
import type { Schedule, WorkGiven, WorkJob } from './work'

/** A hand-over that moves: from which day to which. */
export type Slip = { jobId: string; title: string; from: string | null; to: string | null }

const slips = (given: WorkGiven, before: Schedule, after: Schedule): Slip[] =>
  given.jobs.flatMap((j, i) => {
    const [from, to] = [before.jobs[i]?.handOverOn ?? null, after.jobs[i]?.handOverOn ?? null]
    return from === to ? [] : [{ jobId: j.id, title: j.title, from, to }]
  })
const changed = (given: WorkGiven, jobId: string, of: (j: WorkJob) => WorkJob): WorkGiven => ({
  ...given,
  jobs: given.jobs.map((j) => (j.id === jobId ? of(j) : j)),
})

/** What a step that takes so many days longer, or comes so much later, moves in the whole shop. */
export function ifLate(
  given: WorkGiven,
  before: Schedule,
  { jobId, stepId, days }: { jobId: string; stepId: string; days: number },
): Slip[] {
  const later = changed(given, jobId, (j) => ({
    ...j,
    steps: j.steps.map((s) => (s.id === stepId ? { ...s, waitHours: s.waitHours + 24 * days } : s)),
  }))
  return slips(given, before, schedule(later))
}

/** The same for a step that is not to begin before a day; null = the day is left free again. */
export const moved = (given: WorkGiven, jobId: string, stepId: string, on: string | null): WorkGiven =>
  changed(given, jobId, (j) => {
    const { [stepId]: _, ...others } = j.notBefore
    return { ...j, notBefore: on === null ? others : { ...others, [stepId]: on } }
  })
export const ifMoved = (given: WorkGiven, before: Schedule, jobId: string, stepId: string, on: string | null): Slip[] =>
  slips(given, before, schedule(moved(given, jobId, stepId, on)))

/** A way to hand over sooner that was tried: what it asks for, the new day, and whom else it moves. `does` = what of the job it changes, where it is that. */
export type WayAhead = {
  says: string
  handOverOn: string | null
  daysLate: number
  others: Slip[]
  does: Partial<Pick<WorkJob, 'ahead' | 'start' | 'bringsOn' | 'notBefore'>> | null
}

type Try = { says: string; would: WorkGiven; does: WayAhead['does'] }
/** A wait shorter than this is not worth asking anybody to shorten. */
const LONG_WAIT_HOURS = 48

/** All that could bring a late job nearer to its day, each tried on the whole calendar; those that help, the most helpful first. */
export function waysAhead(given: WorkGiven, before: Schedule, jobId: string): WayAhead[] {
  const i = given.jobs.findIndex((j) => j.id === jobId)
  const job = given.jobs[i]
  const late = before.jobs[i]?.daysLate ?? 0
  if (!job || late === 0) return []
  const tries: Try[] = []
  const asked: Try[][] = []
  const own = (says: string, does: NonNullable<WayAhead['does']>) =>
    tries.push({ says, would: changed(given, jobId, (j) => ({ ...j, ...does })), does })
  if (!job.ahead && given.jobs.length > 1) own('work on it before all other jobs', { ahead: true })
  if (job.start && job.start > given.today) own('begin at once', { start: null })
  if (job.bringsOn && job.bringsOn > given.today) own('have the vehicle brought when it is wanted', { bringsOn: null })
  if (Object.keys(job.notBefore).length) own('leave free the steps that were moved by hand', { notBefore: {} })
  const { people } = given.calendar
  const helper = [...(people.length ? people : [{ id: 'one', name: '', away: [] }]), { id: 'a helper', name: 'a helper', away: [] }]
  tries.push({ says: 'one more pair of hands', would: { ...given, calendar: { ...given.calendar, people: helper } }, does: null })
  if (given.daysAWeek < 7)
    tries.push({ says: 'work one day more in the week', would: { ...given, daysAWeek: given.daysAWeek + 1 }, does: null })
  if (given.hoursADay < 12)
    tries.push({ says: 'work an hour longer each day', would: { ...given, hoursADay: given.hoursADay + 1 }, does: null })
  for (const { placed, title } of chainOf(jobId, given, before)) {
    const waits = given.jobs.find((j) => j.id === placed.jobId)?.steps.find((s) => s.id === placed.stepId)?.waitHours ?? 0
    if (waits < LONG_WAIT_HOURS || placed.jobId !== jobId) continue
    const asks = [...new Set([Math.floor(waits / 48), 1])].map(
      (days): Try => ({
        says: `“${title}”: ask for ${counted(days, 'day')} instead of ${Math.round(waits / 24)}`,
        would: changed(given, jobId, (j) => ({
          ...j,
          steps: j.steps.map((s) => (s.id === placed.stepId ? { ...s, waitHours: days * 24 } : s)),
        })),
        does: null,
      }),
    )
    // over a weekend half of it may help nothing: the least that helps is asked for
    asked.push(asks)
  }
  const helps = ({ says, would, does }: Try): WayAhead[] => {
    const after = schedule(would)
    const mine = after.jobs[i]
    if (!mine || mine.daysLate === null || mine.daysLate >= late) return []
    const others = slips(given, before, after).filter((s) => s.jobId !== jobId)
    return [{ says, handOverOn: mine.handOverOn, daysLate: mine.daysLate, others, does }]
  }
  const least = (asks: Try[]): WayAhead[] => {
    for (const ask of asks) {
      const way = helps(ask)
      if (way.length) return way
    }
    return []
  }
  return [...tries.flatMap(helps), ...asked.flatMap(least)].sort((a, b) => a.daysLate - b.daysLate || harm(a) - harm(b))
}
const harm = (w: WayAhead): number => w.others.filter((o) => o.to === null || (o.from !== null && o.to > o.from)).length
