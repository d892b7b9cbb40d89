import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'
import TextField from '@mui/material/TextField'
import { type Grade, grades } from '../../core/stock/stock'
import { QuantityInput } from '../quantity/QuantityInput'
import { useDraft } from '../quantity/useDraft'

type Of<T> = { of: string; value: T; onChange: (v: T) => void }

/** How an offcut looks. */
export const GradeInput = ({ of, value, onChange }: Of<Grade>) => (
  <Select fullWidth value={value} inputProps={{ 'aria-label': `Condition of ${of}` }} onChange={(e) => onChange(e.target.value as Grade)}>
    {grades.map((g) => (
      <MenuItem key={g} value={g}>
        {g}
      </MenuItem>
    ))}
  </Select>
)

export const PiecesInput = ({ of, value, onChange, max }: Of<number> & { max: number }) => (
  <QuantityInput
    hideLabel
    label={`Pieces of ${of}`}
    dimension="number"
    min={0}
    max={max}
    value={value}
    onChange={(v) => v !== null && onChange(Math.round(v))}
  />
)

/** Where it stands, with what was noted of it below. */
export function PlaceInput({ of, value, note, onChange }: Of<string> & { note: string }) {
  const [draft, setDraft] = useDraft(value)
  return (
    <TextField
      value={draft}
      helperText={note || undefined}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => draft !== value && onChange(draft)}
      slotProps={{ htmlInput: { 'aria-label': `Place of ${of}`, maxLength: 80 } }}
    />
  )
}
