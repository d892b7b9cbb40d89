import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { restOf } from '../../../core/resting/rest'
import { hangOf } from '../../../core/spacing/tipping'
import { useView } from '../../drawing/view'
import { FigureValue } from '../../figure/Working'
import { useResult } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { useUnits } from '../../quantity/units'
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
  const barsOf = (c: Cargo) => (evaluation ? restOf(c, evaluation.assembly).all.map((b) => b.xMm) : [])
  return (
    <Group title="How things rest">
      {job.brief.cargo.map((c) => (
        <Box key={c.id} onFocus={() => select(`cargo:${c.id}`)}>
          <ChoiceInput label={c.name} value={c.rests} options={ways} onChange={(rests) => setCargo(c.id, { rests })} />
          <Hanging cargo={c} bars={barsOf(c)} mm={(v) => figureText(v, 'mm', units)} />
        </Box>
      ))}
    </Group>
  )
}

function Hanging({ cargo, bars, mm }: { cargo: Cargo; bars: number[]; mm: (v: number) => string }) {
  const hang = hangOf(cargo, bars)
  if (!hang || (hang.rearMm <= 0 && hang.frontMm <= 0)) return null
  // the end that tips first
  const [rear, front] = [hang.tipsAtRear, hang.tipsAtFront]
  const rearFirst = rear !== null && (front === null || (rear.value ?? 0) < (front.value ?? 0))
  const first = rearFirst ? rear : front
  return (
    <Typography variant="caption" component="p" sx={{ color: 'text.secondary', mt: 0.5 }}>
      Hangs out {mm(hang.rearMm)} behind and {mm(hang.frontMm)} ahead.{' '}
      {first && (
        <>
          Loose, <FigureValue figure={first} /> on its {rearFirst ? 'rear' : 'front'} end would tip it.
        </>
      )}
    </Typography>
  )
}
