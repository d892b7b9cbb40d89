import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Job } from '../../../core/job/job'
import { neededBeforeCutting } from '../../../core/places/neededBeforeCutting'
import { Group } from '../Group'

/** What the design's parts cannot be cut without, and the rest that limits still ask for. */
export function NeededBeforeCutting({ job, go }: { job: Job; go: (sheet: string) => void }) {
  const needed = neededBeforeCutting(job.vehicle)
  return (
    <Group title="Needed before cutting">
      {needed.length === 0 ? (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Everything the parts depend on has been measured.
        </Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {needed.map((n) => (
            <li key={n.id}>
              <Button onClick={() => go(n.sheet)} sx={{ textAlign: 'left', justifyContent: 'flex-start' }}>
                {n.label}: {n.why}
              </Button>
            </li>
          ))}
        </Box>
      )}
    </Group>
  )
}
