import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import { localDay } from '../../../core/time/localDay'
import { useJob } from '../../job/jobStore'
import { photoAddress, usePhotos } from '../../photos/usePhotos'
import { FileButton } from '../../quantity/FileButton'

/** A picture says what words do not: taken at a step it carries the step's name and day, and stands there and with the vehicle's other pictures. */
export function StepPhotos({ step }: { step: string }) {
  const id = useJob((s) => s.id) ?? ''
  const { photos, add, fault } = usePhotos(id)
  const own = photos.filter((p) => p.name.startsWith(`${step.slice(0, 60)}, `))
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <FileButton
        named={`Photograph at ${step}`}
        accept="image/jpeg,image/png,image/webp"
        camera
        onFile={(f) => add.mutate(new File([f], stepPhotoName(step, f.name), { type: f.type }))}
        disabled={add.isPending}
      >
        {add.isPending ? 'Sending…' : own.length ? 'Another photograph' : 'Photograph it'}
      </FileButton>
      {fault && <Alert severity="error">{fault.message}</Alert>}
      {own.length > 0 && (
        <Box
          component="ul"
          aria-label="Photographs of this step"
          sx={{ listStyle: 'none', m: 0, p: 0, display: 'flex', gap: 1, flexWrap: 'wrap' }}
        >
          {own.map((p) => (
            <li key={p.id}>
              <a href={photoAddress(id, p.id)} target="_blank" rel="noopener">
                <Box
                  component="img"
                  src={photoAddress(id, p.id)}
                  alt={p.name}
                  loading="lazy"
                  sx={{ height: 96, display: 'block', border: 1, borderColor: 'divider' }}
                />
              </a>
            </li>
          ))}
        </Box>
      )}
    </Box>
  )
}

/** “Weld out, 2026-11-26.jpg”: no longer than the server keeps, its ending as the camera gave it. */
const stepPhotoName = (step: string, given: string): string => {
  const ending = /\.(jpe?g|png|webp)$/i.exec(given)?.[0] ?? '.jpg'
  return `${step.slice(0, 60)}, ${localDay()}${ending.toLowerCase()}`
}
