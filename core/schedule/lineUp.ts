import { latestStarts } from './latestStarts'
import { dateOf, dayOf, placeName } from './shopCalendar'
import { type Because, keyOf, type Placed, TINY, type Unplaced, type WorkGiven, type WorkJob, type WorkStep } from './work'

/** A step all of whose needs have their days. */
export type Eligible = {
  job: WorkJob
  step: WorkStep
  /** by which those that could begin are put in line */
  latest: number
  order: number
  /** the moment all that it waits for is over, and what was last of it */
  at: number
  last: Because
  after: string | null
  blocked: Because | null
}
/** The steps in line: those that could begin, those that wait for others, those that never can, and those that are done. */
export function lineUp(given: WorkGiven) {
  const { today, jobs, calendar } = given
  const ready = new Map<string, number>()
  const left = new Map<string, number>()
  const followers = new Map<string, WorkStep[]>()
  const rank = new Map<string, { latest: number; order: number }>()
  const never: Unplaced[] = []
  const done: Placed[] = []
  const open: Eligible[] = []

  const enter = (job: WorkJob, step: WorkStep): void => {
    let [at, last]: [number, Because] = [0, { kind: 'today' }]
    const over = (n: string) => ready.get(keyOf(job.id, n)) ?? Number.NEGATIVE_INFINITY
    const after = step.needs.reduce<string | null>((a, n) => (a === null || over(n) > over(a) ? n : a), null)
    const later = (when: number, why: Because) => {
      if (when > at + TINY) [at, last] = [when, why]
    }
    if (after !== null) later(over(after), { kind: 'after', stepId: after })
    if (job.start) later(dayOf(today, job.start), { kind: 'start' })
    const moved = job.notBefore[step.id]
    if (moved) later(dayOf(today, moved), { kind: 'moved' })
    const comes = job.comesOn[step.id]
    if (comes) later(dayOf(today, comes), { kind: 'comes' })
    if (step.place === 'vehicle' && job.bringsOn) later(dayOf(today, job.bringsOn), { kind: 'vehicle' })
    const e = { job, step, ...rank.get(keyOf(job.id, step.id))!, at, last, after, blocked: null }
    const before = (o: Eligible) => o.latest < e.latest || (o.latest === e.latest && o.order < e.order)
    const behind = open.findIndex((o) => !before(o))
    open.splice(behind < 0 ? open.length : behind, 0, e)
  }
  let order = 0
  for (const job of jobs) {
    const latest = latestStarts(job, given)
    const there = new Set(job.steps.map((s) => s.id))
    for (const step of job.steps) {
      const key = keyOf(job.id, step.id)
      rank.set(key, { latest: (latest.get(step.id) ?? 0) - (job.ahead ? AHEAD_DAYS : 0), order: order++ })
      const mine = job.done[step.id]
      if (mine) {
        const at = dayOf(today, mine.on)
        // where what needed it is done as well, its waiting is over, whatever was reckoned
        const followed = job.steps.some((s) => job.done[s.id] && s.needs.includes(step.id))
        const over = followed ? at : at + step.waitHours / 24
        ready.set(key, over)
        done.push({
          ...{ jobId: job.id, stepId: step.id, from: mine.on, to: mine.on, readyOn: dateOf(today, over), begins: at, ends: at },
          ...{ people: [], short: 0, because: { kind: 'today' }, after: null },
        })
      } else if (step.place && calendar.places[step.place] === 0)
        never.push({ jobId: job.id, stepId: step.id, why: `the shop has no ${placeName[step.place]}` })
      else {
        const waits = step.needs.filter((n) => there.has(n) && !job.done[n])
        left.set(key, waits.length)
        for (const n of waits) followers.set(keyOf(job.id, n), [...(followers.get(keyOf(job.id, n)) ?? []), step])
      }
    }
    for (const step of job.steps) if (left.get(keyOf(job.id, step.id)) === 0) enter(job, step)
  }
  return {
    open,
    never,
    done,
    /** A step has its days: what waited for it alone comes into line. */
    over: (job: WorkJob, step: WorkStep, at: number): void => {
      const key = keyOf(job.id, step.id)
      ready.set(key, at)
      left.delete(key)
      for (const s of followers.get(key) ?? []) {
        const own = keyOf(job.id, s.id)
        const still = (left.get(own) ?? 0) - 1
        left.set(own, still)
        if (still === 0) enter(job, s)
      }
    },
    /** What waits for something that never comes: for a step without a day, or, round a circle, for itself. */
    behind: (): Unplaced[] =>
      jobs.flatMap((j) =>
        j.steps.flatMap((s) => {
          const waits = (left.get(keyOf(j.id, s.id)) ?? 0) > 0
          if (!waits) return []
          const missing = s.needs.filter((n) => !ready.has(keyOf(j.id, n)))
          const titles = missing.map((n) => `“${j.steps.find((o) => o.id === n)?.title ?? n}”`)
          return [{ jobId: j.id, stepId: s.id, why: `it waits for ${titles.join(' and ')}` }]
        }),
      ),
  }
}
/** Ahead of everything that was promised to anybody. */
const AHEAD_DAYS = 1e6
