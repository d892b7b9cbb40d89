import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useQuery } from '@tanstack/react-query'
import dayjs from 'dayjs'
import { changedFigures } from '../../core/vehicle/changedFigures'
import type { Vehicle } from '../../core/vehicle/vehicle'
import { call } from '../api/client'

type Earlier = { revision: number; replacedAt: string; vehicle: Vehicle }

/** What a vehicle was before: each revision with what has changed since, and a way to bring it back as the next one. */
export function EarlierRevisions({ vehicle, bringBack }: { vehicle: Vehicle; bringBack: (earlier: Vehicle) => void }) {
  const rows = useQuery({
    queryKey: ['vehicle-revisions', vehicle.id, vehicle.revision],
    queryFn: () => call<Earlier[]>(`/shelves/vehicles/${encodeURIComponent(vehicle.id)}/revisions`),
  })
  if (rows.error) return <Alert severity="error">{rows.error.message}</Alert>
  if (!rows.data) return <Typography sx={{ p: 1.5 }}>Fetching the earlier revisions…</Typography>
  if (!rows.data.length) return <Typography sx={{ p: 1.5 }}>No earlier revision was kept.</Typography>
  return (
    <Box
      component="ul"
      aria-label={`Earlier revisions of ${vehicle.name}`}
      sx={{ m: 0, p: 0, listStyle: 'none', borderTop: 1, borderColor: 'divider' }}
    >
      {rows.data.map((r) => {
        const changed = changedFigures(r.vehicle, vehicle)
        return (
          <Box component="li" key={r.revision} sx={{ px: 1.5, py: 0.75, display: 'flex', gap: 1, alignItems: 'baseline', fontSize: 14 }}>
            <Box sx={{ flex: 1 }}>
              <strong>Revision {r.revision}</strong>, until {dayjs(r.replacedAt).format('D MMM YYYY')}
              <Box sx={{ color: 'text.secondary' }}>{changed.length ? `since then: ${changed.join('; ')}` : 'the same figures as now'}</Box>
            </Box>
            <Button onClick={() => bringBack(r.vehicle)}>Bring back</Button>
          </Box>
        )
      })}
    </Box>
  )
}
