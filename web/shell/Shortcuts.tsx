import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { shortcuts } from './keys'

export default function Shortcuts({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {shortcuts.map((s) => (
              <TableRow key={s.keys + s.where}>
                <TableCell sx={{ whiteSpace: 'nowrap', fontWeight: 600 }}>{s.keys}</TableCell>
                <TableCell>{s.does}</TableCell>
                <TableCell sx={{ color: 'text.secondary' }}>{s.where}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <Typography variant="body2" sx={{ mt: 2 }}>
          A field reads what you would write on a sketch: <b>61 5/8</b>, <b>5' 1-5/8"</b>, <b>1.57 m</b>, <b>84 - 2*1 3/4</b>. A number
          without a unit takes the job's unit. Press any dotted number to see its working.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}
