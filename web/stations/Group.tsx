import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { type ReactNode, useId } from 'react'

/** A titled run of inputs. */
export function Group({
  title,
  action,
  children,
  columns = 1,
}: {
  title: string
  action?: ReactNode
  children: ReactNode
  columns?: 1 | 2
}) {
  const id = useId()
  return (
    <Box component="section" aria-labelledby={id} sx={{ mb: 2.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1, minHeight: 30 }}>
        <Typography variant="h2" id={id}>
          {title}
        </Typography>
        {action}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: columns === 2 ? 'minmax(0,1fr) minmax(0,1fr)' : 'minmax(0,1fr)',
          alignItems: 'start',
        }}
      >
        {children}
      </Box>
    </Box>
  )
}
