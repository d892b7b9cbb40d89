import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { lazy, Suspense } from 'react'
import type { Job } from '../../../core/job/job'
import { weightN } from '../../../core/quantity/units'
import { useView } from '../../drawing/DrawingPane'
import { useResult } from '../../job/useEvaluation'
import { figureText, useUnits } from '../../quantity/units'

const CaseChart = lazy(() => import('./CaseChart'))

/** What each foot takes: level, at worst, and when it is lifted; and the greatest by load case. */
export function FeetTable({ job }: { job: Job }) {
  const evaluation = useResult((s) => s.evaluation)
  const units = useUnits()
  const select = useView((s) => s.select)
  if (!evaluation?.feet.length) return <Typography sx={{ p: 2, color: 'text.secondary' }}>No feet yet: add crossbars at Layout.</Typography>
  const rating = job.vehicle.footDownKg.value
  const force = (n: number) => figureText(n, 'N', units)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: 'minmax(0,1.35fr) minmax(240px,1fr)' }, gap: 2, p: 1.5 }}>
      <Table size="small" aria-label="Feet">
        <TableHead>
          <TableRow>
            <TableCell>Foot</TableCell>
            <TableCell align="right">Level</TableCell>
            <TableCell>Most down</TableCell>
            <TableCell>Least down</TableCell>
            <TableCell align="right">Of rating</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {evaluation.feet.map((f) => (
            <TableRow key={f.mount.id} hover onMouseEnter={() => select(f.mount.id)} sx={{ '& td': { whiteSpace: 'nowrap' } }}>
              <TableCell sx={{ fontWeight: 600 }}>{f.mount.mark}</TableCell>
              <TableCell align="right">{force(f.levelN)}</TableCell>
              <TableCell>
                {force(f.mostDownN)}
                <In case={f.downCase} />
              </TableCell>
              <TableCell sx={{ color: f.leastDownN < 0 ? 'error.main' : undefined }}>
                {f.leastDownN < 0 ? `lifted ${force(-f.leastDownN)}` : force(f.leastDownN)}
                <In case={f.upCase} />
              </TableCell>
              <TableCell align="right">{rating === null ? 'unrated' : `${Math.round((100 * f.mostDownN) / weightN(rating))} %`}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Suspense fallback={<Typography variant="caption">Drawing the chart…</Typography>}>
        <CaseChart evaluation={evaluation} ratingN={rating === null ? null : weightN(rating)} />
      </Suspense>
    </Box>
  )
}

const In = ({ case: name }: { case: string }) => (
  <Typography variant="caption" component="span" sx={{ color: 'text.secondary', ml: 0.75 }}>
    {name}
  </Typography>
)
