import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { Assembly } from '../../../core/assembly/assembly'
import type { Job } from '../../../core/job/job'
import { MOST_RUNS, type Run, RunSchema, type WiredRun, wiredRuns } from '../../../core/wiring/runs'
import { FigureValue } from '../../figure/Working'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { useWhole } from '../../pieces/inHand'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { Group } from '../Group'

const setRuns = (of: (runs: Run[]) => Run[]) => editJob((j) => ({ ...j, wiring: of(j.wiring) }))
const setRun = (id: string, patch: Partial<Run>) => setRuns((runs) => runs.map((r) => (r.id === id ? { ...r, ...patch } : r)))
const backs = [
  { value: 'cable', label: 'by a cable of its own' },
  { value: 'body', label: 'through the body' },
] as const

/** Cables to lamps, winch, fan and fridge: conductor, drop and fuse of each, and the label that goes with the vehicle. */
export function Wiring({ job }: { job: Job }) {
  const rules = useRules()
  const { assembly } = useWhole(job)
  const runs = useMemo(() => wiredRuns(job.wiring, assembly, rules), [job.wiring, assembly, rules])
  const add = () =>
    setRuns((list) => {
      let n = 1
      while (list.some((r) => r.id === `run-${n}`)) n++
      return [...list, RunSchema.parse({ id: `run-${n}`, name: `Run ${n}` })]
    })
  return (
    <Group title="Twelve volts">
      {runs.map((r) => (
        <OneRun key={r.run.id} wired={r} assembly={assembly} />
      ))}
      <Button variant="outlined" disabled={runs.length >= MOST_RUNS} onClick={add} sx={{ justifySelf: 'start' }}>
        Add a run
      </Button>
      {runs.length > 0 && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          The fuse sits at the source, and the cable’s maker says what it carries. Who wires a vehicle is trained for it; ask your local
          rules.
        </Typography>
      )}
    </Group>
  )
}

function OneRun({ wired, assembly }: { wired: WiredRun; assembly: Assembly }) {
  const { run } = wired
  const none = { value: '', label: 'not on the rack' }
  const fittings = [none, ...assembly.fittings.map((f) => ({ value: f.id, label: `${f.mark} ${f.name}` }))]
  const feet = [{ value: '', label: 'none' }, ...assembly.mounts.map((m) => ({ value: m.id, label: m.mark }))]
  return (
    <Box component="section" aria-label={run.name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 0.5, mb: 1 }}>
        <TextInput label="Name of the run" value={run.name} maxLength={80} onChange={(name) => setRun(run.id, { name })} />
        <RemoveButton of={run.name} onClick={() => setRuns((list) => list.filter((r) => r.id !== run.id))} />
      </Box>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', alignItems: 'start' }}>
        <ChoiceInput
          label="Goes to"
          value={run.fittingId ?? ''}
          options={fittings}
          onChange={(id) => setRun(run.id, { fittingId: id || null })}
          onEmpty={() => setRun(run.id, { fittingId: null })}
        />
        <ChoiceInput
          label="Leaves by foot"
          value={run.mountId ?? ''}
          options={feet}
          onChange={(id) => setRun(run.id, { mountId: id || null })}
          onEmpty={() => setRun(run.id, { mountId: null })}
        />
        <QuantityInput
          label="Power, W"
          dimension="number"
          min={0.1}
          max={10_000}
          optional
          value={run.powerW}
          onChange={(powerW) => setRun(run.id, { powerW })}
        />
        <QuantityInput
          label="Supply, V"
          dimension="number"
          min={5}
          max={60}
          value={run.supplyV}
          onChange={(v) => v !== null && setRun(run.id, { supplyV: v })}
        />
        <QuantityInput
          label="From there to the source"
          min={0}
          max={50_000}
          optional
          value={run.restMm}
          onChange={(restMm) => setRun(run.id, { restMm })}
        />
        <ChoiceInput label="Comes back" value={run.back} options={backs} onChange={(back) => setRun(run.id, { back })} />
        <TextInput label="Colour" value={run.colour} maxLength={40} onChange={(colour) => setRun(run.id, { colour })} />
        <QuantityInput
          label="Holes it passes"
          dimension="number"
          min={0}
          max={40}
          value={run.holes}
          onChange={(v) => v !== null && setRun(run.id, { holes: Math.round(v) })}
        />
      </Box>
      <Found wired={wired} />
    </Box>
  )
}

function Found({ wired }: { wired: WiredRun }) {
  const { wire, figures, lacks, fault, run } = wired
  if (!wire)
    return (
      <Typography role="status" variant="body2" sx={{ mt: 1, color: (t) => (fault ? t.inks.signal : t.inks.unknown) }}>
        {fault ? `No cable: ${fault}.` : `Not assessed. Missing: ${lacks.join(', ')}.`}
      </Typography>
    )
  return (
    <Box role="status" sx={{ mt: 1, display: 'grid', gridTemplateColumns: '1fr auto', rowGap: 0.25, fontSize: 14 }}>
      {figures.map((f) => (
        <Box key={f.id} sx={{ display: 'contents' }}>
          <span>{f.name}</span>
          <Box sx={{ textAlign: 'right' }}>
            <FigureValue figure={f} />
          </Box>
        </Box>
      ))}
      {run.holes > 0 && (
        <>
          <span>Grommets</span>
          <Box sx={{ textAlign: 'right' }}>{run.holes}</Box>
        </>
      )}
    </Box>
  )
}
