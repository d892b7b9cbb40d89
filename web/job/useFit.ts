import { type Remote, wrap } from 'comlink'
import { useEffect, useMemo, useState } from 'react'
import { create } from 'zustand'
import { type Fit, withApart, withFit } from '../../core/fit/fit'
import type { HeightWindow } from '../../core/fit/heightBounds'
import type { Limit } from '../../core/limits/limit'
import type { FitApi } from './fit.worker'
import { useResult, useRules } from './useEvaluation'

type State = { fit: Fit | null; of: object | null; fault: string | null }
/** The newest gaps and ways that came back from their worker, and the job they belong to. */
export const useFitResult = create<State>()(() => ({ fit: null, of: null, fault: null }))

type Bench = { worker: Worker; api: Remote<FitApi> }
function openBench(): Bench {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' })
  return { worker, api: wrap<FitApi>(worker) }
}
let held: Bench | null = null
const working = (): Remote<FitApi> => {
  held ??= openBench()
  return held.api
}
/** A worker in which something broke is not asked again: the next question opens another. */
function letGo(): void {
  held?.worker.terminate()
  held = null
}

/** Long work on a bench of its own, so that the live gaps do not wait for it; `stop` ends it. */
export function besideFit<T>(work: (api: Remote<FitApi>) => Promise<T>): { found: Promise<T>; stop: () => void } {
  const { worker, api } = openBench()
  return { found: work(api).finally(() => worker.terminate()), stop: () => worker.terminate() }
}

/** So long nothing has changed before tools are tried. */
const QUIET_MS = 400

const words = (error: unknown): string => (error instanceof Error ? error.message : String(error))

/** Keeps what fits up with the figures: one job in the worker at a time, then only the newest. */
export function useLiveFit(): void {
  const rules = useRules()
  useEffect(() => {
    let [stopped, running] = [false, false]
    // what tools get to takes longer than gaps do: worked out on a bench of its own, beside them, and only for the newest job
    let beside: Bench | null = null
    let reaching = false
    const reach = async () => {
      const { evaluation, of } = useResult.getState()
      const { fit, of: fitted } = useFitResult.getState()
      if (stopped || reaching || !evaluation || !fit || fit.apart || of !== fitted || !of) return
      reaching = true
      // while somebody drags, nobody asks for it
      await new Promise((resolve) => setTimeout(resolve, QUIET_MS))
      if (stopped || useResult.getState().of !== of) {
        reaching = false
        if (!stopped) void reach()
        return
      }
      try {
        const { assembly, cases } = evaluation
        beside ??= openBench()
        const apart = await beside.api.apart(of, { assembly, cases }, rules)
        if (!stopped && useFitResult.getState().of === of) useFitResult.setState({ fit: withApart(fit, apart, rules), of, fault: null })
      } catch (error) {
        // a worker in which something broke is not asked again
        beside?.worker.terminate()
        beside = null
        if (!stopped && useFitResult.getState().of === of) useFitResult.setState({ fit: null, of, fault: words(error) })
      }
      reaching = false
      void reach()
    }
    const pump = async () => {
      const { evaluation, of } = useResult.getState()
      if (stopped || running || !evaluation || !of || useFitResult.getState().of === of) return
      running = true
      try {
        const { assembly, cases } = evaluation
        const fit = await working().fit(of, { assembly, cases }, rules)
        if (!stopped) useFitResult.setState({ fit, of, fault: null })
        void reach()
      } catch (error) {
        letGo()
        if (!stopped) useFitResult.setState({ fit: null, of, fault: words(error) })
      }
      running = false
      void pump()
    }
    const stop = useResult.subscribe(() => void pump())
    useFitResult.setState({ fit: null, of: null, fault: null })
    void pump()
    return () => {
      stopped = true
      beside?.worker.terminate()
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

/** How low and how high the pieces may stand, of the job as it is now; null while that is worked out. A fault is told in words. */
export function useHeights(): HeightWindow[] | { fault: string } | null {
  const rules = useRules()
  // asked once the gaps are there, and not again when what tools get to comes after them
  const gaps = useFit()?.gaps
  const [found, setFound] = useState<{ of: object; heights: HeightWindow[] | { fault: string } } | null>(null)
  const now = useResult((s) => s.of)
  useEffect(() => {
    const { evaluation, of } = useResult.getState()
    if (!gaps || !evaluation || !of) return
    let left = false
    const { assembly, cases, pieces } = evaluation
    working()
      .heights(of, { assembly, cases, pieces }, rules)
      .then(
        (heights) => !left && setFound({ of, heights }),
        (error: unknown) => {
          letGo()
          if (!left) setFound({ of, heights: { fault: words(error) } })
        },
      )
    return () => {
      left = true
    }
  }, [gaps, rules])
  return found && found.of === now ? found.heights : null
}

/** What is to be said while gaps and ways are no part of any verdict: they are being worked out, or could not be. Null where they are known. */
export function useFitWanting(): { says: string; failed: boolean } | null {
  const fit = useFit()
  const { fault, of } = useFitResult()
  const now = useResult((s) => s.of)
  if (fit?.apart) return null
  const failed = fault !== null && of === now
  return {
    failed,
    says: failed
      ? `Gaps and ways are not assessed: they could not be worked out (${fault}).`
      : fit
        ? 'What tools get to is being worked out.'
        : 'Gaps and ways are being worked out.',
  }
}

/** Limits of strength and of fit together, the governing one first. */
export function useLimits(): Limit[] {
  const limits = useResult((s) => s.evaluation?.limits)
  const fit = useFit()
  return useMemo(() => withFit(limits ?? [], fit), [limits, fit])
}
