import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Placement, Proposal } from '../../../core/advice/propose'
import type { Job } from '../../../core/job/job'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { datumXMm } from '../../../core/vehicle/datum'
import { useRules } from '../../job/useEvaluation'
import { useSearch } from '../../job/useSearch'
import { stateMarks } from '../../limits/states'
import { useUnits } from '../../quantity/units'

/** The best placements of bars for what is carried, each worked out whole, with a line why; or which rule to give up. */
export function Proposals({ job, pieceId, apply }: { job: Job; pieceId: string; apply: (placement: Placement) => void }) {
  const rules = useRules()
  const { inks } = useTheme()
  const [found, setFound] = useState<{ proposal: Proposal; of: Job } | null>(null)
  const { busy, fault, run } = useSearch()
  const stale = found !== null && (found.of.brief !== job.brief || found.of.vehicle !== job.vehicle)
  const look = () =>
    run(
      (bench) => bench.run((api) => api.proposePlacements(job, pieceId, rules)),
      (proposal) => setFound({ proposal, of: job }),
    )
  return (
    <>
      {busy ? (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Typography role="status" sx={{ flex: 1 }}>
            Trying placements…
          </Typography>
          <Button variant="outlined" onClick={busy.stop}>
            Stop
          </Button>
        </Box>
      ) : (
        <Button variant="outlined" onClick={() => void look()}>
          Propose placements
        </Button>
      )}
      {fault && <Alert severity="error">{fault}</Alert>}
      {found && (
        <Box component="ol" aria-label="Proposed placements" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
          {stale && <Typography variant="caption">The load or the vehicle has changed since: propose again.</Typography>}
          {found.proposal.giveUp && (
            <Alert severity="warning" icon={false}>
              {found.proposal.giveUp}
            </Alert>
          )}
          {found.proposal.placements.map((p) => (
            <Box
              component="li"
              key={[...p.barXMm, ...p.moved.map((m) => m.id + m.xMm)].join()}
              sx={{
                borderLeft: 4,
                borderColor: { clear: inks.waterDeep, over: inks.signal, unknown: inks.unknown }[stateOf(p)],
                pl: 1,
                display: 'grid',
                gridTemplateColumns: '1fr auto',
                gap: 0.5,
              }}
            >
              <OneProposal placement={p} job={job} />
              <Button onClick={() => apply(asAsked(p, found))} sx={{ alignSelf: 'start' }}>
                Apply
              </Button>
            </Box>
          ))}
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            {found.proposal.tried} placements worked out. Undo takes an applied one back.
          </Typography>
        </Box>
      )}
    </>
  )
}

/** Where one of the placements sets an item elsewhere, every item stands where this one has it, whichever was applied before. */
function asAsked(p: Placement, { proposal, of }: { proposal: Proposal; of: Job }): Placement {
  if (!proposal.placements.some((q) => q.moved.length)) return p
  return { ...p, moved: of.brief.cargo.map((c) => p.moved.find((m) => m.id === c.id) ?? { id: c.id, name: c.name, xMm: c.xMm }) }
}

/** A placement with something not assessed is no clear one. */
const stateOf = (p: Placement) => (!p.meets ? 'over' : p.unknown ? 'unknown' : 'clear')

function OneProposal({ placement: p, job }: { placement: Placement; job: Job }) {
  const units = useUnits()
  const datum = datumXMm(job.vehicle)
  return (
    <Box sx={{ fontSize: 14 }}>
      <Box sx={{ fontWeight: 600 }}>
        {stateMarks[stateOf(p)]} {p.barXMm.map((x) => figureText(x - datum, 'mm', units).replace(/ mm$/, '')).join(', ')}
      </Box>
      <Box sx={{ color: 'text.secondary' }}>{withLengths(p.why, units)}</Box>
    </Box>
  )
}
