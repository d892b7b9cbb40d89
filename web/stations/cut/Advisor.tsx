import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { figureText } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { editJob } from '../../job/jobStore'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'
import type { PlanState } from './usePlan'

/** Which small change of a dimension saves stock, and how much. One press applies it. */
export function Advisor({ state }: { state: PlanState }) {
  const units = useUnits()
  if (!state.plan) return null
  return (
    <Group title="Stock advisor">
      {state.advice === null ? (
        <Typography variant="caption" role="status">
          {state.running || state.stopped ? 'waits for the plan' : 'trying shorter bars…'}
        </Typography>
      ) : state.advice.length === 0 ? (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          No shortening within the range saves any stock.
        </Typography>
      ) : (
        state.advice.map((a) => (
          <Box key={a.option + a.shorterMm} sx={{ border: 1, borderColor: 'divider', p: 1, bgcolor: 'background.paper' }}>
            <Typography variant="body2">
              <b>{figureText(a.shorterMm, 'mm', units)} shorter</b> saves <b>{moneyText(a.savingMinor)}</b>
              {a.barsFewer > 0 ? ` and ${a.barsFewer} ${a.barsFewer === 1 ? 'bar' : 'bars'}` : ''}: {a.label}.
            </Typography>
            {a.worsens.length > 0 && (
              <Typography variant="caption" component="p" sx={{ color: (t) => t.inks.signal }}>
                Pushes over its line: {a.worsens.join(', ')}
              </Typography>
            )}
            <Button variant="outlined" sx={{ mt: 0.5 }} onClick={() => editJob((j) => ({ ...j, pieces: a.job.pieces }))}>
              Apply
            </Button>
          </Box>
        ))
      )}
    </Group>
  )
}
