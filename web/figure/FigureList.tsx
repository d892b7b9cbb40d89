import Box from '@mui/material/Box'
import type { Figure } from '../../core/figure/figure'
import { FigureValue } from './Working'

/** Names and figures one below the other, each opening its working; what does not apply is left out. */
export function FigureList({ rows }: { rows: [label: string, figure: Figure | null][] }) {
  return (
    <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto', gap: 0.5, fontSize: 14 }}>
      {rows.map(
        ([label, figure]) =>
          figure && (
            <Box key={label} sx={{ display: 'contents' }}>
              <dt>{label}</dt>
              <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
                <FigureValue figure={figure} />
              </Box>
            </Box>
          ),
      )}
    </Box>
  )
}
