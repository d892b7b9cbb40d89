import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { datumXMm } from '../../../core/drawing/datum'
import { familyOf } from '../../../core/families/all'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { equalPositions, largestCount } from '../../../core/spacing/spacing'
import { nearestMountX } from '../../../core/vehicle/vehicle'
import { useView } from '../../drawing/DrawingPane'
import { handlesOf } from '../../drawing/handles'
import { editJob } from '../../job/jobStore'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'
import { Proposals } from './Proposals'

const setBars = (job: Job, xs: number[]): Job => ({
  ...job,
  design: { ...job.design, params: familyOf(job.design).restationed(job.design.params, xs) },
})
const lineOf = (job: Job) => job.vehicle.mounts.find((m) => m.id === job.design.params.mountId) ?? job.vehicle.mounts[0]

/** Running positions of the bars from one datum; equal spacing; how many fit; placements planned from the cargo's own rules. */
export function BarPositions({ job }: { job: Job }) {
  const units = useUnits()
  const select = useView((s) => s.select)
  const [pitch, setPitch] = useState(600)
  const xs = familyOf(job.design).stations(job.design.params)
  const line = lineOf(job)
  const datum = datumXMm(job.vehicle)
  const handles = handlesOf(job)
  const [from, to] = [Math.min(...xs), Math.max(...xs)]
  const snap = (list: number[]) => (line ? list.map((x) => nearestMountX(line, x)) : list)
  const even = (n: number) => editJob((j) => setBars(j, snap(n === 1 ? [(from + to) / 2] : equalPositions(from, to, n))))
  const add = () =>
    editJob((j) => {
      const now = [...familyOf(j.design).stations(j.design.params)].sort((a, b) => a - b)
      if (!now.length) return setBars(j, snap([line ? (line.fromXMm + line.toXMm) / 2 : 0]))
      const gaps = now
        .slice(1)
        .map((x, k) => ({ at: (x + now[k]) / 2, width: x - now[k] }))
        .sort((a, b) => b.width - a.width)
      return setBars(j, [...now, ...snap([gaps[0]?.at ?? now[0] + 600])])
    })
  const fits = line ? largestCount(line.fromXMm, line.toXMm, pitch) : 0
  return (
    <Group
      title="Crossbars"
      action={
        <Button onClick={add} disabled={xs.length >= 12}>
          Add a bar
        </Button>
      }
    >
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Positions run from the {job.vehicle.roofFromXMm.value === null ? 'rear axle' : 'rear edge of the roof'}.
      </Typography>
      {xs.map((x, i) => {
        const handle = handles.find((h) => h.ref === `bar:${i}`)
        return (
          <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '1fr 32px', gap: 0.5 }} onFocus={() => select(`bar:${i}`)}>
            <QuantityInput
              label={`Bar ${i + 1}`}
              min={-20_000}
              max={20_000}
              value={x - datum}
              onChange={(v) => v !== null && handle && editJob((j) => handle.moved(j, datum + v, 0, true))}
            />
            <RemoveButton
              of={`bar ${i + 1}`}
              onClick={() =>
                editJob((j) =>
                  setBars(
                    j,
                    xs.filter((_, k) => k !== i),
                  ),
                )
              }
            />
          </Box>
        )
      })}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => even(xs.length)} disabled={xs.length < 3}>
          Space evenly
        </Button>
      </Box>
      <Proposals job={job} apply={(barXMm) => editJob((j) => setBars(j, barXMm))} />
      {xs.length > 1 && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {xs.length} bars, mean pitch {figureText((to - from) / (xs.length - 1), 'mm', units)}
        </Typography>
      )}
      <QuantityInput
        label="Least pitch"
        min={80}
        max={5000}
        value={pitch}
        onChange={(v) => v !== null && setPitch(v)}
        help={
          line ? `${fits} fit on ${line.name.toLowerCase()}, ${figureText(line.toXMm - line.fromXMm, 'mm', units)} long` : 'no mounts yet'
        }
      />
    </Group>
  )
}
