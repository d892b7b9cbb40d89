import InputAdornment from '@mui/material/InputAdornment'
import TextField from '@mui/material/TextField'
import { type KeyboardEvent, memo, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { editText, formatQuantity } from '../../core/quantity/formatQuantity'
import { parseQuantity } from '../../core/quantity/parseQuantity'
import { type Dimension, defaultUnit, MM_PER_INCH } from '../../core/quantity/units'
import { longLabel } from './longLabel'
import { useUnits } from './units'

type Props = {
  label: string
  value: number | null
  /** `typed` is the text as it was entered, with its unit; empty for a step */
  onChange: (value: number | null, typed: string) => void
  dimension?: Dimension
  min?: number
  max?: number
  /** whether an empty field is allowed and means “unknown” */
  optional?: boolean
  help?: string
  placeholder?: string
  disabled?: boolean
  autoFocus?: boolean
  hideLabel?: boolean
  /** small parts: the figure as it is, not rounded to the job's step */
  exact?: boolean
}

/**
 * The one field for every measure: reads what people type (`61 5/8`, `84 - 2*1 3/4`), shows the unit, steps with the arrow keys, keeps a
 * wrong text and says what could not be read. The stored value is never rounded by showing it.
 */
export const QuantityInput = memo(function QuantityInput({
  label,
  value,
  onChange,
  dimension = 'length',
  min,
  max,
  optional,
  help,
  placeholder,
  disabled,
  autoFocus,
  hideLabel,
  exact,
}: Props) {
  const units = useUnits()
  const [draft, setDraft] = useState<string | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  // taking hold of a field shows its exact figure and selects it, so that typing replaces it
  const selectNext = useRef(false)
  useLayoutEffect(() => {
    if (selectNext.current) input.current?.select()
    selectNext.current = false
  })
  const read = (text: string) => parseQuantity(text, dimension, units.system)
  const precise = (v: number | null) =>
    editText(v, dimension, units, (t) => {
      const r = read(t)
      return r.ok ? r.value : null
    })
  const shown = draft ?? (value === null ? '' : exact ? precise(value) : formatQuantity(value, dimension, units))

  // biome-ignore lint/correctness/useExhaustiveDependencies: a value that changes from elsewhere (undo, a drag) replaces what stands here
  useEffect(() => {
    setDraft(null)
    setFault(null)
  }, [value, units.system])

  const offer = (text: string): boolean => {
    if (text === precise(value)) {
      setFault(null)
      setDraft(null)
      return true
    }
    if (text.trim() === '') {
      if (optional) {
        setFault(null)
        setDraft(null)
        if (value !== null) onChange(null, '')
        return true
      }
      setFault('a figure is needed here')
      return false
    }
    const parsed = read(text)
    if (!parsed.ok) {
      setFault(parsed.message)
      return false
    }
    // a bound of a fine figure would be rounded to nothing as a length
    const show = (v: number) =>
      `${formatQuantity(v, exact && dimension === 'length' ? 'gauge' : dimension, units)} ${defaultUnit(dimension, units.system)}`.trim()
    if (min !== undefined && parsed.value < min - 1e-6) setFault(`use ${show(min)} or more`)
    else if (max !== undefined && parsed.value > max + 1e-6) setFault(`use ${show(max)} or less`)
    else {
      setFault(null)
      setDraft(null)
      if (parsed.value !== value) onChange(parsed.value, text.trim())
      return true
    }
    return false
  }
  const step = (sign: number, large: boolean) => {
    const base =
      dimension === 'length' ? (units.system === 'inch' ? MM_PER_INCH / (large ? 1 : units.fraction) : large ? 10 : 1) : large ? 10 : 1
    const from = draft === null ? value : read(draft).ok ? (read(draft) as { value: number }).value : value
    const next = Math.min(max ?? Number.POSITIVE_INFINITY, Math.max(min ?? Number.NEGATIVE_INFINITY, (from ?? 0) + sign * base))
    setDraft(null)
    onChange(next, '')
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') offer(shown)
    else if (event.key === 'Escape' && draft !== null) {
      event.stopPropagation()
      setDraft(null)
      setFault(null)
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault()
      step(event.key === 'ArrowUp' ? 1 : -1, event.shiftKey)
    }
  }
  return (
    <TextField
      label={hideLabel ? undefined : label}
      sx={longLabel(label, hideLabel)}
      value={shown}
      error={fault !== null}
      helperText={fault ?? help}
      disabled={disabled}
      autoFocus={autoFocus}
      placeholder={placeholder ?? (optional ? 'unknown' : undefined)}
      inputRef={input}
      onFocus={(e) => {
        selectNext.current = true
        if (draft === null) setDraft(precise(value))
        e.target.select()
      }}
      onChange={(e) => {
        setDraft(e.target.value)
        if (fault) setFault(null)
      }}
      onBlur={() => {
        if (draft === null) return
        offer(draft)
      }}
      onKeyDown={onKeyDown}
      slotProps={{
        inputLabel: { shrink: true },
        htmlInput: {
          'aria-label': label,
          autoComplete: 'off',
          inputMode: units.system === 'inch' && dimension === 'length' ? 'text' : 'decimal',
        },
        input: {
          endAdornment: (
            <InputAdornment position="end" disableTypography sx={{ fontSize: 12, color: 'text.secondary' }}>
              {defaultUnit(dimension, units.system)}
            </InputAdornment>
          ),
        },
      }}
    />
  )
})
