import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { broughtTooSoon, vehicleVisits } from '../../core/build/vehicleVisits'
import { becauseWords, chainOf, whyLate } from '../../core/schedule/chain'
import type { JobDays, Schedule, WorkGiven, WorkJob } from '../../core/schedule/work'
import { TextInput } from '../quantity/TextInput'
import { handOverWords } from './JobLane'
import { Slips } from './Slips'
import { useCalendar } from './useCalendar'

export type JobDates = Partial<Pick<WorkJob, 'due' | 'start' | 'bringsOn' | 'ahead' | 'notBefore'>>
type Props = { given: WorkGiven; days: Schedule; job: WorkJob; own: JobDays; kit: string; onSet: (says: string, dates: JobDates) => void }

/** One job: its day against the one promised, when its vehicle is wanted, and, where it is late, why and what would help. */
export function JobPanel({ given, days, job, own, kit, onSet }: Props) {
  const chain = useMemo(() => chainOf(job.id, given, days), [given, days, job.id])
  const visits = vehicleVisits(job, days.placed)
  const soon = broughtTooSoon(job, days.placed)
  const open = days.unplaced.filter((u) => u.jobId === job.id)
  const late = (own.daysLate ?? 0) > 0
  const date = (key: 'due' | 'start' | 'bringsOn', label: string) => (
    <TextInput label={label} type="date" value={job[key] ?? ''} onChange={(on) => onSet(label.toLowerCase(), { [key]: on || null })} />
  )
  return (
    <Box component="section" aria-label={`Job: ${job.title}`} sx={{ display: 'grid', gap: 1.25 }}>
      <Typography variant="h2">
        <Box component={Link} to={`/jobs/${job.id}/cut`} sx={{ color: 'primary.main' }}>
          {job.title}
        </Box>
      </Typography>
      <Typography variant="body2" sx={{ fontWeight: 600, color: late ? (t) => t.inks.signal : undefined }}>
        Hand-over: {handOverWords(own, job.due)}
      </Typography>
      {open.map((u) => (
        <Alert key={u.stepId} severity="error">
          “{job.steps.find((s) => s.id === u.stepId)?.title}” has no day: {u.why}.
        </Alert>
      ))}
      {late && (
        <Box>
          <Typography variant="h3">Why</Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.25, fontSize: 14.5 }}>
            {whyLate(chain, job.title, given).map((w) => (
              <li key={w}>{w}</li>
            ))}
          </Box>
        </Box>
      )}
      <HangsOn chain={chain} of={job.title} given={given} />
      {late && <CatchUp given={given} days={days} job={job} onSet={onSet} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {date('due', 'Promised for')}
        {date('start', 'Begin no sooner than')}
        {date('bringsOn', 'Client brings the vehicle')}
      </Box>
      <Wanted visits={visits} />
      {soon && soon.days > 0 && (
        <Alert severity="warning">
          It would stand and wait {soon.days} {soon.days === 1 ? 'day' : 'days'}: the kit is complete on {soon.kitOn}.
        </Alert>
      )}
      <Typography variant="body2">
        {kit === 'here'
          ? 'Its kit is here.'
          : kit === 'ordered'
            ? 'What is missing of its kit is on its way.'
            : 'Something of its kit is neither here nor ordered: the days reckon with the usual time.'}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {job.ahead && (
          <Button variant="outlined" onClick={() => onSet('in line again', { ahead: false })}>
            Put it in line again
          </Button>
        )}
        {Object.keys(job.notBefore).length > 0 && (
          <Button variant="outlined" onClick={() => onSet('days left free', { notBefore: {} })}>
            Leave all its days free
          </Button>
        )}
      </Box>
    </Box>
  )
}

/** Step by step back from the hand-over: what each waited for. */
function HangsOn({ chain, of, given }: { chain: ReturnType<typeof chainOf>; of: string; given: WorkGiven }) {
  if (!chain.length) return null
  return (
    <Box component="details" sx={{ fontSize: 14.5 }}>
      <summary>What its day hangs on</summary>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {chain.map((l) => (
          <li key={l.placed.jobId + l.placed.stepId}>
            {l.placed.from}: {l.title}
            {l.jobTitle === of ? '' : ` of ${l.jobTitle}`}, {becauseWords(l.placed, given)}
          </li>
        ))}
      </Box>
    </Box>
  )
}

function Wanted({ visits }: { visits: ReturnType<typeof vehicleVisits> }) {
  if (!visits.length) return null
  return (
    <Typography variant="body2">
      The vehicle is wanted{' '}
      {visits.map((v, i) => (
        <Box component="span" key={v.from} sx={{ whiteSpace: 'nowrap' }}>
          {i ? 'and ' : ''}
          {v.from === v.to ? `on ${v.from}` : `from ${v.from} to ${v.to}`}
          {i < visits.length - 1 ? ', ' : '.'}
        </Box>
      ))}
    </Typography>
  )
}

function CatchUp({ given, days, job, onSet }: Pick<Props, 'given' | 'days' | 'job' | 'onSet'>) {
  const ways = useCalendar([given, days, job.id], (c) => c.waysAhead(given, days, job.id))
  return (
    <Box>
      <Typography variant="h3">What would help</Typography>
      {!ways && (
        <Typography variant="body2" role="status">
          Trying what would help…
        </Typography>
      )}
      {ways?.length === 0 && <Typography variant="body2">Nothing that was tried brings it nearer: agree another day.</Typography>}
      <Box component="ul" aria-label="Ways to catch up" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {ways?.slice(0, 4).map((w) => (
          <Box component="li" key={w.says} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <Typography variant="body2">
              <strong>{w.says.charAt(0).toUpperCase() + w.says.slice(1)}</strong>: {w.handOverOn},{' '}
              {w.daysLate ? `${w.daysLate} ${w.daysLate === 1 ? 'day' : 'days'} late` : 'in time'}
            </Typography>
            {w.others.length > 0 && <Slips slips={w.others} none="" />}
            {w.does && (
              <Button variant="outlined" sx={{ mt: 0.5 }} onClick={() => w.does && onSet(w.says, w.does)}>
                Do that
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
