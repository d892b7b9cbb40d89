import { type Eligible, lineUp } from './lineUp'
import { dateOf, dayOf, ONE_PERSON, type ShopPerson, type WorkPlace } from './shopCalendar'
import { type Because, type JobDays, keyOf, type Placed, type Schedule, TINY, type Unplaced, type WorkGiven, type WorkJob } from './work'
import { MOST_DAYS, type WorkDays, workDays } from './workDays'

const TOO_FAR = 'the day it waits for lies more than four years ahead'
const NOBODY = 'nobody is there to do it'

type Running = { jobId: string; stepId: string; place: WorkPlace | null; people: ShopPerson[]; ends: number }

/**
 * All jobs on one calendar. Time moves on from event to event; of the steps that could begin, the one that must begin soonest for its promised day takes
 * its people and its place first (parallel schedule generation with the minimum latest start rule: Kolisch 1996, "Serial and parallel resource-constrained
 * project scheduling methods revisited"). Work runs in hours of working days and stops overnight; waiting runs in hours of any day, from the end of the
 * day it began. A step that wants more people than there are is done by all there are and says how many it is short. Not optimal, but repeatable: the
 * same jobs give the same days.
 */
export function schedule(given: WorkGiven): Schedule {
  const { today, calendar } = given
  const days = workDays(given)
  const everybody = calendar.people.length ? calendar.people : [ONE_PERSON]
  const placed: Placed[] = []
  const queue = lineUp(given)
  const running: Running[] = []

  const begin = (e: Eligible, now: number, hands: ShopPerson[]): void => {
    const { job, step } = e
    const ends = days.worked(now, step, hands)
    if (ends === null) {
      queue.never.push({ jobId: job.id, stepId: step.id, why: NOBODY })
      return
    }
    const over = step.waitHours > 0 ? Math.ceil(ends - TINY) + step.waitHours / 24 : ends
    const to = lastDay(now, ends)
    placed.push({
      jobId: job.id,
      stepId: step.id,
      from: dateOf(today, now),
      to: dateOf(today, to),
      readyOn: dateOf(today, step.waitHours > 0 ? over : to),
      begins: now,
      ends,
      people: hands.map((p) => p.id),
      short: step.minutes > 0 ? Math.max(0, step.people - everybody.length) : 0,
      because: e.blocked && e.at < now - TINY ? e.blocked : e.last,
      after: e.after,
    })
    if (ends > now + TINY) running.push({ jobId: job.id, stepId: step.id, place: step.place, people: hands, ends })
    queue.over(job, step, over)
  }

  let now = 0
  while (queue.open.length && now < MOST_DAYS) {
    const day = Math.floor(now + TINY)
    for (let i = running.length - 1; i >= 0; i--) if (running[i]!.ends <= now + TINY) running.splice(i, 1)
    let next = day + 1
    const busy = new Set(running.flatMap((r) => r.people.map((p) => p.id)))
    let free = everybody.filter((p) => !busy.has(p.id) && days.here(p, day))
    const reasons = hindrances(given, days, day, running)
    for (let i = 0; i < queue.open.length; i++) {
      const e = queue.open[i]!
      if (e.at > now + TINY) {
        next = Math.min(next, e.at)
        continue
      }
      const wants = e.step.minutes > 0 ? Math.min(Math.max(1, e.step.people), everybody.length) : 0
      const hinders = reasons.of(e, free.length < wants)
      if (hinders) {
        e.blocked = hinders
        continue
      }
      // of those who are free, the ones who are there to finish it soonest
      const soon = (p: ShopPerson) => days.worked(now, e.step, [p]) ?? MOST_DAYS
      const hands = wants < free.length ? [...free].sort((a, b) => soon(a) - soon(b)).slice(0, wants) : free.slice(0, wants)
      free = free.filter((p) => !hands.includes(p))
      queue.open.splice(i, 1)
      begin(e, now, hands)
      // what needed only a step that takes no time may begin at once, and may stand before it in line
      i = e.step.minutes > 0 || e.step.waitHours > 0 ? i - 1 : -1
    }
    for (const r of running) next = Math.min(next, r.ends)
    now = next > now + TINY ? next : day + 1
  }
  const unplaced = [
    ...queue.never,
    ...queue.open.map((e) => ({ jobId: e.job.id, stepId: e.step.id, why: e.at >= MOST_DAYS ? TOO_FAR : NOBODY })),
    ...queue.behind(),
  ]
  const line = new Map(given.jobs.flatMap((j, k) => j.steps.map((s, i) => [keyOf(j.id, s.id), k * 1000 + i] as const)))
  const at = (p: Placed) => line.get(keyOf(p.jobId, p.stepId)) ?? 0
  const all = [...queue.done, ...placed].sort((a, b) => at(a) - at(b))
  return { placed: all, unplaced, jobs: given.jobs.map((j) => handOver(j, all, unplaced, given, days)) }
}

/**
 * What keeps a step from beginning now though all before it is over. Most of a long line is kept by the same thing, so each reason is looked for once until
 * something more begins.
 */
function hindrances(given: WorkGiven, days: WorkDays, day: number, running: Running[]) {
  const [shut, wet] = [days.shut(day), days.wet(day)]
  let known = -1
  let hands: Because | null = null
  const places = new Map<WorkPlace, Because | null>()
  const lookAgain = () => {
    if (known === running.length) return
    known = running.length
    hands = null
    places.clear()
  }
  const full = (place: WorkPlace): Because | null => {
    const held = running.filter((r) => r.place === place)
    return held.length >= given.calendar.places[place] ? { kind: 'place', ...ofRunning(held) } : null
  }
  const nobody = (): Because => {
    const working = running.filter((r) => r.people.length)
    return working.length ? { kind: 'hands', ...ofRunning(working) } : { kind: 'away' }
  }
  return {
    of: ({ step: { place } }: Eligible, short: boolean): Because | null => {
      if (shut) return CLOSED
      if (wet && place === 'vehicle') return WET
      lookAgain()
      if (place) {
        if (!places.has(place)) places.set(place, full(place))
        const held = places.get(place)
        if (held) return held
      }
      if (!short) return null
      hands ??= nobody()
      return hands
    },
  }
}
const CLOSED: Because = { kind: 'closed' }
const WET: Because = { kind: 'wet' }
const ofRunning = (list: Running[]): { jobId: string; stepId: string } => {
  const { jobId, stepId } = list.reduce((a, b) => (b.ends < a.ends ? b : a))
  return { jobId, stepId }
}

/** the day on which something ends that may end with the day */
const lastDay = (begins: number, ends: number): number => Math.max(Math.floor(begins + TINY), Math.ceil(ends - TINY) - 1)

/** The hand-over is when the last step before it is done, and dry, on a day when somebody is there; a step without a day leaves it without one. */
function handOver(job: WorkJob, placed: Placed[], unplaced: Unplaced[], { today }: WorkGiven, days: WorkDays): JobDays {
  const later = job.steps.filter((s) => s.afterHandOver)
  const isLater = (id: string) => later.some((s) => s.id === id)
  // what waits for a step after the hand-over is handed over meanwhile
  const waited = new Set(later.flatMap((s) => s.needs))
  const mine = placed.filter((p) => p.jobId === job.id && !isLater(p.stepId)).map((p) => (waited.has(p.stepId) ? p.to : p.readyOn))
  const open = unplaced.some((u) => u.jobId === job.id && !isLater(u.stepId))
  const last = open ? undefined : mine.sort().at(-1)
  let day = last === undefined ? 0 : dayOf(today, last)
  while (day > 0 && days.shut(day) && day < MOST_DAYS) day++
  const handOverOn = last === undefined ? null : day > 0 ? dateOf(today, day) : last
  return { jobId: job.id, handOverOn, daysLate: lateBy(handOverOn, job.due) }
}
/** Days that a hand-over comes after the day it was promised; 0 = in time, null = nothing was promised or nothing is known. */
export const lateBy = (handOverOn: string | null, due: string | null): number | null =>
  due === null || handOverOn === null ? null : Math.max(0, dayOf(due, handOverOn))
