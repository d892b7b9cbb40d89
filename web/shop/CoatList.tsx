import Box from '@mui/material/Box'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { type CoatProduct, CoatProductSchema, coatMetals } from '../../core/coat/products'
import { MoneyInput } from '../quantity/MoneyInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { TextInput } from '../quantity/TextInput'
import { fresh, Kind, Row, row, type WorkshopPart, without } from './listParts'
import { type RowField, RowFigures } from './RowFigures'

const FIELDS: RowField<CoatProduct>[] = [
  { at: 'recoatHours', label: 'Next coat after, h', dimension: 'number', min: 0, max: 1000 },
  { at: 'cureHours', label: 'Carries after, h', dimension: 'number', min: 0, max: 1000 },
  { at: 'sheetC', label: 'Hours are at, °C', dimension: 'number', min: -20, max: 60 },
  { at: 'leastC', label: 'Cures from, °C', dimension: 'number', min: -20, max: 60 },
]

/** Words want twice the room of a figure. */
const WIDE = { gridColumn: 'span 2' }

/** Coats that the shop puts on itself, as their makers' sheets have them: the days of every painted job hang on these. */
export function CoatList({ workshop: w, put }: WorkshopPart) {
  const set = (id: string, patch: Partial<CoatProduct>) => put({ coats: row(w.coats, id, patch) })
  return (
    <Kind
      title="Coats"
      add="Add a coat"
      onAdd={() => put({ coats: [...w.coats, CoatProductSchema.parse({ id: fresh(w.coats, 'coat'), name: 'Primer and topcoat' })] })}
    >
      <Box sx={{ maxWidth: 300, mb: 1 }}>
        <QuantityInput
          label="Temperature where they dry, °C"
          dimension="number"
          min={-20}
          max={60}
          optional
          value={w.roomC}
          onChange={(roomC) => put({ roomC })}
          help="empty = as their sheets say"
        />
      </Box>
      {w.coats.map((c) => (
        <Row key={c.id} name={c.name} onRemove={() => put({ coats: without(w.coats, c.id) })}>
          <Box sx={WIDE}>
            <TextInput label="Name" value={c.name} maxLength={80} onChange={(name) => set(c.id, { name })} />
          </Box>
          {coatMetals.map((metal) => (
            <FormControlLabel
              key={metal}
              label={`On ${metal}`}
              control={
                <Switch
                  checked={c.metals.includes(metal)}
                  onChange={(_, on) => set(c.id, { metals: coatMetals.filter((m) => (m === metal ? on : c.metals.includes(m))) })}
                />
              }
            />
          ))}
          <RowFigures of={c} fields={FIELDS} set={(patch) => set(c.id, patch)} />
          <QuantityInput
            label="Covers, m² a litre"
            dimension="number"
            min={0.1}
            max={100}
            optional
            value={c.m2PerL}
            onChange={(m2PerL) => set(c.id, { m2PerL })}
          />
          <MoneyInput label="A litre costs" optional value={c.perLMinor} onChange={(perLMinor) => set(c.id, { perLMinor })} />
          <Box sx={WIDE}>
            <TextInput label="Over what" value={c.beneath} maxLength={120} onChange={(beneath) => set(c.id, { beneath })} />
          </Box>
        </Row>
      ))}
    </Kind>
  )
}
