import Box from '@mui/material/Box'
import { type Station, stationNames, stations } from '../../core/job/stations'
import { FIGURES } from '../theme/theme'

/** The six stations as one line with a mark for each, as long as the jobs that stand there. */
export function StationLine({
  tally,
  all,
  chosen,
  choose,
}: {
  tally: Partial<Record<Station, number>>
  all: number
  chosen: string | null
  choose: (s: Station | null) => void
}) {
  return (
    <Box role="group" aria-label="Stations" sx={{ display: 'flex', overflowX: 'auto', position: 'relative' }}>
      {stations.map((s) => {
        const n = tally[s] ?? 0
        const on = chosen === s
        return (
          <Box
            key={s}
            component="button"
            type="button"
            aria-pressed={on}
            onClick={() => choose(on ? null : s)}
            sx={{
              all: 'unset',
              boxSizing: 'border-box',
              cursor: 'pointer',
              flex: '1 0 92px',
              pt: 2.25,
              pb: 0.75,
              px: 1,
              position: 'relative',
              bgcolor: on ? 'background.paper' : 'transparent',
              borderBottom: 3,
              borderColor: on ? 'primary.main' : 'transparent',
              '&:focus-visible': { outline: '2px solid', outlineOffset: -2 },
              '&::after': {
                content: '""',
                position: 'absolute',
                left: 0,
                right: 0,
                top: 7,
                height: 2,
                bgcolor: 'text.primary',
                opacity: 0.5,
              },
              '&::before': {
                content: '""',
                position: 'absolute',
                zIndex: 1,
                left: 8,
                top: 2,
                width: 12,
                height: 12,
                borderRadius: '50%',
                border: 2,
                borderColor: 'text.primary',
                bgcolor: n ? 'primary.main' : 'background.default',
              },
            }}
          >
            <Box sx={{ fontFamily: FIGURES, fontSize: 22, fontWeight: 500, lineHeight: 1.1 }}>{n}</Box>
            <Box sx={{ fontSize: 13.5, color: 'text.secondary' }}>{stationNames[s]}</Box>
            <Box
              aria-hidden="true"
              sx={{ mt: 0.5, height: 4, width: `${all ? Math.max(4, (100 * n) / all) : 4}%`, bgcolor: n ? 'primary.main' : 'divider' }}
            />
          </Box>
        )
      })}
    </Box>
  )
}
