import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { ViewName } from '../../core/drawing/sheet'
import { drawView, viewNames } from '../../core/drawing/views'
import type { Job } from '../../core/job/job'
import { wholeOf } from '../../core/pieces/whole'
import { SheetView } from '../drawing/SheetView'
import { useRules } from './useEvaluation'

const VIEWS: ViewName[] = ['plan', 'side', 'rear']

/** Two versions of a job drawn beside one another, in the first view in which they are not the same; nothing where they look alike. */
export function TwoDrawings({ mine, theirs }: { mine: Job; theirs: Job }) {
  const rules = useRules()
  const shown = useMemo(() => {
    const draw = (job: Job, view: ViewName) => drawView(view, wholeOf(job, rules).assembly, job.vehicle, job.brief)
    for (const view of VIEWS) {
      const [a, b] = [draw(mine, view), draw(theirs, view)]
      if (JSON.stringify(a.entities) !== JSON.stringify(b.entities)) return { view, sheets: [a, b] }
    }
    return null
  }, [mine, theirs, rules])
  if (!shown) return null
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5, my: 1.5 }}>
      {shown.sheets.map((sheet, i) => (
        <Box key={i ? 'theirs' : 'mine'} component="figure" sx={{ m: 0, minWidth: 0 }}>
          <Typography component="figcaption" variant="body2" sx={{ fontWeight: 600 }}>
            {i ? 'Theirs' : 'Mine'}, {viewNames[shown.view].toLowerCase()}
          </Typography>
          <Box sx={{ height: 190, border: 1, borderColor: 'divider', bgcolor: (t) => t.inks.sheet, pointerEvents: 'none' }}>
            <SheetView sheet={sheet} handles={[]} marks={new Map()} selected={null} onSelect={() => undefined} actions={null} />
          </Box>
        </Box>
      ))}
    </Box>
  )
}
