import type { ShopCalendar, WorkPlace } from './shopCalendar'

/** What of a step its days hang on. Minutes of work by so many people at once; hours of waiting after; `needs` = steps before it. */
export type WorkStep = {
  id: string
  title: string
  minutes: number
  people: number
  needs: string[]
  waitHours: number
  place: WorkPlace | null
  /** done once the vehicle is back with its owner: no hand-over waits for it */
  afterHandOver: boolean
}
/** One job on the calendar. Dates as 2026-12-24. */
export type WorkJob = {
  id: string
  title: string
  /** the day promised */
  due: string | null
  /** nothing of it is begun before */
  start: string | null
  /** the vehicle is here from this day; null = whenever it is wanted */
  bringsOn: string | null
  /** worked on before all others */
  ahead: boolean
  steps: WorkStep[]
  /** steps that are done: no time is left in them, and what they wait for counts from the day they were ticked */
  done: Record<string, { on: string }>
  /** steps that somebody moved to a later day */
  notBefore: Record<string, string>
  /** steps that wait for something from outside, and the day it is to come */
  comesOn: Record<string, string>
}
export type WorkGiven = {
  /** what is not done yet is not done in the past */
  today: string
  jobs: WorkJob[]
  hoursADay: number
  /** days of the week that are worked, from Monday */
  daysAWeek: number
  calendar: ShopCalendar
  /** days on which nothing is done on a vehicle that stands in the open */
  wet: ReadonlySet<string>
}

/** Why a step begins when it does: the last thing it waited for. */
export type Because =
  | { kind: 'today' }
  | { kind: 'after'; stepId: string }
  | { kind: 'start' | 'vehicle' | 'moved' | 'comes' | 'wet' | 'closed' | 'away' }
  | { kind: 'hands' | 'place'; jobId: string; stepId: string }
export type Placed = {
  jobId: string
  stepId: string
  from: string
  to: string
  /** when what needs it can begin */
  readyOn: string
  /** days from today, with the part of a working day: where it stands on a drawing */
  begins: number
  ends: number
  /** who does it: their ids */
  people: string[]
  /** so many people more than the shop has */
  short: number
  because: Because
  /** of the steps before it, the one that was over last */
  after: string | null
}
export type Unplaced = { jobId: string; stepId: string; why: string }
export type JobDays = { jobId: string; handOverOn: string | null; daysLate: number | null }
export type Schedule = { placed: Placed[]; unplaced: Unplaced[]; jobs: JobDays[] }

/** Two moments nearer than this are one: days */
export const TINY = 1e-9
export const keyOf = (jobId: string, stepId: string): string => `${jobId} ${stepId}`
