import { dateOf, type ShopPerson, weekdayOf, within } from './shopCalendar'
import { TINY, type WorkGiven, type WorkStep } from './work'

/** Nothing is planned farther than this from today. */
export const MOST_DAYS = 1500

export type WorkDays = ReturnType<typeof workDays>
/** On which days from today the shop works, who is there, and how long work takes over them. */
export function workDays({ today, hoursADay, daysAWeek, calendar, wet }: WorkGiven) {
  const dayMinutes = Math.max(1, hoursADay) * 60
  const worked = Math.max(1, Math.min(7, daysAWeek))
  // each day is looked at once, however many steps ask for it
  const each = <T>(of: (day: number) => T): ((day: number) => T) => {
    const known = new Map<number, T>()
    return (day) => {
      const found = known.get(day) ?? of(day)
      known.set(day, found)
      return found
    }
  }
  const shut = each((day) => weekdayOf(today, day) >= worked || within(calendar.closed, dateOf(today, day)) !== undefined)
  const away = each((day) => calendar.people.filter((p) => within(p.away, dateOf(today, day))))
  const here = (p: ShopPerson, day: number): boolean => !away(day).includes(p)
  const isWet = each((day) => calendar.outdoors && wet.has(dateOf(today, day)))
  return {
    shut,
    here,
    wet: isWet,
    /** When a step that begins now ends: its minutes on days when the shop is open, all its people are there and, on a vehicle in the open, it is dry; null = never. */
    worked: (begins: number, step: WorkStep, hands: ShopPerson[]): number | null => {
      let left = step.minutes
      let at = begins
      const last = begins + MOST_DAYS
      while (left > TINY && at < last) {
        const day = Math.floor(at + TINY)
        const works = !shut(day) && hands.every((p) => here(p, day)) && !(step.place === 'vehicle' && isWet(day))
        const room = works ? (day + 1 - at) * dayMinutes : 0
        if (left <= room + TINY) return at + left / dayMinutes
        left -= room
        at = day + 1
      }
      return left > TINY ? null : at
    },
  }
}
