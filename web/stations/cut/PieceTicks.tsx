import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import { cutState, withPiece } from '../../../core/barsLeft/cutPieces'
import type { Stop } from '../../../core/cutList/stops'
import type { Job } from '../../../core/job/job'
import { localDay } from '../../../core/time/localDay'
import { editJob } from '../../job/jobStore'

/** The pieces of one stop setting, each ticked with a thumb as it is cut: what is left of the bars follows from it. */
export function PieceTicks({ job, stop }: { job: Job; stop: Stop }) {
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 0.5 }}>
      {stop.marks.map((mark) => {
        const state = cutState(job.built, mark)
        return (
          <ToggleButton
            key={mark}
            value={mark}
            selected={state === 'cut'}
            aria-label={`${mark} is cut`}
            onChange={() =>
              editJob((j) => withPiece(j, mark, state === 'cut' ? 'to cut' : 'cut', { lengthMm: stop.lengthMm, on: localDay() }))
            }
            sx={{ minHeight: 48, minWidth: 64, fontSize: 18 }}
          >
            {mark}
            {state === 'cut' ? ' ✓' : state === 'scrap' ? ' again' : ''}
          </ToggleButton>
        )
      })}
    </Box>
  )
}
