import type { Limit } from '../../core/limits/limit'

export type LimitState = Limit['state']
export const stateWords: Record<LimitState, string> = { clear: 'clear', near: 'near', over: 'over', unknown: 'not assessed' }
/** Each state by a shape as well as a word and a colour. */
export const stateMarks: Record<LimitState, string> = { clear: '○', near: '◐', over: '▲', unknown: '?' }

/** The worst state of the limits that name a drawn part. */
export function marksOf(limits: Limit[]): Map<string, LimitState> {
  const rank: Record<LimitState, number> = { over: 3, near: 2, unknown: 1, clear: 0 }
  const marks = new Map<string, LimitState>()
  for (const l of limits) {
    if (!l.ref) continue
    const old = marks.get(l.ref)
    if (!old || rank[l.state] > rank[old]) marks.set(l.ref, l.state)
  }
  return marks
}
