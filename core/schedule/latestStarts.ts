import { dayOf } from './shopCalendar'
import type { WorkGiven, WorkJob } from './work'

/** Where no day was promised a job stands behind all that have one. */
const NEVER = 3650

/**
 * The last day, from today, on which each step may begin if its job is to be handed over as promised: backwards along the longest way of work and waiting
 * (critical path method: Kelley & Walker 1959), a week's work stretched to its seven days. What is not before the hand-over comes last.
 */
export function latestStarts(
  job: WorkJob,
  { today, hoursADay, daysAWeek }: Pick<WorkGiven, 'today' | 'hoursADay' | 'daysAWeek'>,
): Map<string, number> {
  const dayMinutes = Math.max(1, hoursADay) * 60
  const stretch = 7 / Math.max(1, Math.min(7, daysAWeek))
  const due = job.due === null ? NEVER : dayOf(today, job.due) + 1
  const after = new Map<string, string[]>()
  for (const s of job.steps) for (const n of s.needs) after.set(n, [...(after.get(n) ?? []), s.id])
  const byId = new Map(job.steps.map((s) => [s.id, s]))
  const tails = new Map<string, number>()
  const tailOf = (id: string, on: Set<string>): number => {
    const known = tails.get(id)
    if (known !== undefined) return known
    const s = byId.get(id)
    if (!s || on.has(id)) return 0
    on.add(id)
    const followers = after.get(id) ?? []
    const then = Math.max(0, ...followers.filter((n) => !byId.get(n)?.afterHandOver).map((n) => tailOf(n, on)))
    on.delete(id)
    // a wait for what comes after the hand-over does not hold it up
    const waits = followers.some((n) => byId.get(n)?.afterHandOver) ? 0 : s.waitHours / 24
    const own = job.done[id] ? 0 : (s.minutes / dayMinutes) * stretch + waits
    tails.set(id, own + then)
    return own + then
  }
  return new Map(job.steps.map((s) => [s.id, s.afterHandOver ? due + NEVER : due - tailOf(s.id, new Set())]))
}
