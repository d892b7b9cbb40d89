import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useSearchParams } from 'react-router'
import { call } from '../api/client'
import type { JobPageOf } from '../api/queries'
import { PAGE } from './Pages'

/** The jobs that the address asks for, page by page, and how it is changed: another filter begins at the first page. */
export function useJobList() {
  const [params, setParams] = useSearchParams()
  const set = (key: string, value: string | null) =>
    setParams(
      (p) => {
        const next = new URLSearchParams(p)
        if (value) next.set(key, value)
        else next.delete(key)
        if (key !== 'page') next.delete('page')
        return next
      },
      { replace: true },
    )
  const pageAt = Math.max(0, Number(params.get('page')) || 0)
  const query = new URLSearchParams({
    offset: String(pageAt * PAGE),
    limit: String(PAGE),
    archived: params.get('archived') === 'true' ? 'true' : 'false',
  })
  for (const key of ['search', 'station', 'state']) if (params.get(key)) query.set(key, params.get(key) as string)
  const jobs = useQuery({
    queryKey: ['jobs', query.toString()],
    queryFn: ({ signal }) => call<JobPageOf>(`/jobs?${query}`, { signal }),
    placeholderData: keepPreviousData,
    // verdicts follow a save by a moment
    refetchInterval: ({ state }) => (state.data?.rows.some((r) => !r.judged) ? 800 : false),
  })

  return { params, set, clear: () => setParams({}), jobs, pageAt }
}
