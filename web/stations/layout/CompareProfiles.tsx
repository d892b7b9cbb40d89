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
import { useEffect, useState } from 'react'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { percentText } from '../../../core/quantity/percent'
import type { ProfileComparison } from '../../../core/swap/compareProfiles'
import { openBench, Stopped, useRules } from '../../job/useEvaluation'
import { stateMarks, stateWords } from '../../limits/states'
import { editPiece, type PieceInHand } from '../../pieces/inHand'
import { useUnits } from '../../quantity/units'

/** The same piece in every profile and metal: mass, money and how hard the bars work. */
export function CompareProfiles({ job, inHand }: { job: Job; inHand: PieceInHand }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button variant="outlined" fullWidth sx={{ mb: 2.5 }} onClick={() => setOpen(true)}>
        Compare profiles and metals
      </Button>
      {open && <Comparison job={job} inHand={inHand} onClose={() => setOpen(false)} />}
    </>
  )
}

function Comparison({ job, inHand, onClose }: { job: Job; inHand: PieceInHand; onClose: () => void }) {
  const pieceId = inHand.piece.id
  const now = inHand.design.profile?.id
  const units = useUnits()
  const rules = useRules()
  const [rows, setRows] = useState<ProfileComparison[] | null>(null)
  const [fault, setFault] = useState('')
  useEffect(() => {
    const bench = openBench()
    bench
      .run((api) => api.compareProfiles(job, pieceId, rules))
      .then(setRows)
      .catch((error: Error) => {
        if (!(error instanceof Stopped)) setFault(error.message)
      })
    return bench.stop
  }, [job, pieceId, rules])
  const share = (r: number | null) => (r === null ? '—' : percentText(r))
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-labelledby="compare-title">
      <DialogTitle id="compare-title">Profiles and metals</DialogTitle>
      <DialogContent>
        {!rows ? (
          <Typography role="status">{fault || 'Working through the catalogue…'}</Typography>
        ) : (
          <Table size="small" stickyHeader>
            <TableHead>
              <TableRow>
                <TableCell>Profile</TableCell>
                <TableCell align="right">Piece</TableCell>
                <TableCell align="right">Bar metal</TableCell>
                <TableCell align="right">Bending</TableCell>
                <TableCell align="right">Sag</TableCell>
                <TableCell>State</TableCell>
                <TableCell>Brings with it</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {[...rows]
                .sort((a, b) => Number(b.sameShape) - Number(a.sameShape) || a.rackMassKg - b.rackMassKg)
                .map((r) => (
                  <TableRow key={r.profileId} selected={r.profileId === now}>
                    <TableCell>{r.name}</TableCell>
                    <TableCell align="right">{figureText(r.rackMassKg, 'kg', units)}</TableCell>
                    <TableCell align="right">{moneyText(r.metalMinor)}</TableCell>
                    <TableCell align="right">{share(r.bending)}</TableCell>
                    <TableCell align="right">{share(r.sag)}</TableCell>
                    <TableCell sx={{ whiteSpace: 'nowrap' }}>
                      {stateMarks[r.state]} {stateWords[r.state]}
                    </TableCell>
                    <TableCell sx={{ fontSize: 13 }}>{r.notes}</TableCell>
                    <TableCell>
                      {r.profileId === now ? (
                        'now'
                      ) : (
                        <Button
                          aria-label={`Use ${r.name}`}
                          onClick={() => inHand.design.profile && editPiece(pieceId, inHand.design.profile.set(r.profileId))}
                        >
                          Use
                        </Button>
                      )}
                    </TableCell>
                  </TableRow>
                ))}
            </TableBody>
          </Table>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}
