import { type Remote, wrap } from 'comlink'
import { useEffect, useRef } from 'react'
import { create } from 'zustand'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { defaultRules, type Rules } from '../../core/rules/rules'
import { useShelf } from '../api/queries'
import type { EvaluationApi } from './evaluation.worker'
import { useJob } from './jobStore'

export type Bench = {
  /** Does one thing in the worker; fails when the worker is lost or stopped meanwhile. */
  run: <T>(work: (api: Remote<EvaluationApi>) => Promise<T>) => Promise<T>
  stop: () => void
}
/** A worker that tells when it is lost, so that nobody waits for it for ever. */
export function openBench(): Bench {
  const worker = new Worker(new URL('./evaluation.worker.ts', import.meta.url), { type: 'module' })
  const api = wrap<EvaluationApi>(worker)
  let end: (why: Error) => void = () => undefined
  const lost = new Promise<never>((_, reject) => {
    end = reject
  })
  lost.catch(() => undefined)
  worker.addEventListener('error', () => end(new WorkerLost('The figures could not be worked out here: load the page again.')))
  return {
    run: (work) => Promise.race([work(api), lost]),
    stop: () => {
      worker.terminate()
      end(new Stopped())
    },
  }
}
export class WorkerLost extends Error {}
/** Somebody stopped it: nothing went wrong. */
export class Stopped extends WorkerLost {}

let live: Bench | null = null
/** The live figures; a worker that was lost is replaced the next time. */
export async function evaluating<T>(work: (api: Remote<EvaluationApi>) => Promise<T>): Promise<T> {
  live ??= openBench()
  try {
    return await live.run(work)
  } catch (error) {
    if (error instanceof WorkerLost) {
      live?.stop()
      live = null
    }
    throw error
  }
}

type Result = { evaluation: Evaluation | null; of: Job | null; fault: string | null; tookMs: number }
/** The newest figures that came back from the worker, and the job they belong to. */
export const useResult = create<Result>()(() => ({ evaluation: null, of: null, fault: null, tookMs: 0 }))

export const useRules = (): Rules => useShelf('rules').data?.document ?? defaultRules

/** Keeps the figures up with the job. While one job is in the worker newer ones wait, and only the newest of them is computed next. */
export function useLiveEvaluation(): void {
  const rules = useRules()
  const running = useRef(false)
  const rulesNow = useRef(rules)
  rulesNow.current = rules
  // biome-ignore lint/correctness/useExhaustiveDependencies: other rules mean other figures, so the pump starts again
  useEffect(() => {
    let stopped = false
    let done: { job: Job; rules: Rules } | null = null
    const pump = async () => {
      const { job } = useJob.getState()
      if (!job || running.current || stopped || (done?.job === job && done.rules === rulesNow.current)) return
      running.current = true
      done = { job, rules: rulesNow.current }
      const started = performance.now()
      try {
        const evaluation = await evaluating((api) => api.evaluate(job, rulesNow.current))
        if (!stopped) useResult.setState({ evaluation, of: job, fault: null, tookMs: performance.now() - started })
      } catch (error) {
        if (!stopped) useResult.setState({ fault: error instanceof Error ? error.message : String(error) })
      }
      running.current = false
      void pump()
    }
    const stop = useJob.subscribe((s, before) => {
      if (s.id !== before.id) useResult.setState({ evaluation: null, of: null, fault: null })
      if (s.job !== before.job) void pump()
    })
    void pump()
    return () => {
      stopped = true
      running.current = false
      stop()
    }
  }, [rules])
}
