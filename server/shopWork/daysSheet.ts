import { vehicleVisits } from '../../core/build/vehicleVisits'
import { schedule } from '../../core/schedule/schedule'
import { dateOf, dayOf, ONE_PERSON, within } from '../../core/schedule/shopCalendar'
import type { Schedule, WorkGiven } from '../../core/schedule/work'
import type { Shop } from '../../core/shop/shop'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { closePaper, INK, MARGIN, openPaper, type Paper, type Title, table } from '../prints/paper'

/** So many days of work are told hand by hand. */
const DAYS_TOLD = 10

/** The days of the shop to hang on the wall: every job against its promise, then who does what on the next days. PDF bytes. */
export function daysPdf(answer: DaysAnswer, shop: Pick<Shop, 'name' | 'address' | 'paper'>): Promise<Buffer> {
  const given: WorkGiven = { ...answer, wet: new Set(answer.wet) }
  const days = schedule(given)
  const title: Title = {
    ...{
      job: 'Days of the shop',
      client: '',
      sheet: `from ${answer.today}`,
      revision: 0,
      date: answer.today,
      due: null,
      stamp: null,
      shop,
    },
  }
  const paper = openPaper(title)
  const span = (v: { from: string; to: string }) => (v.from === v.to ? v.from : `${v.from} to ${v.to}`)
  const y = table(
    paper,
    [
      { head: 'Job', width: 210 },
      { head: 'Vehicle', width: 130 },
      { head: 'Promised', width: 70 },
      { head: 'Handed over', width: 80 },
      { head: 'Late, days', width: 60, align: 'right' },
      { head: 'Vehicle wanted', width: 220 },
    ],
    given.jobs.map((j, i) => {
      const own = days.jobs[i]
      return [
        j.title,
        answer.about[i]?.vehicle ?? '',
        j.due ?? '',
        own?.handOverOn ?? 'no day',
        own?.daysLate ? `${own.daysLate}` : '',
        vehicleVisits(j, days.placed).map(span).join('; '),
      ]
    }),
    MARGIN,
    60,
    9.5,
  )
  told(paper, given, days, y + 16)
  return closePaper(paper, title)
}

/** Who does what on the next days of work. */
function told(paper: Paper, given: WorkGiven, days: Schedule, y: number): void {
  const people = given.calendar.people.length ? given.calendar.people : [ONE_PERSON]
  const dates = Array.from({ length: 60 }, (_, d) => dateOf(given.today, d))
    .filter((d) => days.placed.some((p) => p.people.length && p.from <= d && d <= p.to))
    .slice(0, DAYS_TOLD)
  const width = Math.min(340, 690 / people.length)
  paper.font('bold').fontSize(11).fillColor(INK).text('Who does what', MARGIN, y)
  table(
    paper,
    [{ head: 'Day', width: 80 }, ...people.map((p) => ({ head: p.name || 'one person', width }))],
    dates.map((d) => [
      given.wet.has(d) ? `${d}, rain (simulated)` : d,
      ...people.map((p) => {
        const away = within(p.away, d)
        if (away) return away.why || 'away'
        const day = dayOf(given.today, d)
        return days.placed
          .filter((x) => x.people.includes(p.id) && x.begins < day + 1 - 1e-6 && x.ends > day + 1e-6)
          .sort((a, b) => a.begins - b.begins)
          .map((x) => {
            const job = given.jobs.find((j) => j.id === x.jobId)
            return `${job?.title}: ${job?.steps.find((s) => s.id === x.stepId)?.title}`
          })
          .join('\n')
      }),
    ]),
    MARGIN,
    y + 16,
    9,
  )
}
