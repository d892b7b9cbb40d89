import { type Remote, wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Job } from '../../../core/job/job'
import type { Rules } from '../../../core/rules/rules'
import type { Stock } from '../../../core/stock/stock'
import type { Table } from '../../../core/workshop/workshop'
import type { PlanApi, SheetsOfJob } from './plan.worker'

export type SheetsState = { done: SheetsOfJob | null; running: boolean; fault: string | null }
const QUIET_MS = 150

/** The flat parts of the job on sheets and the runs of the table, worked out in a worker; of an older job they are gone as soon as the job changes. `undefined` = still fetched. */
export function useSheets(job: Job, stock: Stock | undefined, table: Table | null | undefined, rules: Rules): SheetsState {
  const [state, setState] = useState<SheetsState>({ done: null, running: true, fault: null })
  const bench = useRef<{ worker: Worker; api: Remote<PlanApi> } | null>(null)
  const key = JSON.stringify([job.pieces, job.vehicle, job.units.system, job.cut.useRemnants, job.flatSheets, stock?.sheets, table, rules])
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for job, rack and rules
  useEffect(() => {
    let gone = false
    setState({ done: null, running: true, fault: null })
    if (!stock || table === undefined) return
    const timer = setTimeout(async () => {
      if (!bench.current) {
        const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
        bench.current = { worker, api: wrap<PlanApi>(worker) }
      }
      try {
        const done = await bench.current.api.sheets(job, stock, table, rules)
        if (!gone) setState({ done, running: false, fault: null })
      } catch (error) {
        if (!gone) setState({ done: null, running: false, fault: error instanceof Error ? error.message : String(error) })
      }
    }, QUIET_MS)
    return () => {
      gone = true
      clearTimeout(timer)
    }
  }, [key])
  useEffect(() => () => bench.current?.worker.terminate(), [])
  return state
}
