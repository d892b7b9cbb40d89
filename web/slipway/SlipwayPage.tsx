import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import IconButton from '@mui/material/IconButton'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useTheme } from '@mui/material/styles'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import type { JobRow } from '../../core/job/jobRow'
import { type Station, stationNames, stations } from '../../core/job/stations'
import { ApiError, call } from '../api/client'
import type { JobPageOf, StoredJob } from '../api/queries'
import { stateMarks } from '../limits/states'
import { isTyping } from '../shell/keys'
import { FIGURES } from '../theme/theme'
import { NewJobDialog } from './NewJobDialog'

const PAGE = 50
const today = () => new Date().toISOString().slice(0, 10)

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
          label="Search title or client"
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

/** The six stations as one line with a mark for each, as long as the jobs that stand there. */
function StationLine({
  tally,
  all,
  chosen,
  choose,
}: {
  tally: Partial<Record<Station, number>>
  all: number
  chosen: string | null
  choose: (s: Station | null) => void
}) {
  return (
    <Box role="group" aria-label="Stations" sx={{ display: 'flex', overflowX: 'auto', position: 'relative' }}>
      {stations.map((s) => {
        const n = tally[s] ?? 0
        const on = chosen === s
        return (
          <Box
            key={s}
            component="button"
            type="button"
            aria-pressed={on}
            onClick={() => choose(on ? null : s)}
            sx={{
              all: 'unset',
              boxSizing: 'border-box',
              cursor: 'pointer',
              flex: '1 0 92px',
              pt: 2.25,
              pb: 0.75,
              px: 1,
              position: 'relative',
              bgcolor: on ? 'background.paper' : 'transparent',
              borderBottom: 3,
              borderColor: on ? 'primary.main' : 'transparent',
              '&:focus-visible': { outline: '2px solid', outlineOffset: -2 },
              '&::after': {
                content: '""',
                position: 'absolute',
                left: 0,
                right: 0,
                top: 7,
                height: 2,
                bgcolor: 'text.primary',
                opacity: 0.5,
              },
              '&::before': {
                content: '""',
                position: 'absolute',
                zIndex: 1,
                left: 8,
                top: 2,
                width: 12,
                height: 12,
                borderRadius: '50%',
                border: 2,
                borderColor: 'text.primary',
                bgcolor: n ? 'primary.main' : 'background.default',
              },
            }}
          >
            <Box sx={{ fontFamily: FIGURES, fontSize: 22, fontWeight: 500, lineHeight: 1.1 }}>{n}</Box>
            <Box sx={{ fontSize: 13.5, color: 'text.secondary' }}>{stationNames[s]}</Box>
            <Box
              aria-hidden="true"
              sx={{ mt: 0.5, height: 4, width: `${all ? Math.max(4, (100 * n) / all) : 4}%`, bgcolor: n ? 'primary.main' : 'divider' }}
            />
          </Box>
        )
      })}
    </Box>
  )
}

function JobLine({ row }: { row: JobRow }) {
  const { inks } = useTheme()
  const navigate = useNavigate()
  const client = useQueryClient()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const act = useMutation({
    mutationFn: async (what: 'copy' | 'archive') =>
      what === 'copy'
        ? call<StoredJob>(`/jobs/${row.id}/copy`, { method: 'POST', json: {} })
        : call<null>(`/jobs/${row.id}/archive`, { method: 'POST', json: { archived: !row.archived } }),
    onSuccess: (made) => {
      void client.invalidateQueries({ queryKey: ['jobs'] })
      if (made && 'id' in made) void navigate(`/jobs/${made.id}/brief`)
    },
  })
  const late = row.due !== null && row.due < today() && row.station !== 'hand-over'
  const verdict = row.over
    ? { mark: stateMarks.over, text: `${row.over} over`, colour: inks.signal }
    : row.unknown
      ? { mark: stateMarks.unknown, text: `${row.unknown} not assessed`, colour: inks.unknown }
      : row.near
        ? { mark: stateMarks.near, text: `${row.near} near`, colour: inks.near }
        : { mark: stateMarks.clear, text: 'clear', colour: inks.clear }
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr auto', md: '2.2fr 1.1fr 0.9fr 1.9fr auto' },
        gap: { xs: 0.5, md: 2 },
        alignItems: 'center',
        px: 2,
        py: 1,
        borderBottom: 1,
        borderColor: 'divider',
        '&:last-child': { borderBottom: 0 },
        '&:hover': { bgcolor: inks.sheet },
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Box
          component={Link}
          to={`/jobs/${row.id}/${row.station}`}
          sx={{ color: 'text.primary', fontWeight: 600, fontSize: 16, textDecoration: 'none', '&:hover': { textDecoration: 'underline' } }}
        >
          {row.title}
        </Box>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {row.client || 'no client yet'}
        </Typography>
      </Box>
      <StationMarks at={row.station} />
      <Box sx={{ fontFamily: FIGURES, color: late ? inks.signal : 'text.primary', fontSize: 15 }}>
        {row.due ? `${late ? 'late, ' : 'due '}${row.due}` : 'no date'}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Box component="span" sx={{ color: verdict.colour, fontWeight: 600, fontFamily: FIGURES }}>
          <span aria-hidden="true">{verdict.mark}</span> {verdict.text}
        </Box>
        <Typography
          variant="caption"
          component="p"
          sx={{ color: 'text.secondary', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
        >
          {row.governing}
        </Typography>
      </Box>
      <Box>
        <IconButton
          aria-label={`More for ${row.title}`}
          aria-haspopup="menu"
          onClick={(e) => setAnchor(e.currentTarget)}
          sx={{ fontSize: 20, width: 40, height: 40, color: 'text.primary' }}
        >
          ⋯
        </IconButton>
        <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
          <MenuItem
            onClick={() => {
              setAnchor(null)
              act.mutate('copy')
            }}
          >
            Copy as a new job
          </MenuItem>
          <MenuItem component="a" href={`/api/jobs/${row.id}/file.json`} onClick={() => setAnchor(null)}>
            Job file
          </MenuItem>
          <MenuItem
            onClick={() => {
              setAnchor(null)
              act.mutate('archive')
            }}
          >
            {row.archived ? 'Bring back' : 'Archive'}
          </MenuItem>
        </Menu>
        {act.error && (
          <Typography variant="caption" color="error" role="alert">
            {act.error.message}
          </Typography>
        )}
      </Box>
    </Box>
  )
}

/** Where the job stands, as a short piece of the station line. */
function StationMarks({ at }: { at: Station }) {
  const index = stations.indexOf(at)
  return (
    <Box>
      <svg width="112" height="12" aria-hidden="true">
        <line x1="6" x2="106" y1="6" y2="6" stroke="currentColor" strokeOpacity="0.35" />
        {stations.map((s, i) => (
          <circle
            key={s}
            cx={6 + i * 20}
            cy={6}
            r={i === index ? 5 : 2.5}
            fill={i <= index ? 'currentColor' : 'none'}
            stroke="currentColor"
            strokeOpacity={i <= index ? 1 : 0.5}
          />
        ))}
      </svg>
      <Typography variant="caption" component="p">
        {stationNames[at]}
      </Typography>
    </Box>
  )
}

function ImportButton() {
  const navigate = useNavigate()
  const input = useRef<HTMLInputElement>(null)
  const read = useMutation({
    mutationFn: async (file: File) => call<StoredJob>('/jobs/import', { method: 'POST', text: await file.text() }),
    onSuccess: (made) => void navigate(`/jobs/${made.id}/${made.job.station}`),
  })
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="Job file"
        onChange={(e) => {
          const file = e.target.files?.[0]
          e.target.value = ''
          if (file) read.mutate(file)
        }}
      />
      <Button variant="outlined" onClick={() => input.current?.click()} disabled={read.isPending}>
        Open a job file
      </Button>
      {read.error && (
        <Alert severity="error" sx={{ width: '100%', order: 9 }} onClose={() => read.reset()}>
          Nothing was imported.{' '}
          {read.error instanceof ApiError
            ? read.error.faults
                .slice(0, 4)
                .map((f) => `${f.where}: ${f.expected}`)
                .join('; ')
            : read.error.message}
        </Alert>
      )}
    </>
  )
}
