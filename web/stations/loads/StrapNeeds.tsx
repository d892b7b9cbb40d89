import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { loadCases } from '../../../core/loads/loadCases'
import { figureText } from '../../../core/quantity/figureText'
import { anchorsOf } from '../../../core/securing/anchors'
import { proposeStraps } from '../../../core/securing/proposeStraps'
import { type SecuringGiven, securingNeeds } from '../../../core/securing/securing'
import { isMet, type StrapNeed, strapMissing } from '../../../core/securing/straps'
import { useRules } from '../../job/useEvaluation'
import { useWhole } from '../../pieces/inHand'
import { useUnits } from '../../quantity/units'
import { setCargo } from './setCargo'

/** What an item's straps must hold and hold, need by need; the first that is missing; and straps proposed that hold it all. */
export function StrapNeeds({ job, cargo: c }: { job: Job; cargo: Cargo }) {
  const rules = useRules()
  const { assembly } = useWhole(job)
  const [lacks, setLacks] = useState<string | null>(null)
  const given: SecuringGiven = {
    cargo: job.brief.cargo,
    anchors: anchorsOf(job, assembly),
    cases: loadCases(rules, job.brief.road),
    speedKmh: job.brief.speedKmh,
    rules,
  }
  const needs = securingNeeds(c, given)
  const missing = needs && strapMissing(needs)
  const propose = () => {
    const proposed = proposeStraps(c, given)
    setLacks(proposed.lacks)
    setCargo(c.id, { securing: proposed.securing })
  }
  return (
    <>
      {c.securing?.by !== 'bolts' && (
        <Button variant="outlined" onClick={propose}>
          Propose straps
        </Button>
      )}
      {lacks && (
        <Alert severity="warning" icon={false}>
          These are not enough yet: {lacks}.
        </Alert>
      )}
      {c.securing === null ? (
        <Alert severity="info" icon={false}>
          Nobody said how it is held: it is not assessed.
        </Alert>
      ) : c.securing.by === 'bolts' ? null : needs === null ? (
        <Alert severity="info" icon={false}>
          Its mass or the driving speed is unknown: nothing can be said of its straps.
        </Alert>
      ) : (
        <>
          <Needs needs={needs} />
          {missing ? (
            <Alert severity="warning" icon={false}>
              Missing: {missing}.
            </Alert>
          ) : (
            <Alert severity="success" icon={false}>
              Every direction is held on paper; pull each strap again after the first kilometres.
            </Alert>
          )}
        </>
      )}
    </>
  )
}

/** One line a need: what it is, what it takes and what there is. */
function Needs({ needs }: { needs: StrapNeed[] }) {
  const units = useUnits()
  const shown = (n: StrapNeed, value: number | null) =>
    value === null ? 'unknown' : n.unit === 'straps' ? String(value) : figureText(value, n.unit, units)
  return (
    <Box
      component="dl"
      aria-label="What its straps must hold"
      sx={{
        m: 0,
        display: 'grid',
        gridTemplateColumns: '1fr auto auto',
        columnGap: 1,
        rowGap: 0.25,
        fontSize: 13,
        '& dd': { m: 0, textAlign: 'right' },
      }}
    >
      {needs
        .filter((n) => n.need > 0)
        .map((n) => (
          <Box key={n.says} sx={{ display: 'contents', color: isMet(n) ? undefined : 'error.main' }}>
            <Box component="dt" sx={{ color: isMet(n) ? 'text.secondary' : 'error.main' }}>
              {n.says}
            </Box>
            <Box component="dd">{shown(n, n.need)}</Box>
            <Box component="dd" sx={{ fontWeight: 600, color: isMet(n) ? undefined : 'error.main' }}>
              {n.have === null ? 'unknown' : `has ${shown(n, n.have)}`}
            </Box>
          </Box>
        ))}
    </Box>
  )
}
