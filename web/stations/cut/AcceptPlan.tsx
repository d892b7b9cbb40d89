import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import dayjs from 'dayjs'
import { moneyText } from '../../../core/cost/money'
import type { Job } from '../../../core/job/job'
import { neededBeforeCutting } from '../../../core/measure/needed'
import { call } from '../../api/client'
import type { IssuedPlan } from '../../api/queries'
import { useJob } from '../../job/jobStore'
import { saveNow } from '../../job/useAutosave'
import { Group } from '../Group'
import type { PlanState } from './usePlan'

/** Accepting a plan freezes it for the saw and moves the rack: used offcuts go, new ones come. It can be taken back. */
export function AcceptPlan({ job, state, stockRevision }: { job: Job; state: PlanState; stockRevision: number }) {
  const id = useJob((s) => s.id) ?? ''
  const client = useQueryClient()
  const plans = useQuery({ queryKey: ['plans', id], queryFn: () => call<IssuedPlan[]>(`/jobs/${id}/plans`) })
  const refresh = () => {
    void client.invalidateQueries({ queryKey: ['plans', id] })
    void client.invalidateQueries({ queryKey: ['shelf', 'stock'] })
  }
  const accept = useMutation({
    mutationFn: async () => {
      await saveNow()
      return call(`/jobs/${id}/plans`, { method: 'POST', json: { revision: useJob.getState().revision, stockRevision } })
    },
    onSettled: refresh,
  })
  const takeBack = useMutation({
    mutationFn: (plan: string) => call(`/jobs/${id}/plans/${plan}/take-back`, { method: 'POST', json: {} }),
    onSettled: refresh,
  })
  const open = plans.data?.find((p) => !p.takenBackAt)
  const fault = accept.error ?? takeBack.error ?? plans.error
  const doubts = neededBeforeCutting(job.vehicle)
  const fits = doubts.length === 0 && state.plan?.complete && state.plan.profiles.length > 0 && !state.running
  return (
    <Group title="To the saw">
      {open ? (
        <Box>
          <Typography variant="body2">
            Accepted {dayjs(open.at).format('D MMM YYYY, HH:mm')}, revision {open.jobRevision}, {moneyText(open.plan.costMinor)}. The rack
            has been moved.
          </Typography>
          <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" component="a" href={`/api/jobs/${id}/cut-sheet.pdf`} target="_blank" rel="noopener">
              Print the cut sheet
            </Button>
            <Button onClick={() => takeBack.mutate(open.id)} disabled={takeBack.isPending}>
              Take it back
            </Button>
          </Box>
        </Box>
      ) : (
        <Box>
          <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
            {fits
              ? 'Accepting keeps this plan as it is and moves the rack. It can be taken back.'
              : job.design.params.barXMm.length
                ? 'Every piece needs stock before the plan can be accepted.'
                : 'Nothing to cut yet.'}
          </Typography>
          {doubts.length > 0 && (
            <Alert severity="warning" icon={false} sx={{ mb: 1 }}>
              Measure before cutting: {doubts.map((d) => `${d.label}, ${d.why}`).join('; ')}.
            </Alert>
          )}
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" onClick={() => accept.mutate()} disabled={!fits || accept.isPending}>
              {accept.isPending ? 'Accepting…' : 'Accept the plan'}
            </Button>
            <Button component="a" href={`/api/jobs/${id}/cut-sheet.pdf`} target="_blank" rel="noopener" onClick={() => void saveNow()}>
              Draft cut sheet
            </Button>
          </Box>
        </Box>
      )}
      {fault && <Alert severity="error">{fault.message}</Alert>}
    </Group>
  )
}
