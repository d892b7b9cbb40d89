import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { coatFaults } from '../../../core/coat/faultGuide'

/** What is seen on a coat that went wrong, why, and what puts it right; folded away until somebody needs it. */
export function CoatFaults() {
  return (
    <Box component="details" sx={{ border: 1, borderColor: 'divider', px: 1.5, py: 1 }}>
      <Box component="summary" sx={{ minHeight: 32, cursor: 'pointer', fontWeight: 600 }}>
        If the coat goes wrong
      </Box>
      {coatFaults.map((f) => (
        <Typography key={f.seen} sx={{ mt: 0.75 }}>
          <strong>{f.seen}</strong>: {f.why}. {f.cure.charAt(0).toUpperCase()}
          {f.cure.slice(1)}.
        </Typography>
      ))}
    </Box>
  )
}
