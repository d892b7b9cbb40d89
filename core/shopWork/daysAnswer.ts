import type { KitState } from '../purchase/kit'
import type { WorkGiven } from '../schedule/work'

/** A job that is open and could not be worked out, and why. */
export type LeftOut = { id: string; title: string; why: string }
/** The shop's calendar as it is handed out: what the scheduler takes, and what a page shows of each job beside it. */
export type DaysAnswer = Omit<WorkGiven, 'wet'> & {
  wet: string[]
  about: { id: string; revision: number; client: string; vehicle: string; kit: KitState }[]
  left: LeftOut[]
  /** open jobs, due later than all of these, that are not on it */
  more: number
}
