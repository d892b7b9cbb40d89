import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { PooledLine } from '../../core/purchase/pooled'
import { BuyLines } from './BuyLines'

type Props = {
  way: { due: string; order?: string }
  lines: PooledLine[]
  late: boolean
  busy: boolean
  onCome: (lines: PooledLine[]) => void
}

/** One order on its way: taken in line by line, or all of it. */
export function OnTheWay({ way: { due, order }, lines, late, busy, onCome }: Props) {
  const [head, came] = order ? [`Order ${order}, to`, `Order ${order}, was to`] : ['To', 'Was to']
  return (
    <Box component="section" aria-label={`${head} come on ${due}`}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2" sx={{ color: late ? (t) => t.inks.signal : undefined }}>
          {late ? `${came} come on ${due}` : `${head} come on ${due}`}
        </Typography>
        <Button variant="outlined" disabled={busy} onClick={() => onCome(lines)}>
          All of it has come
        </Button>
      </Box>
      <BuyLines lines={lines} act="Has come" busy={busy} onAct={(l) => onCome([l])} />
    </Box>
  )
}
