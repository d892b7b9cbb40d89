import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'
import { schedule } from '../schedule/schedule'
import { type ShopCalendar, ShopCalendarSchema } from '../schedule/shopCalendar'
import type { Placed, WorkGiven, WorkJob } from '../schedule/work'
import type { BuildPlan } from './step'

/** A job with its plan, as it stands among others on the calendar. */
export const workJob = (
  id: string,
  job: Pick<Job, 'title' | 'due' | 'start' | 'bringsOn' | 'ahead' | 'built' | 'notBefore'>,
  plan: BuildPlan,
): WorkJob => ({
  id,
  title: job.title,
  due: job.due,
  start: job.start,
  bringsOn: job.bringsOn,
  ahead: job.ahead,
  steps: plan.steps,
  done: job.built,
  notBefore: job.notBefore,
})

export type BuildDays = { steps: Placed[]; handOverOn: string | null }
type Alone = Partial<WorkJob> &
  Pick<WorkGiven, 'today' | 'hoursADay' | 'daysAWeek'> & { calendar?: ShopCalendar; wet?: ReadonlySet<string> }

/** The plan on the calendar as if the shop had nothing else to do: what waits (a coat, a coater, an order) holds up only what needs it. */
export function buildDays(plan: BuildPlan, { today, hoursADay, daysAWeek, calendar, wet, ...job }: Alone): BuildDays {
  const none = { id: '', title: '', due: null, start: null, bringsOn: null, ahead: false, done: {}, notBefore: {} }
  const { placed, jobs } = schedule({
    today,
    hoursADay,
    daysAWeek,
    calendar: calendar ?? ShopCalendarSchema.parse({}),
    wet: wet ?? new Set(),
    jobs: [{ ...none, ...job, steps: plan.steps }],
  })
  return { steps: placed, handOverOn: jobs[0]?.handOverOn ?? null }
}

/** The same of a job as it is kept. */
export const daysAlone = (plan: BuildPlan, job: Job, today: string, rules: Rules, calendar: ShopCalendar): BuildDays =>
  buildDays(plan, { ...workJob('', job, plan), today, hoursADay: rules.workHours, daysAWeek: rules.workDays, calendar })
