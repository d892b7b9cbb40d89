import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { lazy, Suspense, useState } from 'react'
import type { Job } from '../../../core/job/job'
import { type Photo, photoAddress, usePhotos } from '../../photos/usePhotos'
import { FileButton } from '../../quantity/FileButton'
import { Group } from '../Group'

const TraceDialog = lazy(() => import('./TraceDialog'))

/** Photographs and scans of the vehicle, taken here or sent by the client; each can be scaled and traced. */
export function PhotoPanel({ job, id }: { job: Job; id: string }) {
  const [open, setOpen] = useState<Photo | null>(null)
  const { photos, add, remove, fault } = usePhotos(id)
  return (
    <Group title="Photographs and scans">
      <FileButton named="Photograph" accept="image/jpeg,image/png,image/webp" camera onFile={(f) => add.mutate(f)} disabled={add.isPending}>
        {add.isPending ? 'Sending…' : 'Add a photograph'}
      </FileButton>
      {fault && <Alert severity="error">{fault.message}</Alert>}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {photos.map((p) => {
          const traces = job.vehicle.traces.filter((t) => t.photoId === p.id).length
          return (
            <Box key={p.id} sx={{ border: 1, borderColor: 'divider' }}>
              <Box
                component="button"
                type="button"
                aria-label={`Trace ${p.name}`}
                onClick={() => setOpen(p)}
                sx={{ all: 'unset', cursor: 'pointer', display: 'block', width: '100%', '&:focus-visible': { outline: '2px solid' } }}
              >
                <Box
                  component="img"
                  src={photoAddress(id, p.id)}
                  alt={p.name}
                  loading="lazy"
                  sx={{ width: '100%', height: 90, objectFit: 'cover', display: 'block' }}
                />
              </Box>
              <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', pl: 1 }}>
                <Typography variant="caption" noWrap>
                  {traces ? `${traces} traced` : p.name}
                </Typography>
                <Button onClick={() => remove.mutate(p.id)} aria-label={`Remove ${p.name}`} sx={{ minWidth: 36 }}>
                  ×
                </Button>
              </Box>
            </Box>
          )
        })}
      </Box>
      {open && (
        <Suspense fallback={null}>
          <TraceDialog id={id} photo={open} traces={job.vehicle.traces} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </Group>
  )
}
