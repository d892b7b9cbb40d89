import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { profileOf } from '../../core/catalogue/profiles'
import type { PooledBars } from '../../core/purchase/pooled'
import { figureText } from '../../core/quantity/figureText'
import { moneyText } from '../../core/quantity/money'
import { FigureValue } from '../figure/Working'
import { useUnits } from '../quantity/units'
import { usePooledBars } from './usePurchase'

/** The bars of all jobs planned as one, against each job by itself: what to order, and what that saves. */
export function BarsTogether() {
  const [asked, setAsked] = useState(false)
  const bars = usePooledBars(asked)
  return (
    <Box component="section" aria-label="Bars of all jobs together" sx={{ borderLeft: 4, borderColor: (t) => t.inks.waterDeep, pl: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h2">Bars</Typography>
        {!bars.data && (
          <Button variant="outlined" disabled={bars.isFetching} onClick={() => setAsked(true)}>
            {bars.isFetching ? 'Planning…' : 'Plan the bars of all jobs together'}
          </Button>
        )}
      </Box>
      {bars.error && <Alert severity="error">{bars.error.message}</Alert>}
      {bars.data && <Plan bars={bars.data} />}
    </Box>
  )
}

function Plan({ bars: { buy, usedOffcuts: offcuts, unplaced, togetherMinor, oneByOneMinor, saves } }: { bars: PooledBars }) {
  const units = useUnits()
  return (
    <Box>
      <Typography variant="body2" component="div" role="status">
        {moneyText(togetherMinor)} together, {oneByOneMinor === null ? 'not to be compared with' : moneyText(oneByOneMinor)} job by job:{' '}
        <FigureValue figure={saves} /> saved
        {offcuts ? `; ${offcuts} ${offcuts === 1 ? 'offcut' : 'offcuts'} of the rack used` : ''}
      </Typography>
      <Box component="ul" aria-label="Bars to order" sx={{ m: 0, pl: 2.25, fontSize: 15, listStyle: 'disc' }}>
        {buy.map((p) => (
          <li key={p.stockId}>
            <strong>{p.count} ×</strong> {profileOf(p.profileId).name}, {figureText(p.lengthMm, 'mm', units)}
          </li>
        ))}
      </Box>
      {unplaced.map((u) => (
        <Alert severity="warning" key={`${u.profileId} ${u.marks.join()} ${u.lengthMm}`} sx={{ mt: 0.75 }}>
          {profileOf(u.profileId).name}: {u.marks.slice(0, 6).join(', ')} not planned, {u.reason}.
        </Alert>
      ))}
    </Box>
  )
}
