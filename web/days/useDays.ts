import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useRef } from 'react'
import type { Job } from '../../core/job/job'
import type { Schedule, WorkGiven } from '../../core/schedule/work'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { call } from '../api/client'
import type { StoredJob } from '../api/queries'
import { useCalendar } from './useCalendar'

/** The shop's calendar and its days, worked out on this side, so that they follow what is dragged. The last days stay on the page until the next are there. */
export function useDays() {
  const query = useQuery({ queryKey: ['days'], queryFn: () => call<DaysAnswer>('/shop/days') })
  const given = useMemo((): WorkGiven | null => (query.data ? { ...query.data, wet: new Set(query.data.wet) } : null), [query.data])
  const days = useCalendar([given], given && ((c) => c.schedule(given)))
  const last = useRef<{ given: WorkGiven; days: Schedule } | null>(null)
  if (given && days) last.current = { given, days }
  return { query, shown: last.current, anew: query.isFetching || last.current?.given !== given }
}

export type JobChange = (job: Job) => Job
export type Change = { jobId: string; says: string; of: JobChange; back: JobChange }

/** Changes one job as it is kept: read, changed, written from the revision that was read. */
export function useChangeJob() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async ({ jobId, of }: Pick<Change, 'jobId' | 'of' | 'says' | 'back'>) => {
      const { job, revision } = await call<StoredJob>(`/jobs/${jobId}`)
      await call(`/jobs/${jobId}`, { method: 'PUT', json: { revision, job: of(job) } })
    },
    onSettled: () => {
      void client.invalidateQueries({ queryKey: ['days'] })
      void client.invalidateQueries({ queryKey: ['jobs'] })
      void client.invalidateQueries({ queryKey: ['purchase'] })
    },
  })
}
