import dayjs from 'dayjs'
import ical from 'ical-generator'
import { ownerCard } from '../../core/handOver/ownerCard'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import type { Rules } from '../../core/rules/rules'

/** The days on which it is looked at again, as iCalendar: whole days, counted from the day it is handed over, or from the one it is promised for. */
export function recheckIcs(
  job: Job,
  result: Pick<Evaluation, 'assembly' | 'limits' | 'issues' | 'engineer'>,
  rules: Rules,
  today: string,
): string {
  const from = dayjs(job.due ?? today)
  const calendar = ical({ name: `${job.title}: look again`, prodId: { company: 'Tide Line', product: 'rechecks' } })
  ownerCard(job, result, rules).rechecks.forEach((r, i) => {
    const on = from.add(r.days, 'day')
    calendar.createEvent({
      id: `${i}-${from.format('YYYYMMDD')}@tide-line`,
      // the same job gives the same file
      stamp: from.toDate(),
      start: on.toDate(),
      end: on.add(1, 'day').toDate(),
      allDay: true,
      summary: `${job.title}: look again after ${r.after}`,
      description: `${job.vehicle.name}. ${r.what}.`,
    })
  })
  return calendar.toString()
}
