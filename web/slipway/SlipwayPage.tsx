import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useEffect, useRef, useState } from 'react'
import { stations } from '../../core/job/stations'
import { ApiError } from '../api/client'
import { Filters } from './Filters'
import { ImportButton } from './ImportButton'
import { JobLine } from './JobLine'
import { NewJobDialog } from './NewJobDialog'
import { NoJobs } from './NoJobs'
import { PAGE, Pages } from './Pages'
import { StationLine } from './StationLine'
import { useJobList } from './useJobList'
import { useSlipwayKeys } from './useSlipwayKeys'

/** Every job in the shop: what is due, where it stands, what is over a limit. */
export function SlipwayPage() {
  const { params, set, clear, jobs, pageAt } = useJobList()
  const [making, setMaking] = useState(false)
  const search = useRef<HTMLInputElement>(null)
  const [typed, setTyped] = useState(params.get('search') ?? '')
  useSlipwayKeys(search, () => setMaking(true))
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
      <Filters tally={tally} state={params.get('state')} archived={params.get('archived') !== null} set={set} />
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
        <NoJobs
          none={all === 0}
          make={() => setMaking(true)}
          showAll={() => {
            setTyped('')
            clear()
          }}
        />
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
      {data && data.total > PAGE && <Pages at={pageAt} total={data.total} go={(to) => set('page', String(to))} />}
      {making && <NewJobDialog onClose={() => setMaking(false)} />}
    </Box>
  )
}
