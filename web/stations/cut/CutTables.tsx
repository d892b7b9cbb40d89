import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { LengthComparison } from '../../../core/advice/stockAdvisor'
import { profileOf } from '../../../core/catalogue/profiles'
import { type CutPart, cutList } from '../../../core/cutList/cutList'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { offcutsShown } from '../../../core/nesting/barLine'
import type { CutPlan } from '../../../core/nesting/planCuts'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { defaultUnit } from '../../../core/quantity/units'
import { surfaceNotes } from '../../../core/stockSurface/stockSurface'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { BoardsTable } from './BoardsTable'
import { HardwareTable } from './HardwareTable'
import { StopsTable } from './StopsTable'

/** Cut list, what to buy and use, and what each length on sale would come to on its own. */
export function CutTables({ job, plan, lengths }: { job: Job; plan: CutPlan; lengths: LengthComparison[] | null }) {
  const rules = useRules()
  const assembly = useMemo(() => madeAssembly(job, rules), [job, rules])
  const parts = cutList(assembly)
  const units = useUnits()
  if (!parts.length) return null
  return (
    <Box sx={{ display: 'grid', gap: 3 }}>
      {surfaceNotes(plan, assembly, rules).map((n) => (
        <Alert key={n.says} severity="warning">
          <strong>{n.marks.join(', ')}</strong>, {withLengths(n.says, units)}.
        </Alert>
      ))}
      <CutListTable parts={parts} />
      <StopsTable parts={parts} />
      <BoardsTable assembly={assembly} />
      <PurchaseTable plan={plan} />
      <HardwareTable assembly={assembly} />
      {lengths && lengths.length > 0 && <OneLengthTable lengths={lengths} maxShorterMm={job.cut.maxShorterMm} />}
    </Box>
  )
}

/** Lengths in the units of the job. */
function useMm(): (mm: number) => string {
  const units = useUnits()
  return (mm) => figureText(mm, 'mm', units)
}

function CutListTable({ parts }: { parts: CutPart[] }) {
  const units = useUnits()
  const mm = useMm()
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Cut list
      </Typography>
      <Table size="small" aria-label="Cut list">
        <TableHead>
          <TableRow>
            <TableCell>Mark</TableCell>
            <TableCell>Part</TableCell>
            <TableCell>Profile</TableCell>
            <TableCell align="right">Qty</TableCell>
            <TableCell align="right">Length</TableCell>
            <TableCell>Ends</TableCell>
            <TableCell align="right">Mass each</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {parts.map((p) => (
            <TableRow key={p.id}>
              <TableCell sx={{ fontWeight: 600 }}>{p.marks.join(', ')}</TableCell>
              <TableCell>{p.name}</TableCell>
              <TableCell>{profileOf(p.profileId).name}</TableCell>
              <TableCell align="right">{p.quantity}</TableCell>
              <TableCell align="right">{mm(p.lengthMm)}</TableCell>
              <TableCell>
                {p.endTexts[0]}
                {p.endTexts[0] === p.endTexts[1] ? '' : ` / ${p.endTexts[1]}`}
              </TableCell>
              <TableCell align="right">{figureText(p.massEachKg, 'kg', units)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </section>
  )
}

function PurchaseTable({ plan }: { plan: CutPlan }) {
  const units = useUnits()
  const rules = useRules()
  const mm = useMm()
  const offcuts = offcutsShown(plan.profiles, rules, units)
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        To buy and to use
      </Typography>
      <Table size="small" aria-label="Purchase list">
        <TableHead>
          <TableRow>
            <TableCell>From</TableCell>
            <TableCell>Profile</TableCell>
            <TableCell align="right">Length</TableCell>
            <TableCell align="right">Qty</TableCell>
            <TableCell align="right">Each</TableCell>
            <TableCell align="right">Price</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {plan.purchases.map((p) => (
            <TableRow key={p.stockId}>
              <TableCell>merchant</TableCell>
              <TableCell>{profileOf(p.profileId).name}</TableCell>
              <TableCell align="right">{mm(p.lengthMm)}</TableCell>
              <TableCell align="right">{p.count}</TableCell>
              <TableCell align="right">{moneyText(p.priceMinor)}</TableCell>
              <TableCell align="right">{moneyText(p.priceMinor * p.count)}</TableCell>
            </TableRow>
          ))}
          {plan.used.map((u) => (
            <TableRow key={u.remnantId}>
              <TableCell>
                {u.place || 'rack'}, {u.grade}
              </TableCell>
              <TableCell>{profileOf(u.profileId).name}</TableCell>
              <TableCell align="right">{mm(u.lengthMm)}</TableCell>
              <TableCell align="right">{u.count}</TableCell>
              <TableCell />
              <TableCell />
            </TableRow>
          ))}
          {offcuts.map((o) => (
            <TableRow key={o.profileId + o.length + o.grade}>
              <TableCell>back to the rack</TableCell>
              <TableCell>{profileOf(o.profileId).name}</TableCell>
              <TableCell align="right">
                {o.length} {defaultUnit('length', units.system)}
              </TableCell>
              <TableCell align="right">{o.count}</TableCell>
              <TableCell />
              <TableCell />
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </section>
  )
}

function OneLengthTable({ lengths, maxShorterMm }: { lengths: LengthComparison[]; maxShorterMm: number }) {
  const mm = useMm()
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        If only one length were bought
      </Typography>
      <Table size="small" aria-label="Standard lengths compared">
        <TableHead>
          <TableRow>
            <TableCell>Profile</TableCell>
            <TableCell align="right">Length</TableCell>
            <TableCell align="right">Bars</TableCell>
            <TableCell align="right">Price</TableCell>
            <TableCell align="right">Not in a part</TableCell>
            {lengths[0]?.shortened.map((o) => (
              <TableCell key={o.option} align="right">
                {mm(maxShorterMm)} shorter by {o.label}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {lengths.map((l) => (
            <TableRow key={l.profileId + l.lengthMm}>
              <TableCell>{profileOf(l.profileId).name}</TableCell>
              <TableCell align="right">{mm(l.lengthMm)}</TableCell>
              <TableCell align="right">{l.unplaced ? `${l.unplaced} do not fit` : l.bars}</TableCell>
              <TableCell align="right">{l.unplaced ? '—' : moneyText(l.costMinor)}</TableCell>
              <TableCell align="right">{mm(l.wasteMm)}</TableCell>
              {l.shortened.map((o) => (
                <TableCell key={o.option} align="right">
                  {o.bars === null ? 'do not fit' : `${o.bars}, ${moneyText(o.costMinor)}`}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </section>
  )
}
