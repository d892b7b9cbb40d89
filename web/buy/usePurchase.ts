import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { PlacedOrder } from '../../core/purchase/order'
import type { PooledBars, PooledLine } from '../../core/purchase/pooled'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { call } from '../api/client'

export const usePurchase = () => useQuery({ queryKey: ['purchase'], queryFn: () => call<PurchaseAnswer>('/shop/purchase') })
/** The bars of all jobs planned together: a search of some seconds, on asking. */
export const usePooledBars = (asked: boolean) =>
  useQuery({ queryKey: ['purchase', 'bars'], queryFn: () => call<PooledBars>('/shop/purchase/bars'), enabled: asked, retry: false })

/** Orders that were placed, the newest first. */
export const useOrders = () => useQuery({ queryKey: ['orders'], queryFn: () => call<{ rows: PlacedOrder[] }>('/shop/orders') })

type Told = { lines: PooledLine[]; to: { due: string } | 'here' }
/** Lines told to the kit of every job that they are for: ordered for a day, or come. */
export function useTellKits() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ lines, to }: Told) => {
      const each = lines.flatMap((l) => l.for.map((f) => ({ jobId: f.jobId, key: l.key, quantity: f.quantity })))
      return call('/shop/kit', { method: 'POST', json: { lines: each, to } })
    },
    onSettled: () => {
      for (const key of ['purchase', 'orders', 'days', 'jobs']) void client.invalidateQueries({ queryKey: [key] })
    },
  })
}
