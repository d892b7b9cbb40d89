import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Field } from '../../core/families/design'
import { pieceName } from '../../core/pieces/piece'
import { withLengths } from '../../core/quantity/figureText'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { MoneyInput } from '../quantity/MoneyInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { useUnits } from '../quantity/units'
import { Group } from '../stations/Group'
import { BoughtFoot } from '../stations/layout/BoughtFoot'
import { DrawingField } from './DrawingField'
import { editBy, type PieceInHand } from './inHand'
import { PatternField } from './PatternField'

/** A design's own fields, as its family lists them, under its headings. */
export function PieceForm({ inHand }: { inHand: PieceInHand }) {
  const fields = inHand.design.fields()
  const groups = [...new Set(fields.map((f) => f.group ?? ''))]
  return groups.map((group) => (
    <Group key={group} title={group || pieceName(inHand.piece)}>
      {group === '' && <BoughtFoot inHand={inHand} />}
      {fields
        .filter((f) => (f.group ?? '') === group)
        .map((f) => (
          <OneField key={f.key} f={f} pieceId={inHand.piece.id} />
        ))}
    </Group>
  ))
}

const dimensionOf = { length: 'length', angle: 'angle', mass: 'mass', force: 'force', speed: 'speed', count: 'number' } as const

function OneField({ f, pieceId }: { f: Field; pieceId: string }) {
  const units = useUnits()
  const [fault, setFault] = useState('')
  const set = (value: unknown) => {
    const read = f.set(value)
    setFault(read.ok ? '' : withLengths(read.faults.map((x) => x.expected).join('; '), units))
    return editBy(pieceId, read)
  }
  const refused = fault && (
    <Typography variant="caption" role="alert" color="error">
      {fault}
    </Typography>
  )
  switch (f.kind) {
    case 'switch':
      return <FormControlLabel control={<Switch checked={f.value === true} onChange={(_, on) => set(on)} />} label={f.label} />
    case 'text':
      return <TextInput label={f.label} value={String(f.value ?? '')} maxLength={f.most} onChange={set} />
    case 'drawing':
      return <DrawingField f={f} set={set} refused={refused} />
    case 'pattern':
      return <PatternField f={f} set={set} refused={refused} />
    case 'lengths':
      return <Lengths f={f} set={set} refused={refused} />
    case 'money':
      return (
        <Box>
          <MoneyInput
            label={f.label}
            optional={f.nullable}
            help={f.help}
            value={typeof f.value === 'number' ? f.value : null}
            onChange={(v) => (v !== null || f.nullable) && set(v)}
          />
          {refused}
        </Box>
      )
    case 'length':
    case 'angle':
    case 'mass':
    case 'force':
    case 'speed':
    case 'count':
      return (
        <Box>
          <QuantityInput
            label={f.label}
            dimension={f.kind === 'length' && f.gauge ? 'gauge' : dimensionOf[f.kind]}
            min={f.min}
            max={f.max}
            help={f.help}
            optional={f.nullable}
            value={typeof f.value === 'number' ? f.value : null}
            onChange={(v) => (v !== null || f.nullable) && set(f.kind === 'count' && v !== null ? Math.round(v) : v)}
          />
          {refused}
        </Box>
      )
    default:
      return <ChoiceInput label={f.label} value={String(f.value ?? '')} options={f.options} help={f.help} onChange={set} />
  }
}

/** A list of lengths, one line each: rings along a rail, bars of a bought rack. */
function Lengths({ f, set, refused }: { f: Extract<Field, { kind: 'lengths' }>; set: (value: unknown) => void; refused: React.ReactNode }) {
  const list = (Array.isArray(f.value) ? f.value : []).filter((v): v is number => typeof v === 'number')
  const next = list.length ? Math.min(f.max, (list[list.length - 1] ?? 0) + 200) : Math.max(f.min, Math.min(200, f.max))
  return (
    <Box role="group" aria-label={f.label} sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', gap: 1 }}>
        <Typography variant="body2">{f.label}</Typography>
        <Button onClick={() => set([...list, next])} disabled={list.length >= f.most}>
          Add
        </Button>
      </Box>
      {list.map((v, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '1fr 32px', gap: 0.5 }}>
          <QuantityInput
            label={`${f.each} ${i + 1}`}
            min={f.min}
            max={f.max}
            value={v}
            onChange={(to) => to !== null && set(list.map((o, k) => (k === i ? to : o)))}
          />
          <RemoveButton of={`${f.each.toLowerCase()} ${i + 1}`} onClick={() => set(list.filter((_, k) => k !== i))} />
        </Box>
      ))}
      {f.help && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {f.help}
        </Typography>
      )}
      {refused}
    </Box>
  )
}
