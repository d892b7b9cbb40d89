import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { useMutation } from '@tanstack/react-query'
import { useRef } from 'react'
import { useNavigate } from 'react-router'
import { ApiError, call } from '../api/client'
import type { StoredJob } from '../api/queries'

/** Opens a job file; a broken one changes nothing and says where it broke. */
export function ImportButton() {
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
