import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { FIGURES } from '../theme/theme'
import { LABEL_PX } from './Lane'
import { DAY_PX, type DayColumn, WEEKDAYS, xOf } from './scale'

const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']

/** Months, days of the month and of the week; a wet day of the forecast carries a drop. */
export function DayHead({ columns }: { columns: DayColumn[] }) {
  const { inks } = useTheme()
  const months = columns.filter((c, i) => i === 0 || c.date.endsWith('-01'))
  return (
    <Box
      sx={{
        display: 'flex',
        position: 'sticky',
        top: 0,
        zIndex: 4,
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
        minWidth: 'max-content',
      }}
    >
      <Box
        sx={{
          position: 'sticky',
          left: 0,
          zIndex: 5,
          width: LABEL_PX,
          flex: 'none',
          bgcolor: 'background.paper',
          borderRight: 1,
          borderColor: 'divider',
        }}
      />
      <Box sx={{ position: 'relative', height: 52, width: columns.length * DAY_PX, fontFamily: FIGURES }}>
        {months.map((c) => (
          <Box
            key={c.date}
            sx={{ position: 'absolute', left: xOf(c.day) + 3, top: 0, fontSize: 13.5, fontWeight: 600, whiteSpace: 'nowrap' }}
          >
            {MONTHS[Number(c.date.slice(5, 7)) - 1]} {c.date.slice(0, 4)}
          </Box>
        ))}
        {columns.map((c) => (
          <Box
            key={c.day}
            title={[c.date, c.shut, c.wet ? 'rain in the simulated forecast' : ''].filter(Boolean).join(', ')}
            sx={{
              position: 'absolute',
              left: xOf(c.day),
              top: 18,
              width: DAY_PX,
              textAlign: 'center',
              fontSize: 13.5,
              lineHeight: '16px',
              color: c.shut ? 'text.secondary' : 'text.primary',
              fontWeight: c.day === 0 ? 600 : 500,
            }}
          >
            {WEEKDAYS[c.weekday]}
            <br />
            {Number(c.date.slice(8))}
            {c.wet && (
              <Box component="span" aria-hidden sx={{ color: inks.waterDeep }}>
                {' '}
                ☂
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
