import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import type { Job } from '../../core/job/job'
import { DrawingPane } from '../drawing/DrawingPane'
import { TideGauge } from '../limits/TideGauge'

/** Inputs on one side, the drawing in the middle and largest, the tide gauge on the other side; one below the other where it is narrow. */
export function Workbench({
  job,
  inputs,
  below,
  middle,
  stick,
  loads,
  layout,
  fit,
}: {
  job: Job
  inputs: ReactNode
  below?: ReactNode
  middle?: ReactNode
  stick?: boolean
  /** the drawing shows what a load case does */
  loads?: boolean
  /** pieces are worked on one at a time */
  layout?: boolean
  /** gaps are shown, and what moves stands where it was moved to */
  fit?: boolean
}) {
  return (
    <Box
      sx={{
        display: 'grid',
        height: { md: '100%' },
        gridTemplateColumns: { xs: '1fr', md: '292px minmax(0,1fr) 264px', xl: '340px minmax(0,1fr) 300px' },
        gridTemplateRows: { md: 'minmax(0,1fr)' },
      }}
    >
      <Box
        sx={{ overflowY: { md: 'auto' }, minHeight: 0, borderRight: { md: 1 }, borderColor: 'divider', p: 1.5, order: { xs: 2, md: 0 } }}
        component="section"
        aria-label="Inputs"
      >
        {inputs}
      </Box>
      <Box
        sx={{
          minHeight: 0,
          minWidth: 0,
          display: 'flex',
          flexDirection: 'column',
          order: { xs: 0, md: 1 },
          // on a phone the drawing stays in sight while the fields below it are filled
          ...(stick ? { position: { xs: 'sticky', md: 'static' }, top: 0, zIndex: 2 } : {}),
          height: { xs: middle ? 'auto' : 420, md: 'auto' },
        }}
      >
        <Box sx={{ flex: 1, minHeight: 0 }}>
          {middle ?? <DrawingPane job={job} low={below !== undefined} loads={loads} layout={layout} fit={fit} />}
        </Box>
        {below && (
          <Box
            tabIndex={0}
            component="section"
            aria-label="Below the drawing"
            sx={{ display: { xs: 'none', md: 'block' }, maxHeight: '42%', overflowY: 'auto', borderTop: 1, borderColor: 'divider' }}
          >
            {below}
          </Box>
        )}
      </Box>
      <Box
        sx={{
          minHeight: 0,
          borderLeft: { md: 1 },
          borderColor: 'divider',
          bgcolor: 'background.paper',
          order: { xs: stick ? 3 : 1, md: 2 },
          overflow: 'hidden',
          height: { xs: 420, md: 'auto' },
        }}
      >
        <TideGauge />
      </Box>
      {below && <Box sx={{ display: { xs: 'block', md: 'none' }, order: 3, overflowX: 'auto' }}>{below}</Box>}
    </Box>
  )
}
