import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { type LaidOut, withAdapter } from '../../core/job/withAdapter'
import { withLengths } from '../../core/quantity/figureText'
import { ApiError, call } from '../api/client'
import { type JobPageOf, queryClient, type StoredJob } from '../api/queries'
import { useView } from '../drawing/view'
import { useRules } from '../job/useEvaluation'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { useUnits } from '../quantity/units'

/** So many of the latest jobs are offered. */
const MOST = 50

/** The adapter as a piece of a job: drawn, weighed, checked and cut there. */
export function OntoJob({ laid, disabled }: { laid: LaidOut; disabled: boolean }) {
  const units = useUnits()
  const rules = useRules()
  const navigate = useNavigate()
  const takeUp = useView((s) => s.takeUp)
  const [jobId, setJobId] = useState<string | null>(null)
  const jobs = useQuery({ queryKey: ['jobs', 'for an adapter'], queryFn: () => call<JobPageOf>(`/jobs?limit=${MOST}`) })
  const put = useMutation({
    mutationFn: async (id: string) => {
      const stored = await call<StoredJob>(`/jobs/${id}`)
      const made = withAdapter(stored.job, laid, rules)
      if ('faults' in made) throw new Error(made.faults.map((f) => withLengths(`${f.where}: ${f.expected}`, units)).join('; '))
      await call(`/jobs/${id}`, { method: 'PUT', json: { revision: stored.revision, job: made.job } })
      return { id, pieceId: made.pieceId }
    },
    onSuccess: ({ id, pieceId }) => {
      void queryClient.invalidateQueries({ queryKey: ['jobs'] })
      takeUp(pieceId)
      void navigate(`/jobs/${id}/layout`)
    },
  })
  const rows = jobs.data?.rows ?? []
  if (jobs.data && !rows.length) return null
  return (
    <Box role="group" aria-label="Onto a job" sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Box sx={{ width: 'min(100%, 320px)' }}>
          <ChoiceInput
            label="Put it on a job"
            value={jobId}
            empty="choose a job"
            options={rows.map((r) => ({ value: r.id, label: r.title }))}
            onChange={setJobId}
          />
        </Box>
        <Button variant="contained" disabled={disabled || !jobId || put.isPending} onClick={() => jobId && put.mutate(jobId)}>
          Add it there
        </Button>
      </Box>
      {jobs.error && <Alert severity="error">The jobs could not be loaded. {jobs.error.message}</Alert>}
      {put.error && (
        <Alert severity="error">
          {put.error instanceof ApiError && put.error.status === 409
            ? 'Somebody changed this job just now: press again.'
            : `It was not added. ${put.error.message}`}
        </Alert>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        There it stands on a bar or on the vehicle, and its bending, its bolts and what it weighs are checked with the rest.
      </Typography>
    </Box>
  )
}
