import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { loadBars } from '../../../core/assembly/assembly'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { hangOf } from '../../../core/spacing/tipping'
import { useView } from '../../drawing/DrawingPane'
import { useResult } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { figureText, useUnits } from '../../quantity/units'
import { Group } from '../Group'
import { setCargo } from './setCargo'

const ways = [
  { value: 'box', label: 'stiff, on its edges' },
  { value: 'bundle', label: 'limp, spread over its width' },
  { value: 'brackets', label: 'on brackets at its middle' },
] as const

/** How each item rests on the bars, how far it hangs out, and what on its free end would tip it. */
export function Resting({ job }: { job: Job }) {
  const evaluation = useResult((s) => s.evaluation)
  const units = useUnits()
  const select = useView((s) => s.select)
  if (!job.brief.cargo.length) return null
  const bars = evaluation ? loadBars(evaluation.assembly).map((b) => b.path[0].x) : []
  return (
    <Group title="How things rest">
      {job.brief.cargo.map((c) => (
        <Box key={c.id} onFocus={() => select(`cargo:${c.id}`)}>
          <ChoiceInput label={c.name} value={c.rests} options={ways} onChange={(rests) => setCargo(c.id, { rests })} />
          <Hanging cargo={c} bars={bars} mm={(v) => figureText(v, 'mm', units)} kg={(v) => figureText(v, 'kg', units)} />
        </Box>
      ))}
    </Group>
  )
}

function Hanging({ cargo, bars, mm, kg }: { cargo: Cargo; bars: number[]; mm: (v: number) => string; kg: (v: number) => string }) {
  const hang = hangOf(cargo, bars)
  if (!hang || (hang.rearMm <= 0 && hang.frontMm <= 0)) return null
  const tips = [
    ...(hang.tipsAtFrontKg === null ? [] : [{ at: 'front', kg: hang.tipsAtFrontKg }]),
    ...(hang.tipsAtRearKg === null ? [] : [{ at: 'rear', kg: hang.tipsAtRearKg }]),
  ].sort((a, b) => a.kg - b.kg)[0]
  return (
    <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block', mt: 0.5 }}>
      Hangs out {mm(hang.rearMm)} behind and {mm(hang.frontMm)} ahead.
      {tips && ` Loose, ${kg(tips.kg)} on its ${tips.at} end would tip it.`}
    </Typography>
  )
}
