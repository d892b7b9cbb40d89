import Box from '@mui/material/Box'
import type { Job } from '../../core/job/job'
import type { Station } from '../../core/job/stations'
import { useOpenItems } from '../job/StationPath'
import { Group } from './Group'

/** What this station still waits for, in words. */
export function OpenList({ job, station }: { job: Job; station: Station }) {
  const items = useOpenItems(job).filter((i) => i.station === station)
  if (!items.length) return null
  return (
    <Group title="Still open here">
      <Box component="ul" sx={{ m: 0, pl: 0, listStyle: 'none', fontSize: 14 }}>
        {items.map((i, n) => (
          <Box
            component="li"
            key={`${n} ${i.text}`}
            sx={{
              pl: 1.25,
              mb: 0.5,
              borderLeft: 3,
              borderColor: i.weight === 'needed' ? 'error.main' : 'divider',
              color: i.weight === 'needed' ? 'text.primary' : 'text.secondary',
            }}
          >
            {i.text}
          </Box>
        ))}
      </Box>
    </Group>
  )
}
