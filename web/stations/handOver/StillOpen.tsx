import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { Link } from 'react-router'
import type { OpenItem } from '../../../core/job/openItems'
import { stationNames } from '../../../core/job/stations'
import { withLengths } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'

/** What geometry alone cannot settle: rules that differ from place to place. */
export function AskLocally({ prompts }: { prompts: { id: string; text: string }[] }) {
  const units = useUnits()
  if (!prompts.length) return null
  return (
    <Box sx={{ mb: 2.5 }}>
      <Typography variant="h2" gutterBottom>
        Ask the local rules
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {prompts.map((p) => (
          <li key={p.id}>{withLengths(p.text, units)}</li>
        ))}
      </Box>
    </Box>
  )
}

/** Every open point with its station; `wanting` = why gaps and ways are not among them yet. */
export function StillOpen({ open, wanting }: { open: OpenItem[]; wanting: string | null }) {
  return (
    <>
      <Typography variant="h2" gutterBottom>
        Still open
      </Typography>
      {wanting && <Typography sx={{ color: (t) => t.inks.unknown }}>{wanting}</Typography>}
      {open.length === 0 && !wanting ? (
        <Typography>Nothing is open at any station.</Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {open.map((i) => (
            <li key={i.station + i.text}>
              <Box component={Link} to={`../${i.station}`} relative="path" sx={{ color: 'primary.main', fontWeight: 700 }}>
                {stationNames[i.station]}
              </Box>
              : {i.text}
            </li>
          ))}
        </Box>
      )}
    </>
  )
}
