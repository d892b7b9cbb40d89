import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import type { Inks } from '../theme/theme'

/** Bands of how much a member is used: each its own hatch, closer the fuller, so that they tell apart without colour. */
export const bands = [
  { id: 'use-quarter', upTo: 0.25, words: 'under 25 %', gap: 0 },
  { id: 'use-half', upTo: 0.5, words: 'under 50 %', gap: 9 },
  { id: 'use-most', upTo: 0.85, words: 'under 85 %', gap: 6 },
  { id: 'use-near', upTo: 1.000001, words: 'near', gap: 4 },
  { id: 'use-over', upTo: Number.POSITIVE_INFINITY, words: 'over', gap: 4 },
] as const
export const bandOf = (use: number) => bands.find((b) => use < b.upTo) ?? bands[bands.length - 1]

export const inkOf = (id: (typeof bands)[number]['id'], inks: Inks): string =>
  id === 'use-over' ? inks.signal : id === 'use-near' ? inks.near : inks.waterDeep

export function UsePatterns({ inks }: { inks: Inks }) {
  return bands.map((b) => (
    <pattern
      key={b.id}
      id={b.id}
      width={b.gap || 8}
      height={b.gap || 8}
      patternUnits="userSpaceOnUse"
      patternTransform={`rotate(${b.id === 'use-over' ? -45 : 45})`}
    >
      <rect width={b.gap || 8} height={b.gap || 8} fill={inks.sheet} />
      {b.gap > 0 && <line x1="0" y1="0" x2="0" y2={b.gap} stroke={inkOf(b.id, inks)} strokeWidth={b.id === 'use-half' ? 2 : 4} />}
    </pattern>
  ))
}

/** What the hatches mean, how much larger than life movements are drawn, and what keeps a case from being assessed. */
export function UseLegend({ factor, lacks = [] }: { factor: number | null; lacks?: string[] }) {
  const { inks } = useTheme()
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1.25,
        flexWrap: 'wrap',
        alignItems: 'center',
        px: 1,
        py: 0.5,
        borderTop: 1,
        borderColor: 'divider',
        fontSize: 12,
        color: 'text.secondary',
      }}
      aria-label="Legend"
    >
      {lacks.length > 0 && (
        <Box component="strong" sx={{ color: inks.unknown, flexBasis: '100%' }}>
          ? Not assessed for want of {lacks.join(', ')}
        </Box>
      )}
      {factor !== null && <span>Strength used:</span>}
      {(factor === null ? [] : bands).map((b) => (
        <Box key={b.id} component="span" sx={{ display: 'inline-flex', gap: 0.5, alignItems: 'center' }}>
          <svg width="22" height="12" aria-hidden="true">
            <defs>
              <UsePatterns inks={inks} />
            </defs>
            <rect x="0.5" y="0.5" width="21" height="11" fill={`url(#${b.id})`} stroke={inks.member} />
          </svg>
          {b.words}
        </Box>
      ))}
      {factor !== null && (
        <Box component="span" sx={{ ml: 'auto' }}>
          movements drawn {factor === 1 ? 'true to size' : `× ${factor}`}
        </Box>
      )}
    </Box>
  )
}
