import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { orderSum, type PooledLine } from '../../core/purchase/pooled'
import type { Supplier } from '../../core/purchase/suppliers'
import { dateOf } from '../../core/schedule/shopCalendar'
import { FigureValue } from '../figure/Working'
import { TextInput } from '../quantity/TextInput'
import { BuyLines } from './BuyLines'

const USUAL_DAYS = 3
type Props = {
  supplier: Supplier | null
  lines: PooledLine[]
  today: string
  busy: boolean
  onOrder: (lines: PooledLine[], due: string) => void
}

/** One supplier's order: its lines, what they come to, and the day they are to be here, which moves the days of every job they are for. */
export function SupplierOrder({ supplier, lines, today, busy, onOrder }: Props) {
  const [due, setDue] = useState(() => dateOf(today, supplier?.leadDays ?? USUAL_DAYS))
  const name = supplier?.name || 'Nobody is entered who sells these'
  return (
    <Box component="section" aria-label={name}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 0.75 }}>
        <Typography variant="h2">{name}</Typography>
        <Typography variant="body2" component="div" sx={{ color: 'text.secondary' }}>
          {supplier ? `${supplier.leadDays} days, ` : ''}
          <FigureValue figure={orderSum(lines)} />
          {lines.some((l) => l.kind === 'sections') ? ' without the bars' : ''}
        </Typography>
        <Box sx={{ width: 165 }}>
          <TextInput label="Comes on" type="date" value={due} onChange={(v) => v && setDue(v)} />
        </Box>
        <Button variant="contained" disabled={busy} onClick={() => onOrder(lines, due)} aria-label={`${name}: all of this is ordered`}>
          {busy ? 'Placing the order…' : 'All of this is ordered'}
        </Button>
      </Box>
      <BuyLines lines={lines} act="Is ordered" busy={busy} onAct={(l) => onOrder([l], due)} />
    </Box>
  )
}
