import { useEffect, useState } from 'react'
import { type Bench, openBench, Stopped } from './useEvaluation'

/** A long search in a worker of its own: under way, stopped, or at fault; who goes away stops it. */
export function useSearch() {
  const [busy, setBusy] = useState<Bench | null>(null)
  const [fault, setFault] = useState('')
  useEffect(() => () => busy?.stop(), [busy])
  const run = async <T>(work: (bench: Bench) => Promise<T>, done: (found: T) => void) => {
    const bench = openBench()
    setBusy(bench)
    setFault('')
    try {
      done(await work(bench))
    } catch (error) {
      if (!(error instanceof Stopped)) setFault(error instanceof Error ? error.message : String(error))
    }
    bench.stop()
    setBusy(null)
  }
  return { busy, fault, run }
}
