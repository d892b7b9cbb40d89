import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { call } from '../api/client'
import { FIGURES } from '../theme/theme'
import { ageText, type Kept, useBackups } from './useBackups'

const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`

/** The backups there are, their age, one made now, and each to be fetched and laid somewhere else. */
export function Backups() {
  const client = useQueryClient()
  const kept = useBackups()
  const make = useMutation({
    mutationFn: () => call<Kept>('/keeping/backup', { method: 'POST', json: {} }),
    onSuccess: (now) => client.setQueryData(['keeping'], now),
  })
  const fault = kept.error?.message ?? make.error?.message ?? (kept.data?.fault ? `The last backup failed: ${kept.data.fault}` : null)
  return (
    <Box component="section" aria-labelledby="backups" sx={{ mb: 4 }}>
      <Typography variant="h2" id="backups" gutterBottom>
        Backups
      </Typography>
      {fault && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          {fault}
        </Alert>
      )}
      {kept.data && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
          <Typography>{ageText(kept.data)}</Typography>
          <Button variant="outlined" onClick={() => make.mutate()} disabled={make.isPending || !kept.data.folder} sx={{ minHeight: 40 }}>
            {make.isPending ? 'Making it…' : 'Make one now'}
          </Button>
        </Box>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1, maxWidth: 760 }}>
        One is made every day, two weeks of them are kept{kept.data?.folder ? ` in ${kept.data.folder}` : ''}. That folder is on the same
        disk as the work: fetch one now and then and lay it elsewhere. To put one back, stop Tide Line and run{' '}
        <code>tideline restore FILE</code>.
      </Typography>
      <Box component="ul" aria-label="Backups kept" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {kept.data?.backups.map((b) => (
          <Box component="li" key={b.day} sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 0.25 }}>
            <Box sx={{ fontFamily: FIGURES, minWidth: 190 }}>
              {b.day}, {megabytes(b.bytes)}
            </Box>
            <Button component="a" href={`/api/keeping/backups/${b.day}`} aria-label={`Fetch the backup of ${b.day}`}>
              Fetch
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
