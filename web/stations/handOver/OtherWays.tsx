import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useQuery } from '@tanstack/react-query'
import { type WayRow, wayStands } from '../../../core/advice/otherWays'
import { designMark } from '../../../core/job/designMark'
import type { Job } from '../../../core/job/job'
import { call } from '../../api/client'
import { FigureValue } from '../../figure/Working'

/** The job as drawn beside the same in another metal: worked out on asking, for the design that was saved last. */
export function OtherWays({ job, id }: { job: Job; id: string }) {
  const ways = useQuery({
    queryKey: ['other-ways', id, designMark(job)],
    queryFn: () => call<{ rows: WayRow[] }>(`/jobs/${id}/other-ways`),
    enabled: false,
    staleTime: Number.POSITIVE_INFINITY,
  })
  return (
    <Box component="section" aria-label="Other ways to make it" sx={{ mb: 2.5, maxWidth: 640 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h2">Other ways to make it</Typography>
        <Button variant="outlined" disabled={ways.isFetching} onClick={() => void ways.refetch()}>
          {ways.isFetching ? 'Working them out…' : 'Steel against aluminium'}
        </Button>
      </Box>
      {ways.error && <Alert severity="error">{ways.error.message}</Alert>}
      {ways.data?.rows.length === 1 && (
        <Typography variant="body2">
          It is all of one metal that its sections are not sold in otherwise: there is no other way to compare.
        </Typography>
      )}
      {ways.data && ways.data.rows.length > 1 && (
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Made</TableCell>
              <TableCell align="right">Weighs</TableCell>
              <TableCell align="right">Price</TableCell>
              <TableCell>Limits</TableCell>
              <TableCell>Most used</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {ways.data.rows.map((w) => (
              <TableRow key={w.name}>
                <TableCell>{w.name}</TableCell>
                <TableCell align="right">
                  <FigureValue figure={w.mass} />
                </TableCell>
                <TableCell align="right">{w.price ? <FigureValue figure={w.price} /> : 'nothing made'}</TableCell>
                <TableCell>{wayStands(w)}</TableCell>
                <TableCell>{w.governs}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  )
}
