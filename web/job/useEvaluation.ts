import { type Remote, wrap } from 'comlink'
import { useEffect, useRef } from 'react'
import { create } from 'zustand'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { defaultRules, type Rules } from '../../core/rules/rules'
import { useShelf } from '../api/queries'
import type { EvaluationApi } from './evaluation.worker'
import { useJob } from './jobStore'

const open = () => wrap<EvaluationApi>(new Worker(new URL('./evaluation.worker.ts', import.meta.url), { type: 'module' }))
let remote: Remote<EvaluationApi> | null = null
export const evaluator = (): Remote<EvaluationApi> => {
  remote ??= open()
  return remote
}
let second: Remote<EvaluationApi> | null = null
/** A worker for what takes seconds, so that the live figures never wait for it. */
export const aside = (): Remote<EvaluationApi> => {
  second ??= open()
  return second
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
        const evaluation = await evaluator().evaluate(job, rulesNow.current)
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
