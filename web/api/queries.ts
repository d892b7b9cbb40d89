import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { BoughtPart } from '../../core/catalogue/boughtParts'
import type { IssuedPlan } from '../../core/issuedPlan/issuedPlan'
import type { Job } from '../../core/job/job'
import type { JobRow } from '../../core/job/jobRow'
import type { Station } from '../../core/job/stations'
import type { Rules } from '../../core/rules/rules'
import type { Shop } from '../../core/shop/shop'
import type { Stock } from '../../core/stock/stock'
import type { Vehicle } from '../../core/vehicle/vehicle'
import { ApiError, call } from './client'

export type JobPageOf = {
  rows: JobRow[]
  total: number
  tally: { stations: Partial<Record<Station, number>>; over: number; unknown: number; late: number }
}
export type StoredJob = { id: string; revision: number; archived: boolean; updatedAt: string; job: Job }
type Shelves = { stock: Stock; rules: Rules; vehicles: Vehicle[]; parts: BoughtPart[]; shop: Shop }
export type Shelf<N extends keyof Shelves> = { revision: number; document: Shelves[N] }

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status >= 400 && error.status < 500),
    },
  },
})

export const useShelf = <N extends keyof Shelves>(name: N) =>
  useQuery({ queryKey: ['shelf', name], queryFn: () => call<Shelf<N>>(`/shelves/${name}`) })

/** The plans of a job that were accepted for the saw, newest first. */
export const useIssuedPlans = (id: string) =>
  useQuery({ queryKey: ['plans', id], queryFn: () => call<IssuedPlan[]>(`/jobs/${id}/plans`), enabled: id !== '' })

/** Writes a shelf from the revision that was read; a refusal loads the newer one. */
export function useSaveShelf<N extends keyof Shelves>(name: N) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (shelf: Shelf<N>) => call<Shelf<N>>(`/shelves/${name}`, { method: 'PUT', json: shelf }),
    onSuccess: (saved) => client.setQueryData(['shelf', name], saved),
    onError: (error) => {
      if (error instanceof ApiError && error.status === 409) void client.invalidateQueries({ queryKey: ['shelf', name] })
    },
  })
}
