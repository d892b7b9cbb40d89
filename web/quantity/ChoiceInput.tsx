import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'

/** One of a few, as a drop-down list. An empty choice means nobody has chosen. */
export function ChoiceInput<T extends string>({
  label,
  value,
  options,
  onChange,
  help,
  empty,
  hideLabel,
}: {
  label: string
  value: T | null
  options: readonly { value: T; label: string }[]
  onChange: (value: T) => void
  help?: string
  empty?: string
  hideLabel?: boolean
}) {
  return (
    <TextField
      select
      label={hideLabel ? undefined : label}
      value={value ?? ''}
      helperText={help}
      onChange={(e) => onChange(e.target.value as T)}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true, inputProps: hideLabel ? { 'aria-label': label } : {} } }}
    >
      {empty !== undefined && (
        <MenuItem value="" disabled>
          {empty}
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
