import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { clearances } from '../../../core/fitment/clearances'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { WhyButton } from '../../figure/Working'
import { useWhole } from '../../pieces/inHand'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

/** Gaps as drawn, and what the measurements leave of them at worst and likely. */
export function Clearances({ job }: { job: Job }) {
  const units = useUnits()
  const { inks } = useTheme()
  const { assembly } = useWhole(job)
  const gaps = useMemo(() => clearances(assembly, job.vehicle, job.brief), [assembly, job.vehicle, job.brief])
  const mm = (v: number) => figureText(v, 'mm', units)
  if (!gaps.length) return null
  return (
    <Group title="Clearances">
      {gaps.map((g) => (
        <Box key={g.name} sx={{ fontSize: 14, borderBottom: 1, borderColor: 'divider', pb: 0.5 }}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
            <span>{g.name}</span>
            <WhyButton
              label={g.name}
              sx={{ color: g.worstMm < 0 ? inks.signal : undefined }}
              content={
                <Box>
                  <Typography variant="h3">{g.name}</Typography>
                  <Typography variant="body2">
                    As drawn {mm(g.nominalMm)}. Errors add up to {mm(g.nominalMm - g.worstMm)} at worst, √Σt² ={' '}
                    {mm(g.nominalMm - g.likelyMm)} likely (JCGM 100:2008, 5.1).
                  </Typography>
                  {g.from.map((f) => (
                    <Typography key={f.name} variant="caption" component="p">
                      ± {mm(f.toleranceMm)} {f.name}
                    </Typography>
                  ))}
                </Box>
              }
            >
              {mm(g.nominalMm)}
            </WhyButton>
          </Box>
          <Typography variant="caption" sx={{ color: g.worstMm < 0 ? inks.signal : 'text.secondary' }}>
            {g.worstMm < 0 ? '▲ ' : ''}
            {mm(g.worstMm)} at worst, {mm(g.likelyMm)} likely
          </Typography>
        </Box>
      ))}
    </Group>
  )
}
