import Box from '@mui/material/Box'
import type { Schedule, WorkGiven, WorkJob } from '../../core/schedule/work'
import { DayHead } from './DayHead'
import { JobLane } from './JobLane'
import { PeopleLanes } from './PeopleLanes'
import { StepLane } from './StepLane'
import { dayColumns } from './scale'

/** the job in hand, whether its steps are shown, and the step in hand */
export type Chosen = { jobId: string; open: boolean; stepId: string | null }
type Props = {
  given: WorkGiven
  days: Schedule
  chosen: Chosen | null
  tried: string | null
  choose: (chosen: Chosen) => void
  onTry: (on: string | null) => void
  hold: (job: WorkJob, stepId: string, on: string | null) => void
}

export const placedIn = (days: Schedule, jobId: string, stepId: string) =>
  days.placed.find((p) => p.jobId === jobId && p.stepId === stepId) ?? null

/** Every job on its line, the steps of the one in hand below it, and who does what at the foot. */
export function Lanes({ given, days, chosen, tried, choose, onTry, hold }: Props) {
  const columns = dayColumns(given, days)
  return (
    <Box
      role="region"
      aria-label="Calendar of all jobs"
      tabIndex={0}
      sx={{
        overflow: 'auto',
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        maxHeight: { md: 'calc(100dvh - 190px)' },
      }}
    >
      <DayHead columns={columns} />
      {given.jobs.map((j, i) => {
        const own = days.jobs[i]
        const mine = chosen?.jobId === j.id
        const open = mine && chosen.open
        return (
          own && (
            <Box key={j.id}>
              <JobLane
                job={j}
                placed={days.placed.filter((p) => p.jobId === j.id)}
                days={own}
                given={given}
                columns={columns}
                open={open}
                chosen={mine}
                onOpen={() => choose({ jobId: j.id, open: !open, stepId: null })}
              />
              {open &&
                j.steps.map((s) => (
                  <StepLane
                    key={s.id}
                    job={j}
                    step={s}
                    placed={placedIn(days, j.id, s.id)}
                    columns={columns}
                    today={given.today}
                    chosen={chosen.stepId === s.id}
                    tried={tried}
                    onChoose={() => choose({ jobId: j.id, open: true, stepId: s.id })}
                    onTry={onTry}
                    onMove={(on) => hold(j, s.id, on)}
                  />
                ))}
            </Box>
          )
        )
      })}
      <PeopleLanes given={given} days={days} columns={columns} />
    </Box>
  )
}
