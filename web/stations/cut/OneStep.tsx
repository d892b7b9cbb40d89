import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { needsName } from '../../../core/build/doing'
import { nextStep, type StepState } from '../../../core/build/ticks'
import { litParts, partsMarked } from '../../../core/drawing/litParts'
import { drawView } from '../../../core/drawing/views'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { withLengths } from '../../../core/quantity/figureText'
import { tookMinutes } from '../../../core/workLog/tick'
import type { Workshop } from '../../../core/workshop/workshop'
import { SheetView } from '../../drawing/SheetView'
import { useRules } from '../../job/useEvaluation'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { useWho } from '../../shell/who'
import { FIGURES } from '../../theme/theme'
import { CoatFaults } from './CoatFaults'
import { MeasuredThere } from './MeasuredThere'
import { StepPhotos } from './StepPhotos'
import { StepSettings } from './StepSettings'
import { begin, finish, takeBack } from './stepTick'

const THUMB = { minHeight: 56, fontSize: 18 }

/** The step that can be begun now, large enough for an arm's length: its parts lit, what the saw is set to, and one press when it is done. */
export function OneStep({ job, states, workshop }: { job: Job; states: StepState[]; workshop: Workshop }) {
  const rules = useRules()
  // a code on paper leads to its step
  const [params] = useSearchParams()
  const [chosen, setChosen] = useState<string | null>(params.get('step'))
  const shown = states.find((s) => s.step.id === chosen && !s.done) ?? nextStep(states)
  const done = states.filter((s) => s.done)
  const last = done.at(-1)
  const [said, setSaid] = useState('')
  const { who } = useWho()
  if (!shown)
    return (
      <Alert severity={done.length === states.length ? 'success' : 'info'}>
        {done.length === states.length ? 'Every step is done.' : 'Nothing can be begun: each step that is left waits for another.'}
      </Alert>
    )
  const { step } = shown
  const unsigned = needsName(step, who)
  const end = () => {
    finish(step, rules, said)
    setSaid('')
    setChosen(null)
  }
  const others = states.filter((s) => !s.done && !s.waitsFor.length && s !== shown)
  return (
    <Box
      component="section"
      aria-label="The step to do now"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5, maxWidth: 760 }}
    >
      <Typography sx={{ color: 'text.secondary' }}>
        {states.indexOf(shown) + 1} of {states.length}; {done.length} done
      </Typography>
      <Typography component="h3" sx={{ fontSize: 28, fontWeight: 600, lineHeight: 1.15 }}>
        {step.title}
      </Typography>
      <Words state={shown} />
      <Lit job={job} marks={step.marks} />
      {(step.id === 'paint' || step.id === 'powder') && <CoatFaults />}
      <StepSettings stepId={step.id} job={job} workshop={workshop} />
      <Clock job={job} state={shown} />
      <TextInput label="Came out otherwise than drawn" multiline maxLength={500} value={said} onChange={setSaid} />
      <MeasuredThere key={step.id} job={job} step={step.title} />
      <StepPhotos step={step.title} />
      {unsigned && <Typography>Say above who works here: this is signed by name.</Typography>}
      <Button variant="contained" disabled={unsigned} sx={{ ...THUMB, fontWeight: 700 }} onClick={end}>
        {step.gate ? `Done and checked: sign it${who ? ` as ${who}` : ''}` : 'Done'}
      </Button>
      {others.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {others.map((s) => (
            <Button key={s.step.id} variant="outlined" sx={{ minHeight: 48 }} onClick={() => setChosen(s.step.id)}>
              Or: {s.step.title}
            </Button>
          ))}
        </Box>
      )}
      {last?.done && (
        <Button sx={{ minHeight: 48, justifyContent: 'flex-start' }} onClick={() => takeBack(last.step)}>
          Take back “{last.step.title}”
        </Button>
      )}
    </Box>
  )
}

function Words({ state: { step } }: { state: StepState }) {
  const units = useUnits()
  const facts = [`${Math.round(step.minutes)} min reckoned`, step.people > 1 ? `${step.people} people` : '', ...step.tools].filter(Boolean)
  return (
    <>
      <Typography sx={{ fontSize: 18 }}>{withLengths(step.why, units)}</Typography>
      <Typography sx={{ color: 'text.secondary' }}>{facts.join(' · ')}</Typography>
      {step.caution && <Alert severity="warning">{step.caution}</Alert>}
      {step.marks.length > 0 && (
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
          {[...new Set(step.marks)].map((m) => (
            <Box key={m} component="span" sx={{ border: 2, px: 1, py: 0.25, fontSize: 20, fontFamily: FIGURES, fontWeight: 600 }}>
              {m}
            </Box>
          ))}
        </Box>
      )}
    </>
  )
}

/** The parts of the step on the piece, in the view from above. */
function Lit({ job, marks }: { job: Job; marks: string[] }) {
  const rules = useRules()
  const sheet = useMemo(() => {
    const a = madeAssembly(job, rules)
    const lit = partsMarked(a, marks)
    return lit.size ? litParts(drawView('plan', a, job.vehicle, job.brief), lit, marks) : null
  }, [job, rules, marks])
  if (!sheet) return null
  return (
    <Box sx={{ height: 240, display: 'flex', bgcolor: (t) => t.inks.sheet, border: 1, borderColor: 'divider' }}>
      <SheetView sheet={sheet} handles={[]} marks={new Map()} selected={null} onSelect={() => undefined} actions={null} />
    </Box>
  )
}

/** Begun when somebody presses, and timed until it is done: also over a reload, for the start is kept with the job. */
function Clock({ job, state: { step } }: { job: Job; state: StepState }) {
  const [now, setNow] = useState(() => new Date().toISOString())
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date().toISOString()), 20_000)
    return () => clearInterval(timer)
  }, [])
  const at = job.atWork?.id === step.id ? job.atWork : null
  if (!at)
    return (
      <Button variant="outlined" sx={THUMB} onClick={() => begin(step)}>
        Begin, and time it
      </Button>
    )
  const since = new Date(at.since).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
  const took = tookMinutes(at.since, now)
  return (
    <Typography role="status" sx={{ fontSize: 18 }}>
      {took === null ? `Begun at ${since} on another day: its time will not count.` : `Begun at ${since}, ${took} min so far.`}
    </Typography>
  )
}
