import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { withMoved } from '../../../core/job/movedCargo'
import { withParams } from '../../../core/job/piecesOf'
import { figureText } from '../../../core/quantity/figureText'
import { equalPositions, largestCount } from '../../../core/spacing/spacing'
import { datumXMm } from '../../../core/vehicle/datum'
import { nearestMountX } from '../../../core/vehicle/vehicle'
import { useView } from '../../drawing/view'
import { editJob } from '../../job/jobStore'
import { editBy, editPiece, type PieceInHand } from '../../pieces/inHand'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'
import { Proposals } from './Proposals'

/** Running positions of the bars from one datum; equal spacing; how many fit; placements planned from the cargo's own rules. */
export function BarPositions({ job, inHand }: { job: Job; inHand: PieceInHand }) {
  const units = useUnits()
  const select = useView((s) => s.select)
  const [pitch, setPitch] = useState(600)
  const { stations } = inHand.design
  if (!stations) return null
  const { xMm: xs, line } = stations
  const pieceId = inHand.piece.id
  const datum = datumXMm(job.vehicle)
  const measures = inHand.design.measures()
  const setBars = (list: number[]) => editPiece(pieceId, stations.set(list))
  const [from, to] = [Math.min(...xs), Math.max(...xs)]
  const snap = (list: number[]) => (line ? list.map((x) => nearestMountX(line, x)) : list)
  const even = (n: number) => setBars(snap(n === 1 ? [(from + to) / 2] : equalPositions(from, to, n)))
  const add = () => {
    const now = [...xs].sort((a, b) => a - b)
    if (!now.length) return setBars(snap([line ? (line.fromXMm + line.toXMm) / 2 : 0]))
    const gaps = now
      .slice(1)
      .map((x, k) => ({ at: (x + now[k]) / 2, width: x - now[k] }))
      .sort((a, b) => b.width - a.width)
    setBars([...now, ...snap([gaps[0]?.at ?? now[0] + 600])])
  }
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
        const measure = measures.find((m) => m.id === `bar:${i}`)
        const ref = `${pieceId}/bar:${i}`
        return (
          <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '1fr 32px', gap: 0.5 }} onFocus={() => select(ref)}>
            <QuantityInput
              label={`Bar ${i + 1}`}
              min={-20_000}
              max={20_000}
              value={x - datum}
              onChange={(v) => v !== null && measure && editBy(pieceId, measure.set(measure.snap ? measure.snap(datum + v) : datum + v))}
            />
            <RemoveButton of={`bar ${i + 1}`} onClick={() => setBars(xs.filter((_, k) => k !== i))} />
          </Box>
        )
      })}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => even(xs.length)} disabled={xs.length < 3}>
          Space evenly
        </Button>
      </Box>
      <Proposals
        job={job}
        pieceId={pieceId}
        apply={(p) => editJob((j) => withParams(withMoved(j, p.moved), pieceId, stations.set(p.barXMm)))}
      />
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
