import type { RuleKey, Rules } from '../rules/rules'
import type { Tick } from './tick'

/** Steps whose minutes are so many times one figure of the shop rules. */
const ruleOf: Record<string, RuleKey> = {
  cut: 'cutMin',
  bend: 'bendMin',
  saddle: 'saddleMin',
  fold: 'foldMin',
  drill: 'holeMin',
  assemble: 'boltMin',
  fit: 'footMin',
}
/** The figure that a step is reckoned with now; null where it hangs on several. */
export const figureOf = (stepId: string, rules: Rules): number | null => {
  const key = ruleOf[stepId]
  return key ? (rules[key] as number) : null
}

/** What the log says of one kind of step: how often it was timed, what it took and was reckoned at in all, and how many pieces of work that were. */
export type LearnedTime = { id: string; times: number; tookMin: number; reckonedMin: number; pieces: number }

/** All that was timed, step by step, over any number of jobs. What was reckoned at nothing teaches nothing. */
export function learnedTimes(jobs: Record<string, Tick>[]): LearnedTime[] {
  const known = new Map<string, LearnedTime>()
  for (const built of jobs)
    for (const [id, t] of Object.entries(built)) {
      if (t.tookMin === null || !t.reckonedMin) continue
      const at = known.get(id) ?? { id, times: 0, tookMin: 0, reckonedMin: 0, pieces: 0 }
      known.set(id, {
        id,
        times: at.times + 1,
        tookMin: at.tookMin + t.tookMin,
        reckonedMin: at.reckonedMin + t.reckonedMin,
        pieces: at.pieces + (t.figureMin ? t.reckonedMin / t.figureMin : 0),
      })
    }
  return [...known.values()].sort((a, b) => b.times - a.times || a.id.localeCompare(b.id))
}

/** A log this short says little: an offer waits for so many. The shop's own */
export const ENOUGH_TIMES = 3

/**
 * What one piece of work took by the log, Σ taken / Σ pieces: it does not hang on what the figure is now, so that using it once does not make it offer
 * more the next time. Null where the log is too short, or the step hangs on no single figure.
 */
export function timeOffer(l: LearnedTime, rules: Rules): { key: RuleKey; now: number; would: number } | null {
  const key = ruleOf[l.id]
  if (!key || l.times < ENOUGH_TIMES || l.pieces <= 0) return null
  return { key, now: rules[key] as number, would: Math.round((l.tookMin / l.pieces) * 10) / 10 }
}
