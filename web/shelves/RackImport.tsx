import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useState } from 'react'
import { profileOf } from '../../core/catalogue/profiles'
import { type LengthUnit, type RackDifference, rackDifference, readRemnantsCsv } from '../../core/exchange/rackCsv'
import { figureText, withLengths } from '../../core/quantity/figureText'
import type { Remnant, Stock } from '../../core/stock/stock'
import { FileButton } from '../quantity/FileButton'
import { useUnits } from '../quantity/units'

/** A rack from a file: what was understood and what would change is shown first, and only then does it count. */
export function RackImport({ stock, replace }: { stock: Stock | undefined; replace: (remnants: Remnant[]) => void }) {
  const [text, setText] = useState<string | null>(null)
  return (
    <>
      <FileButton named="Rack CSV" accept=".csv,text/csv" onFile={(f) => void f.text().then(setText)} disabled={!stock}>
        Replace rack from CSV
      </FileButton>
      {text !== null && stock && (
        <Preview
          text={text}
          stock={stock}
          close={() => setText(null)}
          replace={(remnants) => {
            replace(remnants)
            setText(null)
          }}
        />
      )}
    </>
  )
}

function Preview({ text, stock, close, replace }: { text: string; stock: Stock; close: () => void; replace: (r: Remnant[]) => void }) {
  const units = useUnits()
  const [unit, setUnit] = useState<LengthUnit | null>(null)
  const read = readRemnantsCsv(text, unit)
  // a file that does not fit in the unit chosen may fit in the other: the way back stays
  const readAs = read.ok ? read.value.unit : unit
  const changes = read.ok ? rackDifference(stock.remnants, read.value.remnants) : []
  return (
    <Dialog open onClose={close} aria-labelledby="rack-file" maxWidth="sm" fullWidth>
      <DialogTitle id="rack-file">Replace the rack from a file</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {!read.ok && (
          <Alert severity="error">
            The file was not taken, and the rack is as it was.
            {read.faults.slice(0, 8).map((f) => (
              <div key={f.where + f.expected}>
                {f.where}: {f.expected}
              </div>
            ))}
          </Alert>
        )}
        {read.ok && (
          <>
            <div>Understood: {read.value.understood.map((u) => withLengths(u, units)).join('; ')}.</div>
            {read.value.doubtful && <Alert severity="warning">{read.value.doubtful}</Alert>}
          </>
        )}
        {readAs && (
          <Box>
            <Button variant="outlined" onClick={() => setUnit(readAs === 'mm' ? 'in' : 'mm')}>
              Read them as {readAs === 'mm' ? 'inches' : 'millimetres'} instead
            </Button>
          </Box>
        )}
        {read.ok && <Changes changes={changes} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave the rack as it is</Button>
        <Button variant="contained" disabled={!read.ok || !changes.length} onClick={() => read.ok && replace(read.value.remnants)}>
          Replace the rack
        </Button>
      </DialogActions>
    </Dialog>
  )
}

const SHOWN = 30
function Changes({ changes }: { changes: RackDifference[] }) {
  const units = useUnits()
  const piece = (r: Remnant | null) =>
    r ? `${r.quantity} of ${figureText(r.lengthMm, 'mm', units)}, ${profileOf(r.profileId).name}${r.place ? `, ${r.place}` : ''}` : ''
  const count = (what: RackDifference['what']) => changes.filter((c) => c.what === what).length
  if (!changes.length) return <div>Nothing would change.</div>
  return (
    <div>
      <strong>
        {count('comes')} come, {count('changes')} change, {count('goes')} go.
      </strong>
      <Box component="ul" aria-label="What would change" sx={{ m: 0, pl: 2.5, maxHeight: 260, overflowY: 'auto', fontSize: 14 }}>
        {changes.slice(0, SHOWN).map((c) => (
          <li key={c.id}>
            {c.what}: {c.what === 'changes' ? `${piece(c.before)} → ${piece(c.after)}` : piece(c.before ?? c.after)}
          </li>
        ))}
      </Box>
      {changes.length > SHOWN && <div>and {changes.length - SHOWN} more</div>}
    </div>
  )
}
