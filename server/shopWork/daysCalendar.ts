import dayjs from 'dayjs'
import ical from 'ical-generator'
import { vehicleVisits } from '../../core/build/vehicleVisits'
import { schedule } from '../../core/schedule/schedule'
import { namesOf } from '../../core/schedule/shopCalendar'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'

/** The days of the shop as iCalendar: each open step, the visits of each vehicle, the day each job is handed over, and the one it was promised for. */
export function daysIcs(answer: DaysAnswer): string {
  const given = { ...answer, wet: new Set(answer.wet) }
  const days = schedule(given)
  const calendar = ical({ name: 'Days of the shop', prodId: { company: 'Tide Line', product: 'days' } })
  const add = (id: string, from: string, to: string, summary: string, description = '') =>
    calendar.createEvent({
      id: `${id}@tide-line`,
      stamp: dayjs(answer.today).toDate(),
      start: dayjs(from).toDate(),
      // the end of a whole-day event is the day after its last
      end: dayjs(to).add(1, 'day').toDate(),
      allDay: true,
      summary,
      description,
    })
  given.jobs.forEach((job, i) => {
    const vehicle = answer.about.find((a) => a.id === job.id)?.vehicle ?? ''
    for (const p of days.placed) {
      const step = p.jobId === job.id && !job.done[p.stepId] ? job.steps.find((s) => s.id === p.stepId) : undefined
      if (step)
        add(
          `${job.id}-${step.id}`,
          p.from,
          p.to,
          `${job.title}: ${step.title}`,
          `${Math.round(step.minutes)} min. ${namesOf(p.people, given.calendar).join(' and ')}`,
        )
    }
    vehicleVisits(job, days.placed).forEach((v, k) => {
      add(`${job.id}-visit-${k}`, v.from, v.to, `${job.title}: the vehicle is wanted`, vehicle)
    })
    const { handOverOn } = days.jobs[i] ?? {}
    if (handOverOn) add(`${job.id}-hand-over`, handOverOn, handOverOn, `${job.title}: hand-over`, job.due ? `promised for ${job.due}` : '')
    if (job.due) add(`${job.id}-due`, job.due, job.due, `${job.title}: promised`)
  })
  return calendar.toString()
}
