import { useQuery } from '@tanstack/react-query'
import type { Kit } from '../../core/purchase/kit'
import type { PooledBars, PooledLine } from '../../core/purchase/pooled'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { call } from '../api/client'
import { useChangeJob } from '../days/useDays'

export const usePurchase = () => useQuery({ queryKey: ['purchase'], queryFn: () => call<PurchaseAnswer>('/shop/purchase') })
/** The bars of all jobs planned together: a search of some seconds, on asking. */
export const usePooledBars = (asked: boolean) =>
  useQuery({ queryKey: ['purchase', 'bars'], queryFn: () => call<PooledBars>('/shop/purchase/bars'), enabled: asked, retry: false })

/** Lines of a job's kit set, over every job that the lines are for: ordered for a day, or come. */
export function useSetKit() {
  const change = useChangeJob()
  const set = async (lines: PooledLine[], to: { due: string } | 'here'): Promise<void> => {
    const jobs = new Map<string, { key: string; quantity: number }[]>()
    for (const l of lines) for (const f of l.for) jobs.set(f.jobId, [...(jobs.get(f.jobId) ?? []), { key: l.key, quantity: f.quantity }])
    for (const [jobId, mine] of jobs)
      await change.mutateAsync({
        ...{ jobId, says: '' },
        of: (job) => ({ ...job, kit: mine.reduce((kit, m) => withLine(kit, m, to), job.kit) }),
        back: (job) => job,
      })
  }
  return { set, pending: change.isPending, error: change.error }
}

const withLine = (kit: Kit, { key, quantity }: { key: string; quantity: number }, to: { due: string } | 'here'): Kit => {
  const known = kit[key] ?? { here: 0, due: null, said: '' }
  return { ...kit, [key]: to === 'here' ? { ...known, here: known.here + quantity, due: null } : { ...known, due: to.due } }
}
