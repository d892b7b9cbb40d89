import type { Tick } from '../workLog/tick'
import type { BuildPlan, BuildStep } from './step'

/** What a step was when it was ticked: the same words and parts give the same mark. */
export function stepMark(s: BuildStep): string {
  const text = [s.title, s.why, ...s.marks, s.minutes.toFixed(1)].join('|')
  let hash = 5381
  for (let i = 0; i < text.length; i++) hash = (hash * 33 + text.charCodeAt(i)) % 4294967296
  return hash.toString(16)
}

export type StepState = { step: BuildStep; done: (Tick & { changed: boolean }) | null; waitsFor: string[] }
/** Each step with whether it is done, whether it has changed since, and what it still waits for: steps, and whatever else `holds` names for it. */
export function stepStates(plan: BuildPlan, built: Record<string, Tick>, holds: Record<string, string[]> = {}): StepState[] {
  const done = (id: string) => built[id] !== undefined
  return plan.steps.map((s) => {
    const mine = built[s.id]
    return {
      step: s,
      done: mine ? { ...mine, changed: mine.was !== stepMark(s) } : null,
      waitsFor: [...s.needs.filter((n) => !done(n)).map((n) => plan.steps.find((o) => o.id === n)?.title ?? n), ...(holds[s.id] ?? [])],
    }
  })
}

/** What can be begun now: not done, and nothing before it is waited for. */
export const nextStep = (states: StepState[]): StepState | null => states.find((s) => !s.done && !s.waitsFor.length) ?? null
