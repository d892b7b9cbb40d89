import { dayOf } from '../schedule/shopCalendar'
import type { Placed, WorkJob } from '../schedule/work'
import { KIT } from './buying'

/** Apart by more days than this, the client drives home meanwhile. */
const STAYS_DAYS = 3

export type Visit = { from: string; to: string }
/** The days a job wants its vehicle until the hand-over: one visit for each stretch of work on it. */
export function vehicleVisits(job: WorkJob, placed: Placed[]): Visit[] {
  const on = new Set(job.steps.filter((s) => s.place === 'vehicle' && !s.afterHandOver && !job.done[s.id]).map((s) => s.id))
  const days = placed.filter((p) => p.jobId === job.id && on.has(p.stepId)).sort((a, b) => a.begins - b.begins)
  const visits: Visit[] = []
  for (const { from, to } of days) {
    const last = visits.at(-1)
    if (!last || dayOf(last.to, from) > STAYS_DAYS) visits.push({ from, to })
    else if (to > last.to) last.to = to
  }
  return visits
}

/** A vehicle that is brought before all that is bought is here stands and waits: how many days. 0 = it does not; null = one of the days is not known. */
export function broughtTooSoon(job: WorkJob, placed: Placed[]): { days: number; kitOn: string } | null {
  const kit = placed.find((p) => p.jobId === job.id && p.stepId === KIT)
  if (!job.bringsOn || !kit) return null
  return { days: Math.max(0, dayOf(job.bringsOn, kit.to)), kitOn: kit.to }
}
