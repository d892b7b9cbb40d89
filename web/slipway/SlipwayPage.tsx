import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { stations } from '../../core/job/stations'
import { ApiError, call } from '../api/client'
import type { JobPageOf } from '../api/queries'
import { stateMarks } from '../limits/states'
import { isTyping } from '../shell/keys'
import { ImportButton } from './ImportButton'
import { JobLine } from './JobLine'
import { NewJobDialog } from './NewJobDialog'
import { StationLine } from './StationLine'

const PAGE = 50

/** Every job in the shop: what is due, where it stands, what is over a limit. */
export function SlipwayPage() {
  const [params, setParams] = useSearchParams()
  const [making, setMaking] = useState(false)
  const search = useRef<HTMLInputElement>(null)
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
  const [typed, setTyped] = useState(params.get('search') ?? '')
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

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === 'n') {
        event.preventDefault()
        setMaking(true)
      }
      if (event.key === '/') {
        event.preventDefault()
        search.current?.focus()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  useEffect(() => {
    document.title = 'Slipway, Tide Line'
  }, [])
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what was typed starts the wait
  useEffect(() => {
    const timer = setTimeout(() => {
      if (typed !== (params.get('search') ?? '')) set('search', typed || null)
    }, 200)
    return () => clearTimeout(timer)
  }, [typed])

  const { data, error } = jobs
  const tally = data?.tally
  const station = params.get('station')
  const state = params.get('state')
  const all = stations.reduce((s, x) => s + (tally?.stations[x] ?? 0), 0)
  return (
    <Box sx={{ maxWidth: 1240, mx: 'auto', px: { xs: 1.5, sm: 3 }, py: 2 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1.5 }}>
        <Typography variant="h1" sx={{ mr: 'auto' }}>
          Slipway
        </Typography>
        <TextField
          inputRef={search}
          label="Search the jobs"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          sx={{ width: { xs: '100%', sm: 260 } }}
          slotProps={{ htmlInput: { type: 'search', maxLength: 100 } }}
        />
        <ImportButton />
        <Button variant="contained" onClick={() => setMaking(true)} aria-keyshortcuts="N">
          New job
        </Button>
      </Box>
      <StationLine tally={tally?.stations ?? {}} all={all} chosen={station} choose={(s) => set('station', s)} />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1.5 }} role="group" aria-label="Filter">
        {(
          [
            ['over', `${stateMarks.over} ${tally?.over ?? 0} over a limit`],
            ['unknown', `${stateMarks.unknown} ${tally?.unknown ?? 0} not assessed`],
            ['late', `${tally?.late ?? 0} late`],
          ] as const
        ).map(([key, label]) => (
          <Chip
            key={key}
            label={label}
            variant={state === key ? 'filled' : 'outlined'}
            color={state === key ? 'primary' : 'default'}
            onClick={() => set('state', state === key ? null : key)}
            aria-pressed={state === key}
          />
        ))}
        <Chip
          label="Archive"
          variant={params.get('archived') ? 'filled' : 'outlined'}
          color={params.get('archived') ? 'primary' : 'default'}
          onClick={() => set('archived', params.get('archived') ? null : 'true')}
          aria-pressed={!!params.get('archived')}
        />
      </Box>
      {error && (
        <Alert severity="error" action={<Button onClick={() => void jobs.refetch()}>Try again</Button>}>
          The jobs could not be loaded. {error instanceof ApiError ? error.message : ''}
        </Alert>
      )}
      {!data && !error && (
        <Typography role="status" sx={{ py: 4, color: 'text.secondary' }}>
          Fetching the jobs…
        </Typography>
      )}
      {data && data.rows.length === 0 && (
        <Box sx={{ py: 6, textAlign: 'center', border: '1px dashed', borderColor: 'divider' }}>
          <Typography variant="h2" gutterBottom>
            {all === 0 ? 'The slipway is empty' : 'No job matches'}
          </Typography>
          <Typography sx={{ color: 'text.secondary', mb: 2 }}>
            {all === 0 ? 'Start with what the client wants to carry.' : 'Take a filter away or search for something else.'}
          </Typography>
          {all === 0 ? (
            <Button variant="contained" onClick={() => setMaking(true)}>
              New job
            </Button>
          ) : (
            <Button
              onClick={() => {
                setTyped('')
                setParams({})
              }}
            >
              Show all jobs
            </Button>
          )}
        </Box>
      )}
      {data && data.rows.length > 0 && (
        <Box
          component="ul"
          aria-label="Jobs"
          sx={{ listStyle: 'none', m: 0, p: 0, border: 1, borderColor: 'divider', bgcolor: 'background.paper' }}
        >
          {data.rows.map((row) => (
            <JobLine key={row.id} row={row} />
          ))}
        </Box>
      )}
      {data && data.total > PAGE && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5 }}>
          <Button disabled={pageAt === 0} onClick={() => set('page', String(pageAt - 1))}>
            Earlier
          </Button>
          <Typography variant="body2">
            {pageAt * PAGE + 1} to {Math.min(data.total, (pageAt + 1) * PAGE)} of {data.total}
          </Typography>
          <Button disabled={(pageAt + 1) * PAGE >= data.total} onClick={() => set('page', String(pageAt + 1))}>
            Later
          </Button>
        </Box>
      )}
      {making && <NewJobDialog onClose={() => setMaking(false)} />}
    </Box>
  )
}
