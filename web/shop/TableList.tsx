import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { materials } from '../../core/catalogue/materials'
import { type Table, type TableCut, TableCutSchema, TableSchema } from '../../core/workshop/workshop'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { TextInput } from '../quantity/TextInput'
import { fresh, Kind, Row, row, type WorkshopPart, without } from './listParts'
import { type RowField, RowFigures } from './RowFigures'

const FIELDS: RowField<Table>[] = [
  { at: 'lengthMm', label: 'Takes, long', min: 100, max: 20_000 },
  { at: 'widthMm', label: 'Takes, wide', min: 100, max: 20_000 },
  { at: 'leadMm', label: 'Lead-in', exact: true, min: 0.5, max: 100 },
  { at: 'spreadMm', label: 'Next cut keeps off', min: 0, max: 2000 },
  { at: 'rapidMmMin', label: 'Between cuts', dimension: 'feed', min: 100, max: 200_000 },
]
const CUTS: RowField<TableCut>[] = [
  { at: 'thicknessMm', label: 'Thickness', exact: true, min: 0.3, max: 60 },
  { at: 'kerfMm', label: 'Kerf', exact: true, min: 0.05, max: 10 },
  { at: 'feedMmMin', label: 'Feed', dimension: 'feed', min: 10, max: 100_000 },
  { at: 'pierceS', label: 'Pierce, s', dimension: 'number', min: 0, max: 60 },
]
const sides = [
  { value: 'right', label: 'right of its travel' },
  { value: 'left', label: 'left of its travel' },
] as const
const metals = materials.map((m) => ({ value: m.id, label: m.name }))

/** The cutting table, and the settings that cut clean on it: what is not listed was not tried, and has no run. */
export function TableList({ workshop: w, put }: WorkshopPart) {
  const { table } = w
  const set = (patch: Partial<Table>) => table && put({ table: { ...table, ...patch } })
  if (!table)
    return (
      <Kind title="Cutting table" add="Add a table" onAdd={() => put({ table: TableSchema.parse({}) })}>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          None: flat parts are cut by hand or sent out.
        </Typography>
      </Kind>
    )
  const cut = (id: string, patch: Partial<TableCut>) => set({ cuts: row(table.cuts, id, patch) })
  const another = () => {
    const last = table.cuts.at(-1)
    const id = fresh(table.cuts, 'cut')
    set({
      cuts: [
        ...table.cuts,
        last ? { ...last, id, on: null } : TableCutSchema.parse({ id, materialId: 'steel', thicknessMm: 2, kerfMm: 1.5, feedMmMin: 3000 }),
      ],
    })
  }
  return (
    <Kind title="Cutting table" add="Add what cut clean" onAdd={another}>
      <Row name="the cutting table" onRemove={() => put({ table: null })}>
        <RowFigures of={table} fields={FIELDS} set={set} />
        <ChoiceInput label="Cuts square" value={table.square} options={sides} onChange={(square) => set({ square })} />
      </Row>
      <Box sx={{ pl: { sm: 3 } }}>
        {table.cuts.map((c) => (
          <Row key={c.id} name={`setting ${c.id}`} onRemove={() => set({ cuts: without(table.cuts, c.id) })}>
            <ChoiceInput label="Metal" value={c.materialId} options={metals} onChange={(materialId) => cut(c.id, { materialId })} />
            <RowFigures of={c} fields={CUTS} set={(patch) => cut(c.id, patch)} />
            <TextInput label="Cut clean on" type="date" value={c.on ?? ''} onChange={(on) => cut(c.id, { on: on || null })} />
          </Row>
        ))}
      </Box>
    </Kind>
  )
}
