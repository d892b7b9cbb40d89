import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { profiles } from '../../core/catalogue/profiles'
import { freshId, type Remnant, rowsOf, type Stock } from '../../core/stock/stock'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { GradeInput, PiecesInput, PlaceInput } from './rowInputs'
import { profileChoices } from './stockRows'

type Props = { stock: Stock; fits: (profileId: string) => boolean; change: (next: (s: Stock) => Stock) => void }

/** Not there until somebody counts it. */
const added = (s: Stock): Stock => ({
  ...s,
  remnants: [
    { id: freshId('piece-', rowsOf(s)), profileId: profiles[0].id, lengthMm: 1000, quantity: 0, grade: 'clean', place: '', note: '' },
    ...s.remnants,
  ],
})

/** What stands on the shop's own rack. */
export function Offcuts({ stock, fits, change }: Props) {
  const set = (id: string, patch: Partial<Remnant>) =>
    change((s) => ({ ...s, remnants: s.remnants.map((r) => (r.id === id ? { ...r, ...patch } : r)) }))
  const remove = (id: string) => change((s) => ({ ...s, remnants: s.remnants.filter((o) => o.id !== id) }))
  return (
    <section>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
        <Typography variant="h2">Offcuts on the rack</Typography>
        <Button onClick={() => change(added)}>Add a piece</Button>
      </Box>
      {stock.remnants.length === 0 ? (
        <Typography sx={{ color: 'text.secondary' }}>
          The rack is empty. Offcuts come here when a cut plan is accepted; or add what stands in the corner.
        </Typography>
      ) : (
        <Box sx={{ overflowX: 'auto' }}>
          <Table size="small" aria-label="Offcuts" sx={{ minWidth: 860, '& td': { verticalAlign: 'top' } }}>
            <TableHead>
              <TableRow>
                <TableCell sx={{ width: 340 }}>Profile</TableCell>
                <TableCell sx={{ width: 130 }}>Length</TableCell>
                <TableCell sx={{ width: 90 }}>Pieces</TableCell>
                <TableCell sx={{ width: 150 }}>Condition</TableCell>
                <TableCell>Place</TableCell>
                <TableCell sx={{ width: 40 }} />
              </TableRow>
            </TableHead>
            <TableBody>
              {stock.remnants
                .filter((r) => fits(r.profileId))
                .map((r) => (
                  <Offcut key={r.id} r={r} set={(patch) => set(r.id, patch)} remove={() => remove(r.id)} />
                ))}
            </TableBody>
          </Table>
        </Box>
      )}
    </section>
  )
}

function Offcut({ r, set, remove }: { r: Remnant; set: (patch: Partial<Remnant>) => void; remove: () => void }) {
  return (
    <TableRow>
      <TableCell>
        <ChoiceInput
          hideLabel
          label={`Profile of ${r.id}`}
          value={r.profileId}
          options={profileChoices}
          onChange={(profileId) => set({ profileId })}
        />
      </TableCell>
      <TableCell>
        <QuantityInput
          hideLabel
          label={`Length of ${r.id}`}
          min={1}
          max={20_000}
          value={r.lengthMm}
          onChange={(v) => v !== null && set({ lengthMm: v })}
        />
      </TableCell>
      <TableCell>
        <PiecesInput of={r.id} max={10_000} value={r.quantity} onChange={(quantity) => set({ quantity })} />
      </TableCell>
      <TableCell>
        <GradeInput of={r.id} value={r.grade} onChange={(grade) => set({ grade })} />
      </TableCell>
      <TableCell>
        <PlaceInput of={r.id} value={r.place} note={r.note} onChange={(place) => set({ place })} />
      </TableCell>
      <TableCell>
        <RemoveButton of={r.id} onClick={remove} />
      </TableCell>
    </TableRow>
  )
}
