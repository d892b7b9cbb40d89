import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { longLabel } from './longLabel'

/** One of a few, as a drop-down list. An empty choice means nobody has chosen; where `onEmpty` is given it can be chosen again. */
export function ChoiceInput<T extends string>({
  label,
  value,
  options,
  onChange,
  onEmpty,
  help,
  empty,
  hideLabel,
}: {
  label: string
  value: T | null
  options: readonly { value: T; label: string }[]
  onChange: (value: T) => void
  onEmpty?: () => void
  help?: string
  empty?: string
  hideLabel?: boolean
}) {
  return (
    <TextField
      select
      label={hideLabel ? undefined : label}
      sx={longLabel(label, hideLabel)}
      value={value ?? ''}
      helperText={help}
      onChange={(e) => (e.target.value === '' ? onEmpty?.() : onChange(e.target.value as T))}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true, inputProps: hideLabel ? { 'aria-label': label } : {} } }}
    >
      {empty !== undefined && (
        <MenuItem value="" disabled={!onEmpty}>
          {empty}
        </MenuItem>
      )}
      {value && !options.some((o) => o.value === value) && (
        <MenuItem value={value} disabled>
          not in the list
        </MenuItem>
      )}
      {options.map((o) => (
        <MenuItem key={o.value} value={o.value}>
          {o.label}
        </MenuItem>
      ))}
    </TextField>
  )
}
