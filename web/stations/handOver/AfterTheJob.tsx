import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { afterwards } from '../../../core/cost/afterwards'
import type { Quote } from '../../../core/cost/quote'
import type { Job } from '../../../core/job/job'
import { useShelf } from '../../api/queries'
import { FigureValue } from '../../figure/Working'
import { useRules } from '../../job/useEvaluation'
import { usePlanned } from '../cut/usePlanned'

/** What the work came to, once some of it was timed: hours against those reckoned, what an hour earned, and where it went wrong. */
export function AfterTheJob({ job, quote }: { job: Job; quote: Quote }) {
  const rules = useRules()
  const shop = useShelf('shop')
  const planned = usePlanned(job, shop.data?.document, rules)
  const after =
    planned &&
    afterwards(
      quote,
      planned.states
        .filter((s) => s.step.id !== 'recheck')
        .map(({ step, done }) => ({
          title: step.title,
          reckonedMin: done?.reckonedMin ?? step.minutes,
          tookMin: done?.tookMin ?? null,
          done: done !== null,
        })),
    )
  if (!after) return null
  return (
    <Box component="section" aria-label="What the work came to" sx={{ mb: 3, maxWidth: 640 }}>
      <Typography variant="h2" gutterBottom>
        {after.left ? 'What the work came to so far' : 'What the work came to'}
      </Typography>
      <Typography variant="body2" component="div">
        <FigureValue figure={after.hours} /> of work: {after.timed} of {after.done} steps timed, the others as reckoned
        {after.left ? `; ${after.left} still to come` : ''}. <FigureValue figure={after.earnedPerHour} /> earned for an hour.
      </Typography>
      {after.wentWrong.length > 0 && (
        <Box component="ul" aria-label="Took longer" sx={{ m: 0, mt: 0.5, pl: 2.25, fontSize: 14.5 }}>
          {after.wentWrong.slice(0, 5).map((w) => (
            <li key={w.title}>
              {w.title}: {Math.round(w.tookMin)} min, reckoned at {Math.round(w.reckonedMin)}
            </li>
          ))}
        </Box>
      )}
    </Box>
  )
}
