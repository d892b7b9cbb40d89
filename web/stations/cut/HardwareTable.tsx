import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { Assembly } from '../../../core/assembly/assembly'
import { hardwareOrder } from '../../../core/cutList/hardwareOrder'
import { withLengths } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

/** Bolts, nuts and small parts to have ready, with spares. */
export function HardwareTable({ assembly }: { assembly: Assembly }) {
  const rules = useRules()
  const units = useUnits()
  const lines = hardwareOrder(assembly, rules)
  if (!lines.length) return null
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Hardware
      </Typography>
      <Table size="small" aria-label="Hardware">
        <TableHead>
          <TableRow>
            <TableCell>No.</TableCell>
            <TableCell>Part</TableCell>
            <TableCell>For</TableCell>
            <TableCell align="right">Needed</TableCell>
            <TableCell align="right">Spare</TableCell>
            <TableCell align="right">Each</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map((h) => (
            <TableRow key={h.name + h.for}>
              <TableCell>{h.mark}</TableCell>
              <TableCell sx={{ fontWeight: 600 }}>{withLengths(h.name, units)}</TableCell>
              <TableCell>{withLengths(h.for, units)}</TableCell>
              <TableCell align="right">{h.quantity}</TableCell>
              <TableCell align="right">{h.spares || ''}</TableCell>
              <TableCell align="right">{h.eachMinor === null ? 'no price' : moneyText(h.eachMinor)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </section>
  )
}
