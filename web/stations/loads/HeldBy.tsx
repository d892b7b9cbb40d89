import Alert from '@mui/material/Alert'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { Job } from '../../../core/job/job'
import { turningJoints } from '../../../core/limits/held'
import { useResult } from '../../job/useEvaluation'
import { Group } from '../Group'
import { AddOne } from './AddOne'

/** What holds each kind of foot each way, and what to add where nothing does. */
export function HeldBy({ job }: { job: Job }) {
  const evaluation = useResult((s) => s.evaluation)
  const turning = useMemo(() => (evaluation ? turningJoints(evaluation.assembly) : []), [evaluation])
  const held = evaluation?.held ?? []
  if (!held.length && !turning.length) return null
  return (
    <Group title="What holds the feet and joints">
      {held.map((h) => (
        <div key={h.foot}>
          <Typography variant="body2">
            <strong>{h.foot}</strong>: {h.ways}.
          </Typography>
          {h.advice.map((says) => (
            <Alert key={says} severity="info" icon={false} sx={{ mt: 0.5 }}>
              {says}
            </Alert>
          ))}
        </div>
      ))}
      {turning.map((says) => (
        <Alert key={says} severity="info" icon={false}>
          {says}
        </Alert>
      ))}
      <AddOne job={job} />
    </Group>
  )
}
