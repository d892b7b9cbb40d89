import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { type Welder, WelderSchema, weldProcesses } from '../../core/workshop/workshop'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { fresh, Kind, Row, row, type WorkshopPart, without } from './listParts'
import { type RowField, RowFigures } from './RowFigures'

const processes = weldProcesses.map((value) => ({ value, label: value }))
const FIELDS: RowField<Welder>[] = [
  { at: 'drawsA', label: 'Draws, A', dimension: 'number', min: 1, max: 500 },
  { at: 'breakerA', label: 'Breaker, A', dimension: 'number', min: 1, max: 500 },
  { at: 'supplyV', label: 'Supply, V', dimension: 'number', min: 12, max: 1000 },
  { at: 'leadMm', label: 'Lead, length', min: 0, max: 500_000 },
  { at: 'leadMm2', label: 'Lead, one conductor, mm²', dimension: 'number', min: 0.1, max: 500 },
]

export function WelderList({ workshop: w, put }: WorkshopPart) {
  const set = (id: string, patch: Partial<Welder>) => put({ welders: row(w.welders, id, patch) })
  return (
    <Kind
      title="Welders"
      add="Add a welder"
      onAdd={() => put({ welders: [...w.welders, WelderSchema.parse({ id: fresh(w.welders, 'welder'), process: 'MIG' })] })}
    >
      {w.welders.map((x) => (
        <Row key={x.id} name={x.process} onRemove={() => put({ welders: without(w.welders, x.id) })}>
          <ChoiceInput label="Process" value={x.process} options={processes} onChange={(process) => set(x.id, { process })} />
          <RowFigures of={x} fields={FIELDS} set={(patch) => set(x.id, patch)} />
          <FormControlLabel
            control={<Switch checked={x.aluminium} onChange={(_, aluminium) => set(x.id, { aluminium })} />}
            label="Set up for aluminium"
          />
        </Row>
      ))}
    </Kind>
  )
}
