import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'

/** Nothing to show: no job at all, or none that matches; and the way on from there. */
export function NoJobs({ none, make, showAll }: { none: boolean; make: () => void; showAll: () => void }) {
  return (
    <Box sx={{ py: 6, textAlign: 'center', border: '1px dashed', borderColor: 'divider' }}>
      <Typography variant="h2" gutterBottom>
        {none ? 'The slipway is empty' : 'No job matches'}
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 2 }}>
        {none ? 'Start with what the client wants to carry.' : 'Take a filter away or search for something else.'}
      </Typography>
      {none ? (
        <Button variant="contained" onClick={make}>
          New job
        </Button>
      ) : (
        <Button onClick={showAll}>Show all jobs</Button>
      )}
    </Box>
  )
}
