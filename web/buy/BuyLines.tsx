import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { amountText } from '../../core/purchase/amount'
import type { PooledLine } from '../../core/purchase/pooled'
import { withLengths } from '../../core/quantity/figureText'
import { moneyText } from '../../core/quantity/money'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'

/** How much of what, for which jobs, at what price; one press for one line where something can be done with it. */
export function BuyLines<L extends PooledLine>(props: { lines: L[]; act?: string; busy?: boolean; onAct?: (line: L) => void }) {
  const { lines, act, busy, onAct } = props
  const units = useUnits()
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {lines.map((l) => {
        const name = withLengths(l.name, units)
        return (
          <Box
            component="li"
            key={l.key}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '78px minmax(0, 1fr) auto', sm: '90px minmax(0, 1fr) 100px 110px' },
              gap: 1.5,
              alignItems: 'center',
              borderTop: 1,
              borderColor: 'divider',
              py: 0.6,
            }}
          >
            <Box sx={{ fontFamily: FIGURES, fontWeight: 600, textAlign: 'right', fontSize: 16 }}>
              {amountText(l.quantity, l.unit, units)}
              {l.unit === 'piece' ? ' ×' : ''}
            </Box>
            <Box>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                {name}
              </Typography>
              <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block' }}>
                {l.for.map((f) => `${f.title} ${amountText(f.quantity, l.unit, units)}`).join(' · ')}
                {l.spares ? ` · ${l.spares} spare` : ''}
              </Typography>
            </Box>
            <Box sx={{ fontFamily: FIGURES, textAlign: 'right', display: { xs: 'none', sm: 'block' } }}>
              {l.minor === null ? (l.kind === 'sections' ? 'by the bar' : 'no price') : moneyText(l.minor)}
            </Box>
            {act && onAct ? (
              <Button disabled={busy} onClick={() => onAct(l)} aria-label={`${name}: ${act.toLowerCase()}`}>
                {act}
              </Button>
            ) : (
              <span />
            )}
          </Box>
        )
      })}
    </Box>
  )
}
