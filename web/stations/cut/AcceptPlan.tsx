import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import dayjs from 'dayjs'
import { useState } from 'react'
import { standingPlan } from '../../../core/issuedPlan/issuedPlan'
import type { Job } from '../../../core/job/job'
import { moneyText } from '../../../core/quantity/money'
import { call } from '../../api/client'
import { useIssuedPlans } from '../../api/queries'
import { useJob } from '../../job/jobStore'
import { saveNow } from '../../job/useAutosave'
import { Group } from '../Group'
import { Doubts, mayCut, useDoubts } from './doubts'
import { PlanMoved } from './PlanMoved'
import type { PlanState } from './usePlan'

/** Accepting a plan freezes it for the saw and moves the rack: used offcuts go, new ones come. It can be taken back. */
export function AcceptPlan({ job, state, stockRevision }: { job: Job; state: PlanState; stockRevision: number }) {
  const id = useJob((s) => s.id) ?? ''
  const client = useQueryClient()
  const plans = useIssuedPlans(id)
  const [reason, setReason] = useState('')
  const refresh = () => {
    void client.invalidateQueries({ queryKey: ['plans', id] })
    void client.invalidateQueries({ queryKey: ['shelf', 'stock'] })
  }
  const accept = useMutation({
    mutationFn: async () => {
      await saveNow()
      return call(`/jobs/${id}/plans`, { method: 'POST', json: { revision: useJob.getState().revision, stockRevision, reason } })
    },
    onSettled: refresh,
  })
  const takeBack = useMutation({
    mutationFn: (plan: string) => call(`/jobs/${id}/plans/${plan}/take-back`, { method: 'POST', json: {} }),
    onSettled: refresh,
  })
  const open = standingPlan(plans.data ?? [])
  const fault = accept.error ?? takeBack.error ?? plans.error
  return (
    <Group title="To the saw">
      {open ? (
        <Box>
          <Typography variant="body2">
            Accepted {dayjs(open.at).format('D MMM YYYY, HH:mm')}, revision {open.jobRevision}, {moneyText(open.plan.costMinor)}. The rack
            has been moved.
          </Typography>
          {open.reason && (
            <Typography variant="body2" sx={{ color: (t) => t.inks.signal }}>
              Accepted all the same, because: {open.reason}
            </Typography>
          )}
          <PlanMoved accepted={open} />
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
        <ToAccept job={job} state={state} id={id} reason={reason} setReason={setReason} accept={accept} />
      )}
      {fault && <Alert severity="error">{fault.message}</Alert>}
    </Group>
  )
}

type Accepting = {
  job: Job
  state: PlanState
  id: string
  reason: string
  setReason: (reason: string) => void
  accept: { mutate: () => void; isPending: boolean }
}

/** What stands in the way of accepting, the reason that a limit over or not assessed asks for, and the button. */
function ToAccept({ job, state, id, reason, setReason, accept }: Accepting) {
  const doubts = useDoubts(job)
  const planned = state.plan?.complete && state.plan.profiles.length > 0 && !state.running
  const fits = planned && doubts.needed.length === 0 && doubts.waiting === null
  return (
    <Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        {fits
          ? 'Accepting keeps this plan as it is and moves the rack. It can be taken back.'
          : doubts.waiting
            ? doubts.waiting
            : state.plan?.profiles.length
              ? 'Every piece needs stock before the plan can be accepted.'
              : 'Nothing to cut yet.'}
      </Typography>
      {(planned || doubts.needed.length > 0) && (
        <Doubts of={doubts} reason={reason} setReason={setReason} told="The cut sheet" ask="Why it is cut all the same" />
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" onClick={() => accept.mutate()} disabled={!planned || accept.isPending || !mayCut(doubts, reason)}>
          {accept.isPending ? 'Accepting…' : 'Accept the plan'}
        </Button>
        <Button component="a" href={`/api/jobs/${id}/cut-sheet.pdf`} target="_blank" rel="noopener" onClick={() => void saveNow()}>
          Draft cut sheet
        </Button>
      </Box>
    </Box>
  )
}
