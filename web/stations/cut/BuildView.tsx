import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import type { Theme } from '@mui/material/styles'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import useMediaQuery from '@mui/material/useMediaQuery'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { needsName } from '../../../core/build/doing'
import { nextStep, type StepState } from '../../../core/build/ticks'
import type { Job } from '../../../core/job/job'
import { withLengths } from '../../../core/quantity/figureText'
import { lateBy } from '../../../core/schedule/schedule'
import type { Placed } from '../../../core/schedule/work'
import { useShelf } from '../../api/queries'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { useWho } from '../../shell/who'
import { AskOutside } from './AskOutside'
import { KitCheck } from './KitCheck'
import { OneStep } from './OneStep'
import { correct, finish, takeBack } from './stepTick'
import { TimesTaken } from './TimesTaken'
import { usePlanned } from './usePlanned'
import { WhoIsHere } from './WhoIsHere'

type Shown = 'one' | 'all' | 'kit' | 'outside'
/** The order of work with what each step needs before it; ticked with a thumb, and what has changed since says so. */
export function BuildView({ job, jobId }: { job: Job; jobId: string }) {
  const rules = useRules()
  const shop = useShelf('shop')
  const workshop = shop.data?.document.workshop
  // in the hand it is one step, on the desk all of them
  const inHand = useMediaQuery((t: Theme) => t.breakpoints.down('sm'))
  const [wish, setWish] = useState<Shown | null>(null)
  const [params] = useSearchParams()
  const shown = wish ?? (inHand || params.has('step') ? 'one' : 'all')
  const planned = usePlanned(job, shop.data?.document, rules)
  if (shop.error) return <Alert severity="error">What the shop can do could not be loaded. {shop.error.message}</Alert>
  if (!planned) return <Typography>Working out the order…</Typography>
  const { asked, plan, kit, states, days } = planned
  const people = shop.data?.document.calendar.people.map((p) => p.name) ?? []
  const on = new Map(days.steps.map((s) => [s.stepId, s]))
  const late = lateBy(days.handOverOn, job.due)
  const missing = kit.filter((r) => r.state !== 'here').length
  const done = states.filter((s) => s.done).length
  const next = nextStep(states)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Order of work</Typography>
        {plan.steps.length > 0 && (
          <>
            <Typography variant="body2" role="status">
              {done} of {states.length} done; {(plan.workMinutes / 60).toFixed(1)} h of work; hand-over on{' '}
              {days.handOverOn ?? 'a day that nobody can say'}, as the shop’s only job
              {next ? `; next: ${next.step.title.charAt(0).toLowerCase()}${next.step.title.slice(1)}` : ''}
            </Typography>
            <Button component="a" href={`/api/jobs/${jobId}/build.pdf`} target="_blank" variant="outlined">
              Print the order of work
            </Button>
          </>
        )}
      </Box>
      {plan.steps.length > 0 && <WhoAndWhen job={job} people={people} />}
      {late !== null && late > 0 && (
        <Alert severity="warning">
          By the shop’s own times it is {late} {late === 1 ? 'day' : 'days'} late: begin earlier, order now, or agree another day.
        </Alert>
      )}
      {plan.steps.length > 0 && (
        <ToggleButtonGroup exclusive value={shown} onChange={(_, v: Shown | null) => v && setWish(v)} aria-label="Steps shown">
          <ToggleButton value="one">One step at a time</ToggleButton>
          <ToggleButton value="all">All steps</ToggleButton>
          <ToggleButton value="kit">Kit{missing ? `, ${missing} not here` : ''}</ToggleButton>
          <ToggleButton value="outside">Ask outside</ToggleButton>
        </ToggleButtonGroup>
      )}
      {shown === 'one' && workshop && plan.steps.length > 0 && <OneStep job={job} states={states} workshop={workshop} />}
      {!plan.steps.length && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing is built in this job yet: add a piece at Layout.</Typography>
      )}
      {shown === 'all' && (
        <Box component="ol" aria-label="Steps" sx={{ m: 0, p: 0, listStyle: 'none', maxWidth: 860 }}>
          {states.map((s, i) => (
            <Row
              key={s.step.id}
              state={s}
              number={i + 1}
              days={on.get(s.step.id)}
              tick={(on) => (on ? finish(s.step, rules) : takeBack(s.step))}
            />
          ))}
        </Box>
      )}
      {shown === 'kit' && <KitCheck kit={kit} />}
      {shown === 'outside' && <AskOutside asked={asked} answers={job.outside} />}
      <TimesTaken states={states} />
      <Typography variant="caption" sx={{ color: 'text.secondary', maxWidth: 760 }}>
        Minutes are the shop’s own, under Shop rules. Local codes and licensed practice come before this order.
      </Typography>
    </Box>
  )
}

function WhoAndWhen({ job, people }: { job: Job; people: string[] }) {
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
      <WhoIsHere people={people} />
      <Box sx={{ width: 200 }}>
        <TextInput
          label="Work begins"
          type="date"
          value={job.start ?? ''}
          onChange={(start) => editJob((j) => ({ ...j, start: start || null }))}
        />
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {job.start === null ? 'today, until a day is set' : ''}
        {job.due ? `${job.start === null ? '; ' : ''}due ${job.due}` : ''}
      </Typography>
    </Box>
  )
}

type RowProps = { state: StepState; number: number; days: Placed | undefined; tick: (on: boolean) => void }
function Row({ state, number, days, tick }: RowProps) {
  const { step, done, waitsFor } = state
  const units = useUnits()
  const { who } = useWho()
  const unsigned = !done && needsName(step, who)
  const blocked = waitsFor.length > 0 && !done
  const facts = [
    days && !done ? (days.from === days.to ? days.from : `${days.from} to ${days.to}`) : '',
    `${Math.round(step.minutes)} min`,
    step.people > 1 ? `${step.people} people` : '',
    step.waitHours ? `then ${step.waitHours >= 48 ? `${Math.round(step.waitHours / 24)} days` : `${step.waitHours} h`} of waiting` : '',
    step.tools.length ? step.tools.join(', ') : '',
  ].filter(Boolean)
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: '48px 1fr',
        gap: 1,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Checkbox
        checked={done !== null}
        disabled={blocked || unsigned}
        onChange={(_, on) => tick(on)}
        slotProps={{ input: { 'aria-label': `${step.title}, done` } }}
        sx={{ width: 44, height: 44, alignSelf: 'start' }}
      />
      <Box>
        <Typography sx={{ fontWeight: 600, color: blocked ? 'text.secondary' : 'text.primary' }}>
          {number}. {step.title}
          {step.gate ? ' · signed before what follows' : ''}
        </Typography>
        <Typography variant="body2">{withLengths(step.why, units)}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {facts.join(' · ')}
          {step.marks.length
            ? ` · ${step.marks.slice(0, 12).join(', ')}${step.marks.length > 12 ? ` and ${step.marks.length - 12} more` : ''}`
            : ''}
        </Typography>
        {step.caution && (
          <Typography variant="body2" sx={{ color: (t) => t.inks.near, fontWeight: 600 }}>
            {step.caution}
          </Typography>
        )}
        {unsigned && !blocked && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Say above who works here: this is signed by name.
          </Typography>
        )}
        {blocked && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            First: {waitsFor.join(', ')}
          </Typography>
        )}
        {done && (
          <Typography
            variant="body2"
            role={done.changed ? 'alert' : undefined}
            sx={{ color: (t) => (done.changed ? t.inks.signal : t.inks.clear) }}
          >
            {`Done on ${done.on}${done.by ? ` by ${done.by}` : ''}${done.changed ? ', and the design has changed since: look at it again' : ''}.`}
            {done.tookMin !== null ? ` It took ${done.tookMin} min.` : ''}
          </Typography>
        )}
        {done?.otherwise && (
          <FormControlLabel
            control={<Checkbox checked={done.settled} onChange={(_, settled) => correct(step.id, { settled })} />}
            label={`Not as drawn: ${done.otherwise}${done.settled ? ', settled' : ''}`}
          />
        )}
      </Box>
    </Box>
  )
}
