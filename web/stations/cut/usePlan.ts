import { proxy, type Remote, wrap } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { LengthComparison, StockAdvice } from '../../../core/advice/stockAdvisor'
import type { Job } from '../../../core/job/job'
import type { CutPlan } from '../../../core/nesting/planCuts'
import type { Rules } from '../../../core/rules/rules'
import type { Stock } from '../../../core/stock/stock'
import type { PlanApi, Progress } from './plan.worker'

type Bench = { worker: Worker; api: Remote<PlanApi> }
const open = (): Bench => {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
  return { worker, api: wrap<PlanApi>(worker) }
}
export type PlanState = {
  plan: CutPlan | null
  of: Job | null
  running: boolean
  stopped: boolean
  progress: Progress | null
  fault: string | null
  advice: StockAdvice[] | null
  lengths: LengthComparison[] | null
}
const QUIET_MS = 150

/** The cut plan of the job as it stands, in a worker. A newer job ends the running search; so does the stop button. */
export function usePlan(job: Job | null, stock: Stock | undefined, rules: Rules): PlanState & { stop: () => void; again: () => void } {
  const [state, setState] = useState<PlanState>({
    plan: null,
    of: null,
    running: false,
    stopped: false,
    progress: null,
    fault: null,
    advice: null,
    lengths: null,
  })
  const [turn, setTurn] = useState(0)
  const bench = useRef<Bench | null>(null)
  const end = useCallback(() => {
    bench.current?.worker.terminate()
    bench.current = null
  }, [])
  // only what the plan depends on starts it again: notes or the brief's words do not
  const key = job && stock ? JSON.stringify([job.pieces, job.vehicle, job.cut, stock, rules, turn]) : null
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for job, stock and rules
  useEffect(() => {
    if (!key || !job || !stock) return
    let gone = false
    setState((s) => ({ ...s, running: true, stopped: false, progress: null, fault: null, advice: null }))
    const timer = setTimeout(async () => {
      bench.current ??= open()
      const { api } = bench.current
      try {
        const plan = await api.plan(
          job,
          stock,
          rules,
          proxy((progress: Progress) => {
            if (!gone) setState((s) => ({ ...s, progress }))
          }),
        )
        if (gone) return
        setState((s) => ({ ...s, plan, of: job, running: false }))
        const { advice, lengths } = await api.advise(job, stock, rules)
        if (!gone) setState((s) => ({ ...s, advice, lengths }))
      } catch (error) {
        // a worker whose solver did not load is of no more use: the next try starts a new one
        end()
        if (!gone) setState((s) => ({ ...s, running: false, fault: error instanceof Error ? error.message : String(error) }))
      }
    }, QUIET_MS)
    return () => {
      gone = true
      clearTimeout(timer)
      setState((s) => {
        if (s.running) end()
        return s
      })
    }
  }, [key])
  useEffect(() => end, [end])
  return {
    ...state,
    stop: () => {
      end()
      setState((s) => ({ ...s, running: false, stopped: true }))
    },
    again: () => setTurn((t) => t + 1),
  }
}
