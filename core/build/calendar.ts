import dayjs from 'dayjs'
import type { BuildPlan } from './step'

export type CalendarGiven = {
  /** the day on which work was to begin, null = at once, and today: what is not done yet is not done in the past. As 2026-12-24 */
  start: string | null
  today: string
  /** hours of work in a day, and how many days of the week from Monday are worked */
  hoursADay: number
  daysAWeek: number
  /** steps that are done already: no time is left in them, and what they wait for counts from the day they were ticked */
  done: Record<string, { on: string }>
}
export type Dated = { id: string; from: string; to: string; readyOn: string }
export type BuildDays = { steps: Dated[]; handOverOn: string | null }

/** After this nothing waits any more for the hand-over: it is done when the vehicle has been on the road. */
const AFTER = 'recheck'
const MOST_DAYS = 2000

/**
 * The plan on the calendar, one worker: of the steps whose needs are met the first in the plan's order is worked on, so that what waits (a coat, a coater, an
 * order) holds up only what needs it. Work runs in hours of working days, waiting in hours of any. The hand-over is the last step before the recheck.
 */
export function buildDays(plan: BuildPlan, { start, today, hoursADay, daysAWeek, done }: CalendarGiven): BuildDays {
  const startOn = start !== null && start > today ? start : today
  const dayMinutes = Math.max(1, hoursADay) * 60
  const works = (day: number) => weekday(startOn, day) < Math.max(1, Math.min(7, daysAWeek))
  // time is told as a day from the start and minutes of work into it
  let day = 0
  let minutes = 0
  const nextWorkday = () => {
    while (!works(day) && day < MOST_DAYS) {
      day++
      minutes = 0
    }
  }
  const ready = new Map<string, number>()
  const out: Dated[] = []
  const dayAfter = (from: number, hours: number) => from + hours / 24
  for (const s of plan.steps) {
    const mine = done[s.id]
    if (mine) {
      const at = dayjs(mine.on).diff(dayjs(startOn), 'day')
      ready.set(s.id, dayAfter(at, s.waitHours))
      out.push({ id: s.id, from: mine.on, to: mine.on, readyOn: dateOf(startOn, dayAfter(at, s.waitHours)) })
    }
  }
  const open = plan.steps.filter((s) => !done[s.id])
  while (open.length) {
    nextWorkday()
    const free = (id: string) => ready.get(id)
    const now = day + minutes / dayMinutes
    const possible = open.findIndex((s) => s.needs.every((n) => (free(n) ?? Number.POSITIVE_INFINITY) <= now + 1e-9))
    if (possible < 0) {
      // nothing can be worked on until something has waited long enough
      day++
      minutes = 0
      if (day > MOST_DAYS) break
      continue
    }
    const [s] = open.splice(possible, 1)
    if (!s) break
    const from = day
    let left = s.minutes
    while (left > 1e-9) {
      nextWorkday()
      const taken = Math.min(left, dayMinutes - minutes)
      left -= taken
      minutes += taken
      if (minutes >= dayMinutes - 1e-9 && left > 1e-9) {
        day++
        minutes = 0
      }
    }
    const end = day + minutes / dayMinutes
    ready.set(s.id, s.waitHours > 0 ? dayAfter(Math.ceil(end), s.waitHours) : end)
    out.push({
      id: s.id,
      from: dateOf(startOn, from),
      to: dateOf(startOn, day),
      readyOn: dateOf(startOn, s.waitHours > 0 ? dayAfter(Math.ceil(end), s.waitHours) : day),
    })
    if (minutes >= dayMinutes - 1e-9) {
      day++
      minutes = 0
    }
  }
  const order = new Map(plan.steps.map((s, i) => [s.id, i]))
  const steps = out.sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0))
  const before = steps.filter((s) => s.id !== AFTER).map((s) => s.to)
  return { steps, handOverOn: open.length || !before.length ? null : (before.sort().at(-1) ?? null) }
}

/** 0 = Monday. */
const weekday = (startOn: string, day: number): number => (dayjs(startOn).add(day, 'day').day() + 6) % 7
const dateOf = (startOn: string, day: number): string =>
  dayjs(startOn)
    .add(Math.floor(day + 1e-9), 'day')
    .format('YYYY-MM-DD')

/** Days that a hand-over comes after the day it was promised; 0 = in time, null = nothing was promised or nothing is known. */
export const daysLate = (days: BuildDays, due: string | null): number | null =>
  due === null || days.handOverOn === null ? null : Math.max(0, dayjs(days.handOverOn).diff(dayjs(due), 'day'))
