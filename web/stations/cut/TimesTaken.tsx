import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { StepState } from '../../../core/build/ticks'
import { QuantityInput } from '../../quantity/QuantityInput'
import { correct } from './stepTick'

/** What each step took against what it was reckoned at; a time that was not taken, or taken wrong, is typed. */
export function TimesTaken({ states }: { states: StepState[] }) {
  const timed = states.flatMap((s) => (s.done?.reckonedMin ? [{ step: s.step, done: s.done, reckoned: s.done.reckonedMin }] : []))
  if (!timed.length) return null
  const known = timed.filter((t) => t.done.tookMin !== null)
  const sum = (of: (t: (typeof timed)[number]) => number) => known.reduce((s, t) => s + of(t), 0)
  const [took, reckoned] = [sum((t) => t.done.tookMin ?? 0), sum((t) => t.reckoned)]
  return (
    <Box component="section" aria-label="Times taken" sx={{ maxWidth: 620 }}>
      <Typography variant="h2" gutterBottom>
        Times taken
      </Typography>
      {known.length > 0 && (
        <Typography gutterBottom>
          {(took / 60).toFixed(1)} h for what was reckoned at {(reckoned / 60).toFixed(1)} h.
        </Typography>
      )}
      {timed.map((t) => (
        <Box key={t.step.id} sx={{ display: 'grid', gridTemplateColumns: '1fr 150px', gap: 1, alignItems: 'center', py: 0.5 }}>
          <span>
            {t.step.title}, reckoned at {Math.round(t.reckoned)} min
          </span>
          <QuantityInput
            label="Minutes"
            dimension="number"
            optional
            min={1}
            max={100_000}
            value={t.done.tookMin}
            onChange={(tookMin) => correct(t.step.id, { tookMin })}
          />
        </Box>
      ))}
    </Box>
  )
}
