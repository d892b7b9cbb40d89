import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'

/** So many jobs stand on a page. */
export const PAGE = 50

export function Pages({ at, total, go }: { at: number; total: number; go: (page: number) => void }) {
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 1.5 }}>
      <Button disabled={at === 0} onClick={() => go(at - 1)}>
        Earlier
      </Button>
      <Typography variant="body2">
        {at * PAGE + 1} to {Math.min(total, (at + 1) * PAGE)} of {total}
      </Typography>
      <Button disabled={(at + 1) * PAGE >= total} onClick={() => go(at + 1)}>
        Later
      </Button>
    </Box>
  )
}
