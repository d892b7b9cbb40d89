import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { differences } from '../../core/job/differences'
import { useJob } from './jobStore'
import { TwoDrawings } from './TwoDrawings'
import { settleConflict } from './useAutosave'

/** Somebody else saved this job meanwhile: both versions are here, and neither is lost whatever is chosen. */
export function ConflictDialog() {
  const { saveState, job, theirs, id } = useJob()
  const navigate = useNavigate()
  const [fault, setFault] = useState<string | null>(null)
  if (saveState !== 'conflict' || !job || !theirs || !id) return null
  const rows = differences(job, theirs.job, job.units)
  const settle = (choice: 'mine' | 'theirs' | 'copy') => {
    settleConflict(choice)
      .then((copy) => {
        if (copy) void navigate(`/jobs/${copy}/${job.station}`)
      })
      .catch((e: Error) => setFault(e.message))
  }
  return (
    <Dialog open maxWidth="md" aria-labelledby="two-versions">
      <DialogTitle id="two-versions">Two versions of this job</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>
          Somebody saved revision {theirs.revision} of this job after you opened it. Nothing is lost: choose which one goes on.
        </Typography>
        <TwoDrawings mine={job} theirs={theirs.job} />
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Where they differ</TableCell>
              <TableCell>Mine</TableCell>
              <TableCell>Theirs</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.slice(0, 12).map((r) => (
              <TableRow key={r.where}>
                <TableCell>{r.where}</TableCell>
                <TableCell>{r.mine}</TableCell>
                <TableCell>{r.theirs}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        {rows.length > 12 && <Typography variant="caption">and {rows.length - 12} more</Typography>}
        {fault && (
          <Typography color="error" role="alert">
            {fault}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => settle('theirs')}>Take theirs</Button>
        <Button onClick={() => settle('copy')}>Take theirs, keep mine as a new job</Button>
        <Button variant="contained" onClick={() => settle('mine')}>
          Keep mine
        </Button>
      </DialogActions>
    </Dialog>
  )
}
