import { type Saw, SawSchema } from '../../core/workshop/workshop'
import { TextInput } from '../quantity/TextInput'
import { fresh, Kind, Row, row, type WorkshopPart, without } from './listParts'
import { type RowField, RowFigures } from './RowFigures'

const FIELDS: RowField<Saw>[] = [
  { at: 'mostLeftDeg', label: 'Turns left', dimension: 'angle', min: 0, max: 89 },
  { at: 'mostRightDeg', label: 'Turns right', dimension: 'angle', min: 0, max: 89 },
  { at: 'throatMm', label: 'Throat', min: 10, max: 2000 },
  { at: 'viceMm', label: 'Vice opens', min: 10, max: 2000 },
  { at: 'stopMm', label: 'Stop reaches', min: 0, max: 20_000 },
  { at: 'outOfSquareMm', label: 'Off square over 100 mm', exact: true, min: 0, max: 20 },
]

export function SawList({ workshop: w, put }: WorkshopPart) {
  const set = (id: string, patch: Partial<Saw>) => put({ saws: row(w.saws, id, patch) })
  return (
    <Kind title="Saws" add="Add a saw" onAdd={() => put({ saws: [...w.saws, SawSchema.parse({ id: fresh(w.saws, 'saw'), name: 'Saw' })] })}>
      {w.saws.map((s) => (
        <Row key={s.id} name={s.name} onRemove={() => put({ saws: without(w.saws, s.id) })}>
          <TextInput label="Name" value={s.name} maxLength={80} onChange={(name) => set(s.id, { name })} />
          <RowFigures of={s} fields={FIELDS} set={(patch) => set(s.id, patch)} />
        </Row>
      ))}
    </Kind>
  )
}
