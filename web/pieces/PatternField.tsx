import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { type ReactNode, useState } from 'react'
import type { Field } from '../../core/families/design'
import { PatternSchema } from '../../core/families/pattern'
import { counted } from '../../core/quantity/counted'
import { useShelf } from '../api/queries'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { HoleRows } from '../quantity/HoleRows'

type Props = { f: Extract<Field, { kind: 'pattern' }>; set: (value: unknown) => void; refused: ReactNode }

/** Holes of one side: taken whole from a part on the shelf, or typed one by one. */
export function PatternField({ f, set, refused }: Props) {
  const shelf = useShelf('parts')
  const [open, setOpen] = useState(false)
  const read = PatternSchema.safeParse(f.value)
  const drilled = (shelf.data?.document ?? []).filter((p) => p.holes.length > 0)
  if (!read.success) return refused
  const { name, holes } = read.data
  const from = drilled.find((p) => p.name === name && sameHoles(p.holes, holes))
  const take = (id: string) => {
    const part = drilled.find((p) => p.id === id)
    if (part) set({ name: part.name, holes: part.holes })
  }
  return (
    <Box role="group" aria-label={f.label} sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="body2">{f.label}</Typography>
      <ChoiceInput
        label="Taken from"
        value={from?.id ?? null}
        empty={name ? `${name}, changed` : 'typed here'}
        options={drilled.map((p) => ({ value: p.id, label: `${p.number} ${p.name}`.trim() }))}
        onChange={take}
      />
      <Button onClick={() => setOpen(!open)} aria-expanded={open} sx={{ justifySelf: 'start' }}>
        {counted(holes.length, 'hole')}
      </Button>
      {open && <HoleRows holes={holes} most={24} least={1} next={beside(holes)} onChange={(changed) => set({ name, holes: changed })} />}
      {f.help && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {f.help}
        </Typography>
      )}
      {refused}
    </Box>
  )
}

type Holes = { xMm: number; yMm: number; diameterMm: number }[]
const sameHoles = (a: Holes, b: Holes): boolean =>
  a.length === b.length && a.every((h, i) => h.xMm === b[i]!.xMm && h.yMm === b[i]!.yMm && h.diameterMm === b[i]!.diameterMm)
/** The next hole stands a usual pitch beside the last. mm */
function beside(holes: Holes): Holes[number] {
  const last = holes[holes.length - 1] ?? { xMm: -40, yMm: 0, diameterMm: 9 }
  return { ...last, xMm: last.xMm + 40 }
}
