import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { type ChangedPart, changedParts } from '../../../core/remeasure/asBuilt'
import { type ReadFigure, readingsOf } from '../../../core/remeasure/readingsOf'
import { localDay } from '../../../core/time/localDay'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'
import { useWho } from '../../shell/who'

/** How well a tape reads at a bench or on a vehicle. Shop's own, mm and degrees */
const READS = { mm: 1, deg: 0.5 }

/** Measured while it is built: the figure is kept with the vehicle, and what that makes of the parts is told before it is kept. Every check follows by itself. */
export function MeasuredThere({ job, step }: { job: Job; step: string }) {
  const rules = useRules()
  const { who } = useWho()
  const figures = useMemo(() => readingsOf(job.vehicle), [job.vehicle])
  const [id, setId] = useState('')
  const [value, setValue] = useState<number | null>(null)
  const figure = figures.find((f) => f.id === id) ?? null
  const vehicle = useMemo(
    () => (figure && value !== null && value !== figure.value ? measuredAs(figure, value, who, step) : null),
    [figure, value, who, step],
  )
  const changed = useMemo(() => (vehicle ? changedParts(job, vehicle, rules) : null), [vehicle, job, rules])
  const keep = () => {
    if (!vehicle) return
    editJob((j) => ({ ...j, vehicle }))
    setId('')
    setValue(null)
  }
  return (
    <Box component="section" aria-label="Measured on the vehicle" sx={{ display: 'grid', gap: 1 }}>
      <ChoiceInput
        label="Measured otherwise than read before"
        value={id || null}
        options={figures.map((f) => ({ value: f.id, label: f.label }))}
        empty="nothing"
        onEmpty={() => setId('')}
        onChange={(next) => {
          setId(next)
          setValue(null)
        }}
      />
      {figure && (
        <>
          <QuantityInput
            label="As it is"
            exact
            dimension={figure.unit === 'deg' ? 'angle' : 'length'}
            value={value ?? figure.value}
            min={-20_000}
            max={50_000}
            onChange={setValue}
          />
          {changed && <Changed parts={changed} />}
          <Button variant="outlined" disabled={!vehicle} onClick={keep} sx={{ minHeight: 48 }}>
            Keep it as measured
          </Button>
        </>
      )}
    </Box>
  )
}

const measuredAs = (f: ReadFigure, value: number, who: string, step: string): Job['vehicle'] =>
  f.measured(value, { who, on: localDay(), why: `as built, at “${step}”`.slice(0, 300), tolerance: READS[f.unit] })

function Changed({ parts }: { parts: ChangedPart[] }) {
  const units = useUnits()
  if (!parts.length) return <Typography variant="body2">No part is another one for it; every check is worked out anew.</Typography>
  const words = (p: ChangedPart) => {
    if (p.other) return `${p.mark} is another part`
    if (Math.abs(p.longerMm) >= 0.5)
      return `${p.mark} ${figureText(Math.abs(p.longerMm), 'gauge', units)} ${p.longerMm > 0 ? 'longer' : 'shorter'}`
    return `${p.mark}: holes or corners move ${figureText(p.placesMm, 'gauge', units)}`
  }
  const [cut, rest] = [parts.filter((p) => p.cut), parts.filter((p) => !p.cut)]
  return (
    <>
      {cut.length > 0 && (
        <Alert severity="warning">
          Cut already: {cut.map(words).join('; ')}. These stay as they were cut: trim them, or make them again.
        </Alert>
      )}
      {rest.length > 0 && <Typography variant="body2">Still to be cut, as it then is: {rest.map(words).join('; ')}.</Typography>}
    </>
  )
}
