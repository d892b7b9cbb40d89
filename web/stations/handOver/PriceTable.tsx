import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { Quote } from '../../../core/cost/quote'
import { moneyText } from '../../../core/quantity/money'
import { FigureValue } from '../../figure/Working'

/** A quote line by line; every figure opens its working. */
type Props = { quote: Quote; marginPercent: number; taxPercent: number; currency: string }
export function PriceTable({ quote: q, marginPercent, taxPercent, currency }: Props) {
  return (
    <Table size="small" aria-label="Price" sx={{ maxWidth: 640 }}>
      <TableBody>
        {q.lines.map((l) => (
          <TableRow key={l.name}>
            <TableCell>{l.name}</TableCell>
            <TableCell sx={{ color: 'text.secondary' }}>{l.detail}</TableCell>
            <TableCell align="right">
              <FigureValue figure={l.figure} />
            </TableCell>
          </TableRow>
        ))}
        <TableRow>
          <TableCell sx={{ fontWeight: 600 }}>Cost</TableCell>
          <TableCell />
          <TableCell align="right">
            <FigureValue figure={q.cost} />
          </TableCell>
        </TableRow>
        <TableRow>
          <TableCell sx={{ fontWeight: 600, fontSize: 17 }}>Price{currency ? `, ${currency}` : ''}</TableCell>
          <TableCell sx={{ color: 'text.secondary' }}>with {marginPercent} % margin</TableCell>
          <TableCell align="right" sx={{ fontSize: 17 }}>
            <FigureValue figure={q.price} />
          </TableCell>
        </TableRow>
        {q.withTax && (
          <TableRow>
            <TableCell sx={{ fontWeight: 600 }}>With tax</TableCell>
            <TableCell sx={{ color: 'text.secondary' }}>{taxPercent} %</TableCell>
            <TableCell align="right">
              <FigureValue figure={q.withTax} />
            </TableCell>
          </TableRow>
        )}
      </TableBody>
    </Table>
  )
}

/** The price beside the budget and a ready-made one; or what it lacks. */
export function Against({ quote: q, readyMadeNote }: { quote: Quote; readyMadeNote: string }) {
  return (
    <Box sx={{ mt: 1.5, mb: 3 }}>
      {q.price.value === null && <Typography color="error">The price is not known yet. Missing: {q.cost.missing.join(', ')}</Typography>}
      <Beside label="the budget" minor={q.againstBudgetMinor} />
      <Beside label={`a ready-made one${readyMadeNote ? ` (${readyMadeNote})` : ''}`} minor={q.againstReadyMadeMinor} />
    </Box>
  )
}

function Beside({ label, minor }: { label: string; minor: number | null }) {
  if (minor === null) return null
  return (
    <Typography variant="body2">
      {minor > 0 ? `${moneyText(minor)} more than ${label}` : `${moneyText(-minor)} less than ${label}`}
    </Typography>
  )
}
