import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import type { ReactNode } from 'react'
import { DAY_PX, type DayColumn, xOf } from './scale'

export const LABEL_PX = { xs: 132, sm: 220, md: 270 }

/** One line of the calendar: its label stays in sight while the days pass under it; days without work are shaded, today has its line. */
export function Lane({
  columns,
  height,
  label,
  children,
}: {
  columns: DayColumn[]
  height: number
  label: ReactNode
  children?: ReactNode
}) {
  const { inks } = useTheme()
  return (
    <Box sx={{ display: 'flex', borderBottom: 1, borderColor: 'divider', height, minWidth: 'max-content' }}>
      <Box
        sx={{
          position: 'sticky',
          left: 0,
          zIndex: 3,
          width: LABEL_PX,
          flex: 'none',
          bgcolor: 'background.paper',
          borderRight: 1,
          borderColor: 'divider',
          overflow: 'hidden',
        }}
      >
        {label}
      </Box>
      <Box sx={{ position: 'relative', width: columns.length * DAY_PX, flex: 'none' }}>
        {columns.map((c) =>
          c.shut ? (
            <Box
              key={c.day}
              aria-hidden
              sx={{ position: 'absolute', top: 0, bottom: 0, left: xOf(c.day), width: DAY_PX, bgcolor: inks.line, opacity: 0.35 }}
            />
          ) : null,
        )}
        <Box
          aria-hidden
          sx={{ position: 'absolute', top: 0, bottom: 0, left: xOf(0), width: '2px', bgcolor: inks.selected, opacity: 0.7 }}
        />
        {children}
      </Box>
    </Box>
  )
}
