import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Skeleton from '@mui/material/Skeleton'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useDeferredValue, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { withLengths } from '../../core/quantity/figureText'
import { INCH, METRIC } from '../../core/quantity/units'
import type { LogEntry } from '../../core/shopWork/shopLog'
import { call } from '../api/client'
import { useShelf } from '../api/queries'
import { FIGURES } from '../theme/theme'

type Answer = { entries: LogEntry[]; total: number; unread: number; more: boolean }

/** What was done, measured and said over all jobs: what spring-back did we get, which job came out otherwise, who welded that. */
export default function LogPage() {
  const [params, setParams] = useSearchParams()
  const [asked, setAsked] = useState(params.get('search') ?? '')
  const search = useDeferredValue(asked)
  const shop = useShelf('shop')
  const log = useQuery({
    queryKey: ['log', search],
    queryFn: () => call<Answer>(`/shop/log?search=${encodeURIComponent(search.slice(0, 120))}`),
    placeholderData: keepPreviousData,
  })
  const own = shop.data?.document.units === 'inch' ? INCH : METRIC
  return (
    <Box sx={{ p: { xs: 1, sm: 2 }, maxWidth: 1080, display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr)' }}>
      <Typography variant="h1">Log</Typography>
      <TextField
        label="Words that must be in it"
        type="search"
        value={asked}
        onChange={(e) => {
          setAsked(e.target.value)
          setParams(e.target.value ? { search: e.target.value } : {}, { replace: true })
        }}
        helperText="a step, a mark, a name, a vehicle, a tube, a day as 2026-11"
        slotProps={{ htmlInput: { maxLength: 120 } }}
        sx={{ maxWidth: 420 }}
      />
      {log.error && <Alert severity="error">{log.error.message}</Alert>}
      {!log.data && !log.error && <Skeleton variant="rectangular" height={200} />}
      {log.data && (
        <>
          <Typography variant="body2" role="status" sx={{ color: 'text.secondary' }}>
            {log.data.total === 0
              ? search
                ? 'Nothing has all these words.'
                : 'Nothing is in the log yet: it fills as steps are ticked, loads are tried and bends are tested.'
              : `${log.data.total} ${log.data.total === 1 ? 'entry' : 'entries'}${log.data.total > log.data.entries.length ? `, the newest ${log.data.entries.length} shown` : ''}`}
            {log.data.unread ? `; ${log.data.unread} jobs can no longer be read` : ''}
            {log.data.more ? '; older jobs were not looked through' : ''}
          </Typography>
          <Box component="ul" aria-label="Entries" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {log.data.entries.map((e, i) => (
              <Box
                component="li"
                key={`${i} ${e.on} ${e.what}`}
                sx={{
                  ...{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '100px 250px minmax(0, 1fr)' }, columnGap: 2 },
                  ...{ borderTop: 1, borderColor: 'divider', py: 0.75, alignItems: 'baseline' },
                }}
              >
                <Box sx={{ fontFamily: FIGURES, color: 'text.secondary' }}>{e.on || 'no day'}</Box>
                <Box>
                  {e.jobId ? (
                    <Box component={Link} to={`/jobs/${e.jobId}/cut?sheet=build`} sx={{ color: 'primary.main' }}>
                      {e.job}
                    </Box>
                  ) : (
                    'the shop'
                  )}
                  <Typography variant="caption" component="div" sx={{ color: 'text.secondary' }}>
                    {[e.vehicle, e.by].filter(Boolean).join(' · ')}
                  </Typography>
                </Box>
                <Box>
                  <strong>{withLengths(e.what, e.units ?? own)}</strong>
                  {e.said ? `: ${withLengths(e.said, e.units ?? own)}` : ''}
                </Box>
              </Box>
            ))}
          </Box>
        </>
      )}
    </Box>
  )
}
