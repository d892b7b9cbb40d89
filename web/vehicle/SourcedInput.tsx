import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'
import { localDay } from '../../core/time/localDay'
import type { Range } from '../../core/vehicle/fieldRanges'
import { methods, type Sourced, unknownValue } from '../../core/vehicle/vehicle'
import { QuantityInput } from '../quantity/QuantityInput'

/** A figure of the vehicle with how it is known; emptied it is unknown. */
export function SourcedInput({
  label,
  dimension,
  range,
  value,
  onChange,
}: {
  label: string
  dimension: 'length' | 'mass'
  range: Range
  value: Sourced
  onChange: (value: Sourced) => void
}) {
  const known = methods.filter((m) => m !== 'unknown')
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) 104px', gap: 0.5, alignItems: 'start' }}>
      <QuantityInput
        label={label}
        dimension={dimension}
        optional
        min={range.min}
        max={range.max}
        value={value.value}
        onChange={(v) =>
          onChange(
            v === null
              ? unknownValue
              : {
                  ...value,
                  value: v,
                  method: value.method === 'unknown' ? (dimension === 'mass' ? 'maker' : 'tape') : value.method,
                  source: value.source,
                  date: localDay(),
                },
          )
        }
      />
      <Select
        value={value.value === null ? 'unknown' : value.method}
        disabled={value.value === null}
        inputProps={{ 'aria-label': `${label}: how it is known` }}
        onChange={(e) => onChange({ ...value, method: e.target.value as Sourced['method'], date: localDay() })}
        sx={{ fontSize: 13, '& .MuiSelect-select': { py: '8px', pl: 1 } }}
      >
        {value.value === null && <MenuItem value="unknown">unknown</MenuItem>}
        {known.map((m) => (
          <MenuItem key={m} value={m}>
            {m}
          </MenuItem>
        ))}
      </Select>
    </Box>
  )
}
