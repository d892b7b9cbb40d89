import { useState } from 'react'
import type { Job } from '../../core/job/job'
import type { Bench } from './useEvaluation'
import { useSearch } from './useSearch'

/**
 * A long question about the job as it is: pressed it is asked, pressed again it is stopped. `stale` = the answer that came was about the job as it was, and is
 * shown no more.
 */
export function useAsked<T>(job: Job, ask: (bench: Bench) => Promise<T>) {
  const [found, setFound] = useState<{ answer: T; of: Job } | null>(null)
  const { busy, fault, run } = useSearch()
  const press = () => (busy ? busy.stop() : void run(ask, (answer) => setFound({ answer, of: job })))
  return {
    busy: busy !== null,
    fault,
    press,
    answer: found?.of === job ? found.answer : null,
    stale: found !== null && found.of !== job,
  }
}
