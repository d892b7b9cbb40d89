import Box from '@mui/material/Box'
import type { Slip } from '../../core/schedule/catchUp'

/** Which hand-overs move, from when to when. */
export function Slips({ slips, none }: { slips: Slip[]; none: string }) {
  if (!slips.length) return <Box sx={{ fontSize: 14.5 }}>{none}</Box>
  return (
    <Box component="ul" sx={{ m: 0, pl: 2.25, fontSize: 14.5, listStyle: 'disc' }}>
      {slips.map((s) => (
        <li key={s.jobId}>
          {s.title}:{' '}
          <Box component="span" sx={{ whiteSpace: 'nowrap' }}>
            {s.from ?? 'no day'} →
          </Box>{' '}
          <Box component="strong" sx={{ whiteSpace: 'nowrap' }}>
            {s.to ?? 'no day'}
          </Box>
        </li>
      ))}
    </Box>
  )
}
