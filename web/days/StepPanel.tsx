import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { becauseWords } from '../../core/schedule/chain'
import { namesOf, placeName } from '../../core/schedule/shopCalendar'
import type { Placed, Schedule, Unplaced, WorkGiven, WorkJob, WorkStep } from '../../core/schedule/work'
import { QuantityInput } from '../quantity/QuantityInput'
import { TextInput } from '../quantity/TextInput'
import { Slips } from './Slips'
import { useCalendar } from './useCalendar'

const WORKING = 'Working it out…'

type Props = {
  given: WorkGiven
  days: Schedule
  job: WorkJob
  step: WorkStep
  placed: Placed | null
  unplaced: Unplaced | null
  tried: string | null
  onMove: (on: string | null) => void
}

/** One step: its days and why they are these, what it moves when it is late, and the day it is held back to. */
export function StepPanel({ given, days, job, step, placed, unplaced, tried, onMove }: Props) {
  const [late, setLate] = useState<number | null>(2)
  const slips = useCalendar(
    [given, days, job.id, step.id, late],
    late ? (c) => c.ifLate(given, days, { jobId: job.id, stepId: step.id, days: late }) : null,
  )
  const moves = useCalendar([given, days, job.id, step.id, tried], tried ? (c) => c.ifMoved(given, days, job.id, step.id, tried) : null)
  const held = job.notBefore[step.id] ?? ''
  return (
    <Box component="section" aria-label={`Step: ${step.title}`} sx={{ display: 'grid', gap: 1.25 }}>
      <Typography variant="h3">{step.title}</Typography>
      {tried && (
        <Box role="status" sx={{ borderLeft: 4, borderColor: (t) => t.inks.selected, pl: 1 }}>
          <Typography variant="body2" sx={{ fontWeight: 600 }}>
            Not before {tried}:
          </Typography>
          {moves ? <Slips slips={moves} none="No hand-over moves." /> : WORKING}
          <Typography variant="caption">Let go, or press Enter, to move it. Escape leaves it.</Typography>
        </Box>
      )}
      <Typography variant="body2">
        {placed
          ? `${placed.from === placed.to ? placed.from : `${placed.from} to ${placed.to}`}${placed.readyOn > placed.to ? `, then waits until ${placed.readyOn}` : ''}`
          : `No day: ${unplaced?.why ?? 'nobody can say'}.`}
      </Typography>
      {placed && !job.done[step.id] && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {[
            `Begins then: ${becauseWords(placed, given)}`,
            `${Math.round(step.minutes)} min`,
            namesOf(placed.people, given.calendar).join(' and '),
            step.place ? placeName[step.place] : '',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Typography>
      )}
      {placed && placed.short > 0 && (
        <Typography variant="body2" sx={{ color: (t) => t.inks.near, fontWeight: 600 }}>
          It wants {placed.short} {placed.short === 1 ? 'person' : 'people'} more than the shop has: ask for a helper on that day.
        </Typography>
      )}
      {!job.done[step.id] && (
        <>
          <TextInput label="Not before" type="date" value={held} onChange={(on) => onMove(on || null)} />
          {held && (
            <Button variant="outlined" onClick={() => onMove(null)} sx={{ justifySelf: 'start' }}>
              Leave its day free
            </Button>
          )}
          <Box>
            <Box sx={{ maxWidth: 180, mb: 0.75 }}>
              <QuantityInput label="If it is late by, days" dimension="number" min={0} max={365} optional value={late} onChange={setLate} />
            </Box>
            {late && !slips ? (
              WORKING
            ) : (
              <Slips slips={slips ?? []} none={late ? 'No hand-over moves: there is that much room.' : 'Type the days.'} />
            )}
          </Box>
        </>
      )}
    </Box>
  )
}
