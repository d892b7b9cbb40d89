import type { Rules } from '../rules/rules'
import type { Tick } from './tick'

/** Steps whose minutes are so many times one figure of the shop rules. */
const ruleOf: Record<string, keyof Rules> = {
  cut: 'cutMin',
  bend: 'bendMin',
  saddle: 'saddleMin',
  fold: 'foldMin',
  drill: 'holeMin',
  assemble: 'boltMin',
  fit: 'footMin',
}
/** What the log says of one kind of step: how often it was timed, what it took and was reckoned at in all. */
export type LearnedTime = { id: string; times: number; tookMin: number; reckonedMin: number }

/** All that was timed, step by step, over any number of jobs. What was reckoned at nothing teaches nothing. */
export function learnedTimes(jobs: Record<string, Tick>[]): LearnedTime[] {
  const known = new Map<string, LearnedTime>()
  for (const built of jobs)
    for (const [id, t] of Object.entries(built)) {
      if (t.tookMin === null || !t.reckonedMin) continue
      const at = known.get(id) ?? { id, times: 0, tookMin: 0, reckonedMin: 0 }
      known.set(id, { id, times: at.times + 1, tookMin: at.tookMin + t.tookMin, reckonedMin: at.reckonedMin + t.reckonedMin })
    }
  return [...known.values()].sort((a, b) => b.times - a.times || a.id.localeCompare(b.id))
}

/** A log this short says little: an offer waits for so many. The shop's own */
export const ENOUGH_TIMES = 3

/**
 * What a figure of the rules would have to be for the log to have been reckoned right: figure × Σ taken / Σ reckoned. The figure may have been another one when
 * an older step was reckoned; what it was reckoned at then is what is compared. Null where the log is too short or the step hangs on no single figure.
 */
export function timeOffer(l: LearnedTime, rules: Rules): { key: keyof Rules; now: number; would: number } | null {
  const key = ruleOf[l.id]
  if (!key || l.times < ENOUGH_TIMES) return null
  const now = rules[key] as number
  return { key, now, would: Math.round(((now * l.tookMin) / l.reckonedMin) * 10) / 10 }
}
