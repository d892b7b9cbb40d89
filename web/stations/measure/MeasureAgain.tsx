import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import type { AtStake, PartAtStake, ReadingAtStake } from '../../../core/remeasure/atStake'
import { type MockUp, mockUpFor } from '../../../core/remeasure/mockUp'
import { useAsked } from '../../job/useAsked'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

const SHOWN = 5

/** Which readings to take again before metal is cut, the one that could scrap most first, and which parts to leave long instead. */
export function MeasureAgain({ job, go }: { job: Job; go: (sheet: string) => void }) {
  const rules = useRules()
  const { busy, fault, press, answer: stake, stale } = useAsked(job, (bench) => bench.run((api) => api.atStake(job, rules)))
  const [all, setAll] = useState(false)
  if (!job.pieces.length) return null
  return (
    <Group title="Measure again">
      <Button variant="outlined" sx={{ justifySelf: 'start' }} onClick={press}>
        {busy ? 'Stop' : 'What could a wrong reading scrap?'}
      </Button>
      {fault && <Alert severity="error">{fault}</Alert>}
      {stale && <Typography variant="caption">The job has changed since: ask again.</Typography>}
      {stake && (
        <>
          {stake.readings.length === 0 ? (
            <Typography variant="body2">No reading is out by so much that a part would be cut wrong.</Typography>
          ) : (
            <Box component="ol" aria-label="Readings to take again" sx={{ m: 0, pl: 2.5 }}>
              {stake.readings.slice(0, all ? undefined : SHOWN).map((r) => (
                <Reading key={r.id} reading={r} go={() => go(r.sheet ?? 'mounts')} />
              ))}
            </Box>
          )}
          {stake.readings.length > SHOWN && (
            <Button size="small" aria-expanded={all} sx={{ justifySelf: 'start' }} onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `${stake.readings.length - SHOWN} more`}
            </Button>
          )}
          <HoldUp mockUp={mockUpFor(stake, rules)} />
          <LeaveLong list={stake.leaveLong} />
        </>
      )}
    </Group>
  )
}

function Reading({ reading: r, go }: { reading: ReadingAtStake; go: () => void }) {
  const units = useUnits()
  const unit = r.unit === 'deg' ? '°' : 'gauge'
  return (
    <Box component="li" sx={{ fontSize: 14, pb: 0.75 }}>
      <Button onClick={go} sx={{ textAlign: 'left', justifyContent: 'flex-start', p: 0, minHeight: 30 }}>
        {r.label}
      </Button>
      <Box>
        {figureText(r.value, r.unit === 'deg' ? '°' : 'mm', units)} ± {figureText(r.tolerance, unit, units)}
        {r.method === 'unknown' || r.method === 'assumed' ? ', assumed' : `, ${r.method}`}: {moneyText(r.costMinor)} of metal and work
      </Box>
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
        {r.parts
          .slice(0, 4)
          .map((p) => partWords(p, (mm) => figureText(mm, 'gauge', units)))
          .join('; ')}
        {r.parts.length > 4 ? `; and ${r.parts.length - 4} more` : ''}
      </Typography>
    </Box>
  )
}

function partWords(p: PartAtStake, text: (mm: number) => string): string {
  if (p.other) return `${p.mark} would be another part`
  const says = [
    p.shortMm || p.longMm ? `${text(Math.max(p.shortMm, p.longMm))} ${p.shortMm ? (p.longMm ? 'short or long' : 'short') : 'long'}` : '',
    p.placesMm ? `holes or corners ${text(p.placesMm)} off` : '',
    p.turnsDeg ? `cut turned ${p.turnsDeg.toFixed(1)}°` : '',
  ].filter(Boolean)
  return `${p.mark} ${says.join(', ')}`
}

/** What is held up before metal is cut, where that costs less than what it may save. */
function HoldUp({ mockUp: m }: { mockUp: MockUp | null }) {
  if (!m) return null
  return (
    <Typography variant="body2">
      <strong>Or hold something up first:</strong> {m.says}. {m.minutes} minutes, {moneyText(m.costMinor)}, against{' '}
      {moneyText(m.savesMinor)} at stake on “{m.readingLabel}”.
    </Typography>
  )
}

function LeaveLong({ list }: { list: AtStake['leaveLong'] }) {
  const units = useUnits()
  const long = list.filter((l) => l.byMm !== null)
  const fixed = list.filter((l) => l.byMm === null)
  if (!list.length) return null
  return (
    <Box sx={{ fontSize: 14 }}>
      {long.length > 0 && (
        <Typography variant="body2">
          <strong>Or leave long and trim at the fit:</strong>{' '}
          {long.map((l) => `${l.mark} by ${figureText(l.byMm ?? 0, 'gauge', units)}`).join(', ')}.
        </Typography>
      )}
      {fixed.length > 0 && (
        <Typography variant="body2">
          Bent or flat, so never trimmed: {fixed.map((l) => l.mark).join(', ')}. Read again before these are made.
        </Typography>
      )}
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
        Each reading off by its tolerance, both ways; left long by the worst of all together. Price of metal and minutes are the shop’s own.
      </Typography>
    </Box>
  )
}
