import Alert from '@mui/material/Alert'
import { useMutation } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { ApiError, call } from '../api/client'
import type { StoredJob } from '../api/queries'
import { FileButton } from '../quantity/FileButton'

/** Opens a job file; a broken one changes nothing and says where it broke. */
export function ImportButton() {
  const navigate = useNavigate()
  const read = useMutation({
    mutationFn: async (file: File) => call<StoredJob>('/jobs/import', { method: 'POST', text: await file.text() }),
    onSuccess: (made) => void navigate(`/jobs/${made.id}/${made.job.station}`),
  })
  return (
    <>
      <FileButton named="Job file" accept=".json,application/json" onFile={(f) => read.mutate(f)} disabled={read.isPending}>
        Open a job file
      </FileButton>
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
