import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { GAP_SOURCE, gapLimitKey } from '../../../core/fit/fitLimits'
import { type Gap, UNMEASURED } from '../../../core/fit/gaps'
import type { Job } from '../../../core/job/job'
import { limitKey } from '../../../core/limits/limit'
import { pieceName } from '../../../core/pieces/piece'
import { figureText } from '../../../core/quantity/figureText'
import type { DisplayUnits } from '../../../core/quantity/units'
import { useView } from '../../drawing/view'
import { useFit, useFitResult } from '../../job/useFit'
import { Reliefs } from '../../limits/Reliefs'
import { type LimitState, stateMarks } from '../../limits/states'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'
import { Group } from '../Group'
import { PressRow } from './PressRow'
import { Takers } from './Takers'

/** How a gap's state is shown, and in what words. */
const shownAs: Record<Gap['state'], { mark: LimitState; word: string }> = {
  meets: { mark: 'over', word: 'in one another' },
  tight: { mark: 'over', word: 'may touch' },
  unknown: { mark: 'unknown', word: 'not assessed' },
  measure: { mark: 'unknown', word: 'measure here' },
  clear: { mark: 'clear', word: 'clear' },
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** Every pair that may not touch, the worst first; pressing one shows where it is in every view. */
export function GapList({ job }: { job: Job }) {
  const fit = useFit()
  const fault = useFitResult((s) => s.fault)
  const shown = useView((s) => s.gapId)
  const [all, setAll] = useState(false)
  const rows = together(fit?.gaps ?? [])
  // clear gaps inside one piece are many, and how it was made
  const quiet = rows.filter(({ gap }) => gap.state === 'clear' && gap.a.pieceId !== null && gap.a.pieceId === gap.b.pieceId)
  return (
    <Group title="Gaps">
      {fault ? (
        <Typography role="alert" color="error" variant="body2">
          The gaps could not be worked out: {fault}
        </Typography>
      ) : !fit ? (
        <Typography role="status" variant="body2" sx={{ color: 'text.secondary' }}>
          Measuring the gaps…
        </Typography>
      ) : fit.gaps.length === 0 ? (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Nothing stands near anything that it may not touch.
        </Typography>
      ) : (
        <Box>
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {rows
              .filter((r) => all || !quiet.includes(r))
              .map(({ gap, more }) => (
                <GapRow key={gap.id} gap={gap} more={more} job={job} open={shown === gap.id} />
              ))}
          </Box>
          {quiet.length > 0 && (
            <Button size="small" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `${quiet.length} more, clear, inside pieces`}
            </Button>
          )}
        </Box>
      )}
    </Group>
  )
}

/** Pairs alike, of the same names and the same gap, as one row. */
function together(gaps: Gap[]): { gap: Gap; more: number }[] {
  const plain = (g: Gap) => [g.a.name, g.b.name].map((n) => n.replace(/ [A-Z0-9-]+$/, '')).join('|')
  const rows = new Map<string, { gap: Gap; more: number }>()
  for (const gap of gaps) {
    const key = `${gap.state} ${plain(gap)} ${Math.round(gap.gapMm)}`
    const row = rows.get(key)
    if (row) row.more++
    else rows.set(key, { gap, more: 0 })
  }
  return [...rows.values()]
}

function GapRow({ gap, more, job, open }: { gap: Gap; more: number; job: Job; open: boolean }) {
  const units = useUnits()
  const lookAt = useView((s) => s.lookAt)
  const { mark, word } = shownAs[gap.state]
  const limits = useFit()?.limits ?? []
  const relieved = limits.some((l) => l.state === 'over' && limitKey(l) === gapLimitKey(gap))
  const two = gap.a.pieceId !== null && gap.b.pieceId !== null && gap.a.pieceId !== gap.b.pieceId
  return (
    <PressRow
      open={open}
      toggle={() => lookAt(open ? null : gap.id)}
      says={
        <>
          <Box sx={{ fontSize: 14, lineHeight: 1.25 }}>
            {capital(gap.a.name)} to {gap.b.name}
            {more > 0 && <Box component="span" sx={{ color: 'text.secondary' }}>{`, and ${more} alike`}</Box>}
          </Box>
          {two && (
            <Typography variant="caption" component="div" sx={{ color: 'text.secondary' }}>
              {[gap.a, gap.b].map((p) => pieceNameOf(job, p.pieceId)).join(' and ')}
            </Typography>
          )}
          <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, fontFamily: FIGURES, fontSize: 14 }}>
            <Box
              component="span"
              sx={{
                color: (t) => ({ over: t.inks.signal, near: t.inks.near, unknown: t.inks.unknown, clear: t.inks.clear })[mark],
                fontWeight: 600,
              }}
            >
              <span aria-hidden="true">{stateMarks[mark]}</span> {word}
            </Box>
            <span>{leftWords(gap, units)}</span>
          </Box>
        </>
      }
    >
      <GapWorking gap={gap} />
      {relieved && (
        <Box sx={{ pl: 1.4, pb: 1 }}>
          <Reliefs job={job} limitId={gapLimitKey(gap)} />
        </Box>
      )}
    </PressRow>
  )
}

const pieceNameOf = (job: Job, id: string | null): string => {
  const piece = job.pieces.find((p) => p.id === id)
  return piece ? pieceName(piece) : ''
}

function leftWords(gap: Gap, units: DisplayUnits): string {
  if (gap.state === 'measure') return '—'
  const drawn = figureText(Math.abs(gap.gapMm), 'gauge', units)
  if (gap.gapMm < 0) return `${drawn} deep`
  return gap.worstMm === null ? `${drawn} drawn` : `${drawn}, ${figureText(gap.worstMm, 'gauge', units)} at worst`
}

/** How a gap comes about; where nobody measured there is nothing to add up. */
function GapWorking({ gap }: { gap: Gap }) {
  if (gap.takers.some((t) => t.name === UNMEASURED))
    return (
      <Typography variant="body2" sx={{ pl: 1.4, pb: 1 }}>
        The vehicle is only a likeness there: measure here.
      </Typography>
    )
  return (
    <Box sx={{ pl: 1.4, pr: 0.5 }}>
      <Takers as="As drawn" unit="gauge" {...gap} />
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary', mb: 1 }}>
        As drawn: {GAP_SOURCE}.
      </Typography>
    </Box>
  )
}
