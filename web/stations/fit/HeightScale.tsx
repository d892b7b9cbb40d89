import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import type { WindowEnds } from '../../../core/fit/heightBounds'
import { figureText } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'

const [WIDE, HIGH, EDGE] = [34, 78, 8]

/** Highest, now and lowest, one over the other as they are, and beside a line on which the mark stands where it stands in its window. */
export function HeightScale({ topMm, ends: { lowestMm, lowestBy, highestMm, highestBy } }: { topMm: number; ends: WindowEnds }) {
  const { inks } = useTheme()
  const units = useUnits()
  const known = [topMm, lowestMm, highestMm].flatMap((mm) => mm ?? [])
  const [low, high] = [Math.min(...known), Math.max(...known)]
  const y = (mm: number) => HIGH - EDGE - ((mm - low) / Math.max(1, high - low)) * (HIGH - 2 * EDGE)
  const [top, bottom] = [highestMm === null ? EDGE : y(highestMm), lowestMm === null ? HIGH - EDGE : y(lowestMm)]
  const out = (lowestMm !== null && topMm < lowestMm - 0.05) || (highestMm !== null && topMm > highestMm + 0.05)
  const rows = [
    { name: 'Highest', mm: highestMm, by: highestBy ?? 'nothing known above' },
    { name: 'Now', mm: topMm, by: 'top above the ground' },
    { name: 'Lowest', mm: lowestMm, by: lowestBy ?? 'nothing found below' },
  ]
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'stretch', my: 0.5 }}>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} width={WIDE} height={HIGH} aria-hidden="true" style={{ flexShrink: 0 }}>
        <line
          x1={22}
          x2={22}
          y1={top}
          y2={bottom}
          stroke={inks.quiet}
          strokeWidth={3}
          strokeDasharray={highestMm === null || lowestMm === null ? '4 4' : undefined}
        />
        {[top, bottom].map((at, i) => (
          <line key={i ? 'low' : 'high'} x1={15} x2={29} y1={at} y2={at} stroke={inks.quiet} strokeWidth={2} />
        ))}
        <path d={`M19 ${y(topMm)}l-12 -6v12z`} fill={out ? inks.signal : inks.clear} />
      </svg>
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto auto 1fr', columnGap: 1, alignItems: 'center', fontSize: 14, flex: 1 }}
      >
        {rows.map((r) => (
          <Box key={r.name} sx={{ display: 'contents' }}>
            <dt>{r.name}</dt>
            <Box component="dd" sx={{ m: 0, fontFamily: FIGURES, fontWeight: 600, textAlign: 'right', whiteSpace: 'nowrap' }}>
              {r.mm === null ? '—' : figureText(r.mm, 'mm', units)}
            </Box>
            <Box component="dd" sx={{ m: 0, color: 'text.secondary', fontSize: 13, lineHeight: 1.2 }}>
              {r.by}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
