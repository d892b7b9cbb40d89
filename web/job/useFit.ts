import { type Remote, wrap } from 'comlink'
import { useEffect, useMemo } from 'react'
import { create } from 'zustand'
import { type Fit, withFit } from '../../core/fit/fit'
import type { Limit } from '../../core/limits/limit'
import type { FitApi } from './fit.worker'
import { useResult, useRules } from './useEvaluation'

type State = { fit: Fit | null; of: object | null; fault: string | null }
/** The newest gaps and ways that came back from their worker, and the job they belong to. */
export const useFitResult = create<State>()(() => ({ fit: null, of: null, fault: null }))

let held: { worker: Worker; api: Remote<FitApi> } | null = null
const working = (): Remote<FitApi> => {
  if (!held) {
    const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' })
    held = { worker, api: wrap<FitApi>(worker) }
  }
  return held.api
}
/** A worker in which something broke is not asked again: the next question opens another. */
function letGo(): void {
  held?.worker.terminate()
  held = null
}

export const fitting = <T>(work: (api: Remote<FitApi>) => Promise<T>): Promise<T> => work(working())

/** Keeps what fits up with the figures: one job in the worker at a time, then only the newest. */
export function useLiveFit(): void {
  const rules = useRules()
  useEffect(() => {
    let [stopped, running] = [false, false]
    const pump = async () => {
      const { evaluation, of } = useResult.getState()
      if (stopped || running || !evaluation || !of || useFitResult.getState().of === of) return
      running = true
      try {
        const { assembly, cases } = evaluation
        const fit = await working().fit(of, { assembly, cases }, rules)
        if (!stopped) useFitResult.setState({ fit, of, fault: null })
      } catch (error) {
        letGo()
        if (!stopped) useFitResult.setState({ fit: null, of, fault: error instanceof Error ? error.message : String(error) })
      }
      running = false
      void pump()
    }
    const stop = useResult.subscribe(() => void pump())
    useFitResult.setState({ fit: null, of: null, fault: null })
    void pump()
    return () => {
      stopped = true
      stop()
    }
  }, [rules])
}

/** What fits, of the job as it is now; null while it is worked out: an old answer never stands beside a changed job. */
export function useFit(): Fit | null {
  const { fit, of } = useFitResult()
  const now = useResult((s) => s.of)
  return of === now ? fit : null
}

/** Limits of strength and of fit together, the governing one first. */
export function useLimits(): Limit[] {
  const limits = useResult((s) => s.evaluation?.limits)
  const fit = useFit()
  return useMemo(() => withFit(limits ?? [], fit), [limits, fit])
}
