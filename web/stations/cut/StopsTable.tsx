import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import type { CutPart } from '../../../core/cutList/cutList'
import { stops } from '../../../core/cutList/stops'
import { figureText } from '../../../core/quantity/figureText'
import { useShelf } from '../../api/queries'
import { useUnits } from '../../quantity/units'

/** At the saw: each setting of the stop once, longest first, with what it cuts and how many the saw takes at once. */
export function StopsTable({ parts }: { parts: CutPart[] }) {
  const units = useUnits()
  const shop = useShelf('shop')
  const saws = shop.data?.document.workshop.saws ?? []
  const list = stops(parts, saws)
  if (!list.length) return null
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        At the saw
      </Typography>
      <Table size="small" aria-label="Stop settings">
        <TableHead>
          <TableRow>
            <TableCell align="right">Stop</TableCell>
            <TableCell>Marks</TableCell>
            <TableCell>Profile</TableCell>
            <TableCell>Ends</TableCell>
            <TableCell align="right">At once</TableCell>
            <TableCell align="right">Cuts</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {list.map((s) => (
            <TableRow key={s.marks.join()}>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {figureText(s.lengthMm, 'mm', units)}
              </TableCell>
              <TableCell>{s.marks.join(', ')}</TableCell>
              <TableCell>{s.profile}</TableCell>
              <TableCell>
                {s.ends}
                {s.beyondStop ? '; past the stop: measure and mark' : ''}
              </TableCell>
              <TableCell align="right">{s.atOnce}</TableCell>
              <TableCell align="right">{s.cuts}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {!saws.length && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          How many go at once is worked out from the saws listed at The shop.
        </Typography>
      )}
    </section>
  )
}
