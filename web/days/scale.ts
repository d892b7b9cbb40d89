import { dateOf, dayOf, weekdayOf, within } from '../../core/schedule/shopCalendar'
import type { Schedule, WorkGiven } from '../../core/schedule/work'

export const DAY_PX = 30
export const BEFORE = 2
const AFTER = 6
const MOST = 420

export type DayColumn = { day: number; date: string; weekday: number; shut: string | null; wet: boolean }

/** The days drawn: from a little before today until after the last step and the last promise. */
export function dayColumns(given: WorkGiven, days: Schedule): DayColumn[] {
  const last = Math.max(14, ...days.placed.map((p) => Math.ceil(p.ends)), ...given.jobs.map((j) => (j.due ? dayOf(given.today, j.due) : 0)))
  return Array.from({ length: Math.min(MOST, last + AFTER + BEFORE) }, (_, i): DayColumn => {
    const day = i - BEFORE
    const date = dateOf(given.today, day)
    const weekday = weekdayOf(given.today, day)
    const closed = within(given.calendar.closed, date)
    return {
      day,
      date,
      weekday,
      shut: closed ? closed.why || 'closed' : weekday >= given.daysAWeek ? 'no work' : null,
      wet: given.wet.has(date),
    }
  })
}
export const xOf = (day: number): number => (day + BEFORE) * DAY_PX
export const WEEKDAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'] as const
