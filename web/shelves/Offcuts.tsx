import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import { profiles } from '../../core/catalogue/profiles'
import { freshId, type Remnant, rowsOf, type Stock } from '../../core/stock/stock'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { RackTable } from './RackTable'
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
    <RackTable
      title="Offcuts on the rack"
      name="Offcuts"
      add="Add a piece"
      onAdd={() => change(added)}
      empty={
        stock.remnants.length ? null : 'The rack is empty. Offcuts come here when a cut plan is accepted; or add what stands in the corner.'
      }
      leastPx={860}
      columns={[['Profile', 340], ['Length', 130], ['Pieces', 90], ['Condition', 150], ['Place']]}
    >
      {stock.remnants
        .filter((r) => fits(r.profileId))
        .map((r) => (
          <Offcut key={r.id} r={r} set={(patch) => set(r.id, patch)} remove={() => remove(r.id)} />
        ))}
    </RackTable>
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
