import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import { materialOf, materials } from '../../core/catalogue/materials'
import { freshId, rowsOf, type SheetOffcut, type Stock } from '../../core/stock/stock'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { RackTable } from './RackTable'
import { GradeInput, PiecesInput, PlaceInput } from './rowInputs'

type Props = { stock: Stock; find: string; change: (next: (s: Stock) => Stock) => void }

/** Not there until somebody counts it. */
const added = (s: Stock): Stock => ({
  ...s,
  sheets: [
    {
      ...{ id: freshId('sheet-', rowsOf(s)), materialId: 'al5052h32', thicknessMm: 2, lengthMm: 1000, widthMm: 500, quantity: 0 },
      ...{ grade: 'clean', place: '', note: '' },
    },
    ...s.sheets,
  ],
})
const metals = materials.map((m) => ({ value: m.id, label: m.name }))

/** Sheets that were begun, each by the largest rectangle that is left of it. */
export function SheetOffcuts({ stock, find, change }: Props) {
  const set = (id: string, patch: Partial<SheetOffcut>) =>
    change((s) => ({ ...s, sheets: s.sheets.map((r) => (r.id === id ? { ...r, ...patch } : r)) }))
  const remove = (id: string) => change((s) => ({ ...s, sheets: s.sheets.filter((o) => o.id !== id) }))
  const shown = stock.sheets.filter((r) => materialOf(r.materialId).name.toLowerCase().includes(find.toLowerCase()))
  const none =
    'None. What is left of a sheet comes here from Cut, once it is cut; or add what leans at the wall, by the largest rectangle in it.'
  return (
    <RackTable
      title="Begun sheets"
      name="Begun sheets"
      add="Add a sheet"
      onAdd={() => change(added)}
      empty={stock.sheets.length ? null : none}
      leastPx={980}
      columns={[['Metal', 260], ['Thickness', 110], ['Length', 120], ['Width', 120], ['Pieces', 90], ['Condition', 150], ['Place']]}
    >
      {shown.map((r) => (
        <Row key={r.id} r={r} set={(patch) => set(r.id, patch)} remove={() => remove(r.id)} />
      ))}
    </RackTable>
  )
}

function Row({ r, set, remove }: { r: SheetOffcut; set: (patch: Partial<SheetOffcut>) => void; remove: () => void }) {
  const length = (key: 'lengthMm' | 'widthMm', label: string) => (
    <TableCell>
      <QuantityInput
        hideLabel
        label={`${label} of ${r.id}`}
        min={1}
        max={20_000}
        value={r[key]}
        onChange={(v) => v !== null && set({ [key]: v })}
      />
    </TableCell>
  )
  return (
    <TableRow>
      <TableCell>
        <ChoiceInput
          hideLabel
          label={`Metal of ${r.id}`}
          value={r.materialId}
          options={metals}
          onChange={(materialId) => set({ materialId })}
        />
      </TableCell>
      <TableCell>
        <QuantityInput
          hideLabel
          dimension="gauge"
          label={`Thickness of ${r.id}`}
          min={0.3}
          max={25}
          value={r.thicknessMm}
          onChange={(v) => v !== null && set({ thicknessMm: v })}
        />
      </TableCell>
      {length('lengthMm', 'Length')}
      {length('widthMm', 'Width')}
      <TableCell>
        <PiecesInput of={r.id} max={1000} value={r.quantity} onChange={(quantity) => set({ quantity })} />
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
