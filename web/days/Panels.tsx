import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Schedule, WorkGiven, WorkJob } from '../../core/schedule/work'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { type JobDates, JobPanel } from './JobPanel'
import { type Chosen, placedIn } from './Lanes'
import { StepPanel } from './StepPanel'

type Props = {
  given: WorkGiven
  days: Schedule
  answer: DaysAnswer
  chosen: Chosen | null
  tried: string | null
  set: (job: WorkJob, says: string, dates: JobDates) => void
  hold: (job: WorkJob, stepId: string, on: string | null) => void
}

/** The step in hand and its job: why then, what follows, what would help. */
export function Panels({ given, days, answer, chosen, tried, set, hold }: Props) {
  const job = given.jobs.find((j) => j.id === chosen?.jobId)
  const step = job?.steps.find((s) => s.id === chosen?.stepId)
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      {job && step && (
        <StepPanel
          key={`${job.id} ${step.id}`}
          given={given}
          days={days}
          job={job}
          step={step}
          placed={placedIn(days, job.id, step.id)}
          unplaced={days.unplaced.find((u) => u.jobId === job.id && u.stepId === step.id) ?? null}
          tried={tried}
          onMove={(on) => hold(job, step.id, on)}
        />
      )}
      {job ? (
        <JobPanel
          given={given}
          days={days}
          job={job}
          own={days.jobs.find((d) => d.jobId === job.id) ?? { jobId: job.id, handOverOn: null, daysLate: null }}
          kit={answer.about.find((a) => a.id === job.id)?.kit ?? 'missing'}
          onSet={(says, dates) => set(job, says, dates)}
        />
      ) : (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Press a job to see its steps; drag a step to a later day, and see what follows before you let go.
        </Typography>
      )}
    </Box>
  )
}
