import type { Station } from './stations'

/** One line of the Slipway: what a job is, where it stands, and the verdict on its limits. */
export type JobRow = {
  id: string
  revision: number
  title: string
  client: string
  station: Station
  due: string | null
  archived: boolean
  updatedAt: string
  over: number
  near: number
  unknown: number
  governing: string
  /** false while its limits are not worked out for this revision: then it is neither clear nor over */
  judged: boolean
  /** why its limits could not be worked out; empty when they were */
  fault: string
  /** pieces that moved since a plan was accepted for the saw */
  moved: number
}
