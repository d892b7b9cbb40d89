import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Skeleton from '@mui/material/Skeleton'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Job } from '../../core/job/job'
import type { Schedule, WorkGiven, WorkJob } from '../../core/schedule/work'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import type { JobDates } from './JobPanel'
import { type Chosen, Lanes } from './Lanes'
import { Panels } from './Panels'
import { type Change, useChangeJob, useDays } from './useDays'

/** All open jobs on the shop's days: what is done when and by whom, what is late and why, and what would help. */
export default function DaysPage() {
  const { query, shown, anew } = useDays()
  if (query.error)
    return (
      <Box sx={{ p: 2 }}>
        <Alert severity="error">The days could not be worked out. {query.error.message}</Alert>
      </Box>
    )
  if (!shown || !query.data)
    return (
      <Box sx={{ p: 2 }} role="status" aria-label="Working out the days">
        <Skeleton height={40} />
        <Skeleton variant="rectangular" height={320} />
      </Box>
    )
  return <Calendar given={shown.given} days={shown.days} answer={query.data} anew={anew} />
}

type Shown = { given: WorkGiven; days: Schedule; answer: DaysAnswer; anew: boolean }
function Calendar({ given, days, answer, anew }: Shown) {
  const [chosen, setChosen] = useState<Chosen | null>(() => {
    const late = given.jobs.find((_, i) => (days.jobs[i]?.daysLate ?? 0) > 0)
    return late ? { jobId: late.id, open: false, stepId: null } : null
  })
  const [tried, setTried] = useState<string | null>(null)
  const [last, setLast] = useState<Change | null>(null)
  const change = useChangeJob()

  const set = (j: WorkJob, says: string, dates: JobDates) => {
    const before: JobDates = Object.fromEntries((Object.keys(dates) as (keyof JobDates)[]).map((k) => [k, j[k]]))
    const made: Change = {
      jobId: j.id,
      says: `${j.title}: ${says}`,
      of: (kept: Job) => ({ ...kept, ...dates }),
      back: (kept: Job) => ({ ...kept, ...before }),
    }
    change.mutate(made, { onSuccess: () => setLast(made) })
  }
  const hold = (j: WorkJob, stepId: string, on: string | null) => {
    const { [stepId]: _, ...others } = j.notBefore
    const title = j.steps.find((s) => s.id === stepId)?.title ?? stepId
    set(j, on ? `“${title}” not before ${on}` : `“${title}” free again`, { notBefore: on ? { ...others, [stepId]: on } : others })
  }
  return (
    <Box sx={{ p: { xs: 1, sm: 2 }, display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr)' }}>
      <Head jobs={given.jobs.length} late={days.jobs.filter((j) => (j.daysLate ?? 0) > 0).length} more={answer.more} anew={anew} />
      {!given.calendar.people.length && (
        <Alert severity="info">
          Nobody is entered under <Link to="/shop">The shop</Link>: the days reckon with one person.
        </Alert>
      )}
      {answer.left.map((l) => (
        <Alert key={l.id} severity="warning">
          {l.title} is not on the calendar: {l.why}
        </Alert>
      ))}
      {change.error && <Alert severity="error">{change.error.message}</Alert>}
      {last && (
        <Alert
          severity="success"
          onClose={() => setLast(null)}
          action={<Button onClick={() => change.mutate({ ...last, of: last.back }, { onSuccess: () => setLast(null) })}>Undo</Button>}
        >
          {last.says}
        </Alert>
      )}
      {!given.jobs.length ? (
        <Typography>
          Nothing to build yet: a job comes onto the calendar once it has a piece. <Link to="/">To the Slipway</Link>
        </Typography>
      ) : (
        <Box
          sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 330px' }, alignItems: 'start' }}
        >
          <Box>
            <Lanes given={given} days={days} chosen={chosen} tried={tried} choose={setChosen} onTry={setTried} hold={hold} />
            <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block', mt: 0.75 }}>
              Height = hours of work on a day; dotted = waiting; the bar across = the day promised. Shaded = no work. Minutes are the shop’s
              own
              {given.calendar.outdoors ? '; ☂ = rain in a simulated forecast, on which nothing is done on a vehicle' : ''}.
            </Typography>
          </Box>
          <Panels given={given} days={days} answer={answer} chosen={chosen} tried={tried} set={set} hold={hold} />
        </Box>
      )}
    </Box>
  )
}

function Head({ jobs, late, more, anew }: { jobs: number; late: number; more: number; anew: boolean }) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
      <Typography variant="h1">Days</Typography>
      <Typography variant="body2" role="status">
        {jobs} {jobs === 1 ? 'job' : 'jobs'} on the calendar
        {late ? `, ${late} late` : ', none late'}
        {more ? `; ${more} more, due later, are left out` : ''}
        {anew ? '; being worked out anew…' : ''}
      </Typography>
      <Button component="a" href="/api/shop/days.ics" variant="outlined">
        Calendar file
      </Button>
      <Button component="a" href="/api/shop/days.pdf" target="_blank" variant="outlined">
        Print the days
      </Button>
    </Box>
  )
}
