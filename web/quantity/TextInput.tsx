import TextField from '@mui/material/TextField'
import { useEffect, useRef } from 'react'
import { useDraft } from './useDraft'

type Props = {
  label: string
  value: string
  onChange: (value: string) => void
  multiline?: boolean
  maxLength?: number
  required?: string
  help?: string
  type?: 'text' | 'date'
}

/** A field of words: what was typed is taken over after a pause, or when the field is left, as one step for undo. */
export function TextInput({ label, value, onChange, multiline, maxLength = 200, required, help, type = 'text' }: Props) {
  const [draft, setDraft] = useDraft(value)
  const newest = useRef({ draft, value, onChange })
  newest.current = { draft, value, onChange }
  const empty = required !== undefined && draft.trim() === ''
  const keep = () => {
    const n = newest.current
    if (n.draft !== n.value && !(required !== undefined && n.draft.trim() === '')) n.onChange(n.draft)
  }
  // biome-ignore lint/correctness/useExhaustiveDependencies: the wait starts again with every letter
  useEffect(() => {
    const timer = setTimeout(keep, 700)
    return () => clearTimeout(timer)
  }, [draft])
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when the field goes away
  useEffect(() => () => keep(), [])
  return (
    <TextField
      label={label}
      value={draft}
      type={type}
      multiline={multiline}
      minRows={multiline ? 2 : undefined}
      error={empty}
      helperText={empty ? required : help}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={keep}
      slotProps={{ htmlInput: { maxLength }, inputLabel: type === 'date' ? { shrink: true } : {} }}
    />
  )
}
