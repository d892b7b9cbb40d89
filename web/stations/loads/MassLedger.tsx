import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { FigureList } from '../../figure/FigureList'
import { FigureValue, WhyButton, Working } from '../../figure/Working'
import { useResult } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

/** Every mass put on the vehicle, known, estimated or unknown, and what it does to the vehicle's balance. */
export function MassLedger({ job }: { job: Job }) {
  const evaluation = useResult((s) => s.evaluation)
  const units = useUnits()
  if (!evaluation) return null
  const mass = (least: number | null, most: number | null) =>
    most === null || least === null
      ? 'unknown'
      : Math.abs(most - least) < 0.05
        ? figureText(most, 'kg', units)
        : `${figureText(least, 'kg', units)} to ${figureText(most, 'kg', units)}`
  return (
    <>
      <Group title="Mass ledger">
        <Table size="small" aria-label="Mass ledger">
          <TableBody>
            {evaluation.ledger.map((r, i) => (
              <TableRow key={i}>
                <TableCell sx={{ px: 0 }}>
                  {r.name}
                  <Typography variant="caption" component="div" sx={{ color: 'text.secondary' }}>
                    {r.basis}
                    {r.counts === 'both' ? '' : `, ${r.counts}`}
                  </Typography>
                </TableCell>
                <TableCell align="right" sx={{ px: 0, color: r.most === null ? 'error.main' : undefined }}>
                  <WhyButton label={`mass of ${r.name}`} content={<Working figure={r.figure} />}>
                    {mass(r.least, r.most)}
                  </WhyButton>
                </TableCell>
              </TableRow>
            ))}
            {evaluation.moving.map((m) => (
              <TableRow key={m.id}>
                <TableCell sx={{ px: 0, fontWeight: 600 }}>{m.name.replace('Mass on', 'On')}</TableCell>
                <TableCell align="right" sx={{ px: 0 }}>
                  <FigureValue figure={m} />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Group>
      <Group title="Height and balance">
        <FigureList
          rows={[
            ['Overall height', evaluation.height],
            ['Stability before, T / 2h', evaluation.stability.before],
            ['Stability loaded', evaluation.stability.after],
          ]}
        />
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {job.vehicle.centreOfMassHeightMm.method === 'assumed'
            ? 'The height of the centre of mass is assumed: the two figures compare, neither is exact.'
            : ''}
        </Typography>
      </Group>
    </>
  )
}
