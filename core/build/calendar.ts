import type { Job } from '../job/job'
import type { KitStanding } from '../purchase/kit'
import type { Rules } from '../rules/rules'
import { schedule } from '../schedule/schedule'
import { type ShopCalendar, ShopCalendarSchema } from '../schedule/shopCalendar'
import type { Placed, WorkGiven, WorkJob } from '../schedule/work'
import { ORDERED, RECEIVED } from './buying'
import type { BuildPlan } from './step'

type JobDates = Pick<Job, 'title' | 'due' | 'start' | 'bringsOn' | 'ahead' | 'built' | 'notBefore'>
/**
 * A job with its plan, as it stands among others on the calendar. Nothing is received before the day it is to come; where all is here or on its way, those
 * days count and no longer the usual time of an order.
 */
export function workJob(id: string, job: JobDates, plan: Pick<WorkJob, 'steps'>, kit: KitStanding): WorkJob {
  const { title, due, start, bringsOn, ahead, built: done, notBefore } = job
  const known = kit.state !== 'missing'
  const steps = known ? plan.steps.map((s) => (s.id === ORDERED ? { ...s, waitHours: 0 } : s)) : plan.steps
  return { id, title, due, start, bringsOn, ahead, steps, done, notBefore, comesOn: kit.dueOn ? { [RECEIVED]: kit.dueOn } : {} }
}

export type BuildDays = { steps: Placed[]; handOverOn: string | null }
type Alone = Partial<WorkJob> &
  Pick<WorkGiven, 'today' | 'hoursADay' | 'daysAWeek'> & { calendar?: ShopCalendar; wet?: ReadonlySet<string> }

/** The plan on the calendar as if the shop had nothing else to do: what waits (a coat, a coater, an order) holds up only what needs it. */
export function buildDays(plan: BuildPlan, { today, hoursADay, daysAWeek, calendar, wet, ...job }: Alone): BuildDays {
  const none = { id: '', title: '', due: null, start: null, bringsOn: null, ahead: false, done: {}, notBefore: {}, comesOn: {} }
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
export const daysAlone = (
  plan: BuildPlan,
  job: Job,
  { kit, today, rules, calendar }: { kit: KitStanding; today: string; rules: Rules; calendar: ShopCalendar },
): BuildDays => buildDays(plan, { ...workJob('', job, plan, kit), today, hoursADay: rules.workHours, daysAWeek: rules.workDays, calendar })
