import { type Figure, figure, SHOP_RULE, sum } from '../figure/figure'
import type { Quote } from './quote'

/** A step as the log has it: minutes it was reckoned at and took; null = not timed. */
export type TimedStep = { title: string; reckonedMin: number; tookMin: number | null; done: boolean }
export type Afterwards = {
  /** hours of work so far: what was timed, and what was done without a clock at what it was reckoned at */
  hours: Figure
  /** what is left of the price for an hour of work, minor units */
  earnedPerHour: Figure
  timed: number
  done: number
  left: number
  /** steps that took longest beyond what they were reckoned at, minutes, the worst first */
  wentWrong: { title: string; tookMin: number; reckonedMin: number }[]
}

/** More than this beyond what was reckoned is worth a line. Minutes, and a share of it */
const TELLING_MIN = 5
const TELLING_SHARE = 0.1

/**
 * What a job came to: the price without what was bought and paid out for it, over the hours it took. The shop's own work is not paid out. Null =
 * nothing of it was done or timed yet.
 */
export function afterwards(quote: Quote, steps: TimedStep[]): Afterwards | null {
  const done = steps.filter((s) => s.done)
  const timed = done.filter((s) => s.tookMin !== null)
  if (!timed.length) return null
  const hours = figure(
    {
      id: 'after.hours',
      name: 'Hours so far',
      unit: 'h',
      formula: 'H = (Σ timed + Σ reckoned of what was not timed) / 60',
      source: 'the log of this job',
      with: {
        timed: [sum(timed.map((s) => s.tookMin ?? 0)), 'min', `${timed.length} steps timed`],
        reckoned: [sum(done.filter((s) => s.tookMin === null).map((s) => s.reckonedMin)), 'min', 'done without a clock, as reckoned'],
      },
    },
    ({ timed, reckoned }) => (timed + reckoned) / 60,
  )
  const paid = quote.lines.filter((l) => !l.work)
  const paidOut = paid.some((l) => l.figure.value === null) ? null : sum(paid.map((l) => l.figure.value ?? 0))
  const left = steps.length - done.length
  const toCome = sum(steps.filter((s) => !s.done).map((s) => s.reckonedMin))
  const earnedPerHour = figure(
    {
      id: 'after.earned',
      name: 'Earned for an hour of work',
      unit: 'money',
      formula: 'e = (P − M) / (H + h)',
      source: SHOP_RULE,
      with: {
        P: [quote.price.value, 'money', 'price'],
        M: [paidOut, 'money', 'bought and paid out'],
        H: [hours.value, 'h', 'hours so far'],
        h: [toCome / 60, 'h', 'still to come, as reckoned'],
      },
    },
    ({ P, M, H, h }) => (P - M) / (H + h),
  )
  const wentWrong = timed
    .map((s) => ({ title: s.title, tookMin: s.tookMin ?? 0, reckonedMin: s.reckonedMin }))
    .filter((s) => s.tookMin - s.reckonedMin > Math.max(TELLING_MIN, TELLING_SHARE * s.reckonedMin))
    .sort((a, b) => b.tookMin - b.reckonedMin - (a.tookMin - a.reckonedMin))
  return { hours, earnedPerHour, timed: timed.length, done: done.length, left, wentWrong }
}
