import equal from 'fast-deep-equal'
import { type Asked, type OutsideAnswer, type OutsideKind, outsideKinds, outsideNames } from './answer'

/** An answer that counts: what was asked then is what would be asked now, and somebody said to use it. */
export type StandingAnswers = Partial<Record<OutsideKind, OutsideAnswer>>

/** What is known of a service's answer: used, only read, or asked before the design became another. */
export type AnswerState = 'used' | 'read' | 'old'
export const answerState = (answer: OutsideAnswer, asked: Asked | null): AnswerState =>
  !asked || !equal(answer.lines, asked.lines) ? 'old' : answer.used ? 'used' : 'read'

export const standingAnswers = (answers: readonly OutsideAnswer[], asked: Record<OutsideKind, Asked | null>): StandingAnswers =>
  Object.fromEntries(answers.filter((a) => answerState(a, asked[a.kind]) === 'used').map((a) => [a.kind, a]))

/** The answer where it takes all that was asked; one that leaves a line undone brings nothing on a day. */
export const takesAll = (a: OutsideAnswer | undefined): OutsideAnswer | null => (a && answeredDays(a) !== null ? a : null)

/** How a line of a quote, a step or a print says whose figure it is. */
export const byWhom = (a: OutsideAnswer): string => `simulated ${outsideNames[a.kind].toLowerCase()}, ${a.on}`

/** The price of one line; null where it is not answered, or answered with a fault. Minor units */
export const answeredMinor = (a: OutsideAnswer, key: string): number | null => a.answers.find((l) => l.key === key)?.minor ?? null
/** How many days it takes until all of it is here or back; null where a line has none. */
export function answeredDays(a: OutsideAnswer): number | null {
  const days = a.answers.map((l) => l.days)
  return days.some((d) => d === null) ? null : Math.max(0, ...days.flatMap((d) => d ?? []))
}

/** An answer in place of the one that its service gave before. */
export const withAnswer = (answers: readonly OutsideAnswer[], a: OutsideAnswer): OutsideAnswer[] =>
  outsideKinds.flatMap((kind) => (kind === a.kind ? [a] : answers.filter((o) => o.kind === kind)))
