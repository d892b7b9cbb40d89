import { schedule } from '../core/schedule/schedule'
import { dateOf, ShopCalendarSchema, workPlaces } from '../core/schedule/shopCalendar'
import type { WorkGiven, WorkStep } from '../core/schedule/work'

/** Days of one job of 250 steps (reach 300 ms) and of 40 such jobs (reach 2 s), four people, one of them away for a week. */
const jobs = (count: number): WorkGiven => ({
  today: '2026-11-23',
  hoursADay: 7,
  daysAWeek: 5,
  wet: new Set(),
  calendar: ShopCalendarSchema.parse({
    people: ['a', 'b', 'c', 'd'].map((id, i) => ({ id, name: id, away: i ? [] : [{ from: '2026-12-07', to: '2026-12-11' }] })),
  }),
  jobs: Array.from({ length: count }, (_, j) => ({
    ...{ id: `j${j}`, title: `job ${j}`, start: null, bringsOn: null, ahead: false, done: {}, notBefore: {}, comesOn: {} },
    due: dateOf('2026-11-23', 10 + 5 * j),
    steps: Array.from(
      { length: 250 },
      (_, i): WorkStep => ({
        id: `s${i}`,
        title: `step ${i}`,
        minutes: 5 + ((i * 37 + j * 11) % 40),
        people: i % 23 === 0 ? 2 : 1,
        needs: [i - 1, i - 7].filter((n) => n >= 0 && i % 5).map((n) => `s${n}`),
        waitHours: i % 50 === 49 ? 48 : 0,
        afterHandOver: false,
        place: i % 3 ? null : (workPlaces[i % workPlaces.length] ?? null),
      }),
    ),
  })),
})

export function daysBench(): string[][] {
  const timed = (given: WorkGiven) => {
    const times = Array.from({ length: 5 }, () => {
      const start = performance.now()
      schedule(given)
      return performance.now() - start
    }).sort((a, b) => a - b)
    return `${Math.round(times[2]!)} ms`
  }
  return [
    ['days of one job of 250 steps', timed(jobs(1)), 'median of 5; reach 300 ms'],
    ['days of 40 jobs of 250 steps', timed(jobs(40)), 'median of 5; reach 2 s'],
  ]
}
