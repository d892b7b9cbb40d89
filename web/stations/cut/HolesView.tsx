import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { boltFigure, drillFigure, stackFigure } from '../../../core/drilling/holeFigures'
import {
  type DrillRow,
  drillList,
  type HoleLayer,
  type HolePlace,
  holeKey,
  holeMark,
  holePlaces,
  layerWords,
} from '../../../core/drilling/holes'
import { type NotchRow, notchRows, notchText } from '../../../core/drilling/notches'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { withLengths } from '../../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../../core/quantity/formatQuantity'
import { localDay } from '../../../core/time/localDay'
import { tickOf } from '../../../core/workLog/tick'
import { FigureValue } from '../../figure/Working'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

/** Every hole once, through all the parts it passes, ticked part by part so that no mate is forgotten; and where each member is drilled. */
export function HolesView({ job, jobId }: { job: Job; jobId: string }) {
  const rules = useRules()
  const assembly = useMemo(() => madeAssembly(job, rules), [job, rules])
  const places = useMemo(() => holePlaces(assembly, job.vehicle, rules), [assembly, job.vehicle, rules])
  const rows = useMemo(() => drillList(assembly, places), [assembly, places])
  const cautions = [...new Set(places.flatMap((p) => p.caution ?? []))]
  const layers = places.flatMap((p) => p.layers.map((l) => ({ p, l })))
  const done = layers.filter(({ p, l }) => job.built[holeKey(p, l)]?.was === holeMark(p, l)).length
  const notched = useMemo(() => notchRows(assembly), [assembly])
  if (!places.length && !notched.length)
    return (
      <>
        <Typography variant="h2">Holes</Typography>
        <Typography sx={{ color: 'text.secondary' }}>Nothing in this job is drilled.</Typography>
      </>
    )
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Holes</Typography>
        <Typography variant="body2" role="status">
          {done} of {layers.length} parts drilled, at {places.length} places
        </Typography>
        <Button component="a" href={`/api/jobs/${jobId}/holes.pdf`} target="_blank" variant="outlined">
          Print the drilling sheet
        </Button>
      </Box>
      {cautions.map((c) => (
        <Typography key={c} variant="body2" sx={{ color: (t) => t.inks.near, fontWeight: 600, maxWidth: 760 }}>
          {c}
        </Typography>
      ))}
      <Members rows={rows} />
      <Notches rows={notched} />
      {places.length > 0 && <ThroughParts job={job} places={places} />}
      <Typography variant="caption" sx={{ color: 'text.secondary', maxWidth: 760 }}>
        Clearance by ISO 273 medium or ASME B18.2.8 normal; holes found on the vehicle are larger by twice what they may be off, under Shop
        rules. Bolts in mm as they are sold.
      </Typography>
    </Box>
  )
}

function ThroughParts({ job, places }: { job: Job; places: HolePlace[] }) {
  const units = useUnits()
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Through every part
      </Typography>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Holes through every part">
          <TableHead>
            <TableRow>
              <TableCell>Bolts</TableCell>
              <TableCell>Parts, as each is drilled</TableCell>
              <TableCell align="right">Drill</TableCell>
              <TableCell align="right">Close</TableCell>
              <TableCell align="right">Stack</TableCell>
              <TableCell align="right">Bolt</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {places.map((p) => (
              <TableRow key={p.id}>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {p.count} × {p.size}
                  {p.apartMm ? `, ${formatLength(p.apartMm, units)} apart` : ''}
                </TableCell>
                <TableCell>
                  {p.layers.map((l) => (
                    <Layer key={l.part} job={job} place={p} layer={l} />
                  ))}
                </TableCell>
                <TableCell align="right">
                  <FigureValue figure={drillFigure(p)} />
                </TableCell>
                <TableCell align="right">{formatGauge(p.closeMm, units)}</TableCell>
                <TableCell align="right">
                  <FigureValue figure={stackFigure(p)} />
                  {p.stackMm === null ? ` not known: ${thinOf(p)}` : ''}
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {p.boltMm === null ? '' : `${p.size} × `}
                  <FigureValue figure={boltFigure(p)} />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </section>
  )
}

const thinOf = (p: HolePlace): string =>
  p.layers
    .filter((l) => l.throughMm === null)
    .map((l) => l.name)
    .join(', ')

/** One part of a hole, ticked once it is drilled. */
export function Layer({ job, place, layer }: { job: Job; place: HolePlace; layer: HoleLayer }) {
  const units = useUnits()
  const key = holeKey(place, layer)
  const kept = job.built[key]
  const changed = kept !== undefined && kept.was !== holeMark(place, layer)
  const tick = (on: boolean) =>
    editJob((j) => {
      const { [key]: _, ...rest } = j.built
      return { ...j, built: on ? { ...rest, [key]: tickOf(localDay(), holeMark(place, layer)) } : rest }
    })
  return (
    <Box component="label" sx={{ display: 'inline-flex', alignItems: 'center', mr: 1.5 }}>
      <Checkbox
        checked={kept !== undefined}
        onChange={(_, on) => tick(on)}
        slotProps={{ input: { 'aria-label': `${layer.mark} of ${place.id} drilled` } }}
        sx={{ width: 44, height: 44 }}
      />
      <span>
        <strong>{layer.mark}</strong> {withLengths(layerWords(layer), units)}
        {changed && (
          <Typography component="span" role="alert" variant="body2" sx={{ color: (t) => t.inks.signal }}>
            {' '}
            moved since it was drilled
          </Typography>
        )}
      </span>
    </Box>
  )
}

/** Flat bars let down over others: where each packet of alike ones is notched. */
function Notches({ rows }: { rows: NotchRow[] }) {
  const units = useUnits()
  const length = (mm: number) => formatLength(mm, units)
  if (!rows.length) return null
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Where strips are notched
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 760 }}>
        From the first end to the middle of each notch. Alike ones are clamped side by side and cut across in one pass.
      </Typography>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Notches by part">
          <TableHead>
            <TableRow>
              <TableCell>Mark</TableCell>
              <TableCell>Part</TableCell>
              <TableCell align="right">Length</TableCell>
              <TableCell align="right">Packet</TableCell>
              <TableCell>At</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((r) => (
              <TableRow key={r.marks.join()}>
                <TableCell sx={{ fontWeight: 600 }}>{r.marks.join(', ')}</TableCell>
                <TableCell>{r.name}</TableCell>
                <TableCell align="right">{length(r.lengthMm)}</TableCell>
                <TableCell align="right">{length(r.packetMm)}</TableCell>
                <TableCell>{notchText(r, length)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </section>
  )
}

function Members({ rows }: { rows: DrillRow[] }) {
  const units = useUnits()
  if (!rows.length) return null
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Where each tube is drilled
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 760 }}>
        From the first end, as the mark reads, to the middle of the place; two bolts lie half their distance either side of it.
      </Typography>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Drilling by part">
          <TableHead>
            <TableRow>
              <TableCell>Mark</TableCell>
              <TableCell>Part</TableCell>
              <TableCell align="right">Length</TableCell>
              <TableCell>At</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((r) => (
              <TableRow key={r.part}>
                <TableCell sx={{ fontWeight: 600 }}>{r.mark}</TableCell>
                <TableCell>{r.name}</TableCell>
                <TableCell align="right">{formatLength(r.lengthMm, units)}</TableCell>
                <TableCell>
                  {r.at
                    .map(
                      (h) =>
                        `${formatLength(h.atMm, units)} (${h.place.count} × ${h.drillMm === null ? '?' : formatGauge(h.drillMm, units)}${h.nut ? ' for rivet nuts' : ''}, with ${h.mates.join(', ')})`,
                    )
                    .join('; ')}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </section>
  )
}
