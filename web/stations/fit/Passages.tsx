import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { passages } from '../../../core/fit/passages'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { WhyButton } from '../../figure/Working'
import { useRules } from '../../job/useEvaluation'
import { useWhole } from '../../pieces/inHand'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'
import { Takers } from './Takers'

/** The air under every place that is driven under, with what errors leave of it. */
export function Passages({ job }: { job: Job }) {
  const units = useUnits()
  const rules = useRules()
  const { assembly } = useWhole(job)
  const list = useMemo(() => passages(assembly, job.vehicle, job.brief, rules), [assembly, job.vehicle, job.brief, rules])
  if (!list.length) return null
  return (
    <Group title="Driven under">
      {list.map((p) => (
        <Box key={p.name} sx={{ fontSize: 14, borderBottom: 1, borderColor: 'divider', pb: 0.5 }}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
            <span>{p.name}</span>
            <WhyButton label={p.name} content={() => <Takers as="As reckoned" gapMm={p.nominalMm} {...p} unit="mm" />}>
              {figureText(p.nominalMm, 'mm', units)}
            </WhyButton>
          </Box>
          <Typography variant="caption" sx={{ color: (t) => (p.worstMm < 0 ? t.inks.signal : t.palette.text.secondary) }}>
            {p.worstMm < 0 ? '▲ ' : ''}
            {figureText(p.worstMm, 'mm', units)} at worst, {figureText(p.likelyMm, 'mm', units)} likely
          </Typography>
        </Box>
      ))}
    </Group>
  )
}
