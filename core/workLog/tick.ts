import { z } from 'zod'

/** Work that ran longer than this was left running: it is asked for instead. Minutes */
export const LEFT_RUNNING_MIN = 12 * 60
const minutes = z.number().min(0).max(100_000)

/**
 * A step that is done: the day, what it was then, how long it took and how long it was reckoned at (null = not timed), and what came out otherwise than drawn,
 * open until it is settled. A hole that is ticked is one too, and has only its day.
 */
export const TickSchema = z.object({
  on: z.iso.date(),
  was: z.string().max(40),
  tookMin: minutes.nullable().default(null),
  reckonedMin: minutes.nullable().default(null),
  /** the shop's figure that it was reckoned with; null = it hangs on several */
  figureMin: minutes.nullable().default(null),
  /** the step in words; empty in ticks from before this was kept, and of holes */
  what: z.string().max(160).default(''),
  /** who did it, and signed where it is a gate */
  by: z.string().max(80).default(''),
  otherwise: z.string().max(500).default(''),
  settled: z.boolean().default(false),
})
export type Tick = z.infer<typeof TickSchema>
export const tickOf = (on: string, was: string, over: Partial<Tick> = {}): Tick => ({
  on,
  was,
  tookMin: null,
  reckonedMin: null,
  figureMin: null,
  what: '',
  by: '',
  otherwise: '',
  settled: false,
  ...over,
})

/** The step that somebody is at, and since when. */
export const AtWorkSchema = z.object({ id: z.string().max(120), since: z.iso.datetime() })
export type AtWork = z.infer<typeof AtWorkSchema>

/** Whole minutes from the start of a step to now, one at least; null where it was left running, or its start lies ahead. */
export function tookMinutes(since: string, now: string): number | null {
  const min = (Date.parse(now) - Date.parse(since)) / 60_000
  return min < 0 || min > LEFT_RUNNING_MIN ? null : Math.max(1, Math.round(min))
}
