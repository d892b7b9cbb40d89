import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Taker } from '../../../core/fit/gaps'
import { figureText } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'

type Props = { as: string; gapMm: number; takers: Taker[]; worstMm: number | null; likelyMm: number | null; unit: 'mm' | 'gauge' }

/** The working of a gap: what may take from it, line by line, what is left at worst and likely, and by which rule they are put together. */
export function Takers({ as, gapMm, takers, worstMm, likelyMm, unit }: Props) {
  const units = useUnits()
  const text = (mm: number | null) => (mm === null ? 'missing' : figureText(mm, unit, units))
  const rows: [string, string][] = [
    [as, text(gapMm)],
    ...takers.map((t): [string, string] => [t.name, t.mm === null ? 'missing' : `${t.error ? '±' : '−'} ${text(t.mm)}`]),
    ['Left at worst', text(worstMm)],
    ['Left likely', text(likelyMm)],
  ]
  return (
    <Box sx={{ pb: 1 }}>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto', columnGap: 1.5, fontSize: 13 }}>
        {rows.map(([name, value], i) => (
          <Box key={`${i} ${name}`} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ color: 'text.secondary' }}>
              {name}
            </Box>
            <Box
              component="dd"
              sx={{ m: 0, fontFamily: FIGURES, textAlign: 'right', color: value === 'missing' ? 'error.main' : undefined }}
            >
              {value}
            </Box>
          </Box>
        ))}
      </Box>
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary', mt: 0.5 }}>
        Worst: all errors together, Σ|t|; likely: √Σt² (JCGM 100:2008, 5.1). What moves or gives comes off whole.
      </Typography>
    </Box>
  )
}
