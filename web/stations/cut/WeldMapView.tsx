import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import type { ViewName } from '../../../core/drawing/sheet'
import { drawView, viewNames } from '../../../core/drawing/views'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { withFlushSeam } from '../../../core/pieces/editPieces'
import { figureText } from '../../../core/quantity/figureText'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { Rules } from '../../../core/rules/rules'
import { jigOf } from '../../../core/weldMap/jig'
import { leadOf } from '../../../core/weldMap/lead'
import { flushFigure, minutesFigure, throatFigure } from '../../../core/weldMap/seamFigures'
import { withSeams } from '../../../core/weldMap/seamMarks'
import { type WeldMap, weldMap, wireText } from '../../../core/weldMap/weldMap'
import type { Welder } from '../../../core/workshop/workshop'
import { useShelf } from '../../api/queries'
import { SheetView } from '../../drawing/SheetView'
import { FigureValue } from '../../figure/Working'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { useFit } from '../../job/useFit'
import { useUnits } from '../../quantity/units'

/** Every weld numbered on the drawing and in the order it is made, with what it takes; the jig, and the lead of the welder. */
export function WeldMapView({ job, jobId }: { job: Job; jobId: string }) {
  const rules = useRules()
  const units = useUnits()
  const shop = useShelf('shop')
  const [view, setView] = useState<ViewName>('plan')
  const welders = shop.data?.document.workshop.welders
  const assembly = useMemo(() => madeAssembly(job, rules), [job, rules])
  const reach = useFit()?.apart?.welds ?? null
  const map = useMemo(() => weldMap(assembly, welders ?? [], rules, reach), [assembly, welders, rules, reach])
  const sheet = useMemo(
    () => withSeams(drawView(view, { ...assembly, dimensions: [] }, job.vehicle, { ...job.brief, cargo: [] }, 'parked', ''), map, view),
    [view, assembly, job, map],
  )
  const mm = (v: number) => formatLength(v, units)
  if (!map.seams.length)
    return (
      <>
        <Typography variant="h2">Welds</Typography>
        <Typography sx={{ color: 'text.secondary' }}>Nothing in this job is welded.</Typography>
      </>
    )
  const jigs = [...new Set(map.seams.map((s) => s.pieceId))].flatMap((id) => jigOf(assembly, id) ?? [])
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Welds</Typography>
        <Typography variant="body2" role="status">
          {map.seams.length} welds, {mm(map.lengthMm)} in all: {(map.minutes / 60).toFixed(1)} h with setting up,{' '}
          {wireText(map.wireG, units)} of wire, {Math.round(map.gasL)} l of gas
        </Typography>
        <Button component="a" href={`/api/jobs/${jobId}/welds.pdf`} target="_blank" variant="outlined">
          Print the weld map
        </Button>
      </Box>
      <ToggleButtonGroup exclusive size="small" value={view} onChange={(_, v: ViewName | null) => v && setView(v)} aria-label="View">
        {(['plan', 'side', 'rear'] as const).map((v) => (
          <ToggleButton key={v} value={v}>
            {viewNames[v]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box sx={{ height: { xs: 260, md: 400 } }}>
        <SheetView sheet={sheet} handles={[]} marks={new Map()} selected={null} onSelect={() => undefined} actions={null} zooms />
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxWidth: 760, fontSize: 14 }}>
        {map.notes.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </Box>
      {(welders ?? []).map((w) => (
        <LeadLine key={w.id} welder={w} rules={rules} />
      ))}
      <Seams seams={map.seams} rules={rules} />
      {jigs.map((j) => (
        <Typography key={j.feet.join()} variant="body2">
          <strong>Jig</strong> for feet {j.feet.join(', ')}: {mm(j.rearMm)} at the rear, {mm(j.frontMm)} at the front, {mm(j.apartMm)}{' '}
          apart, both diagonals {mm(j.diagonalMm)}; it tapers {Math.abs(j.taperPerSideDeg).toFixed(2)}° a side,{' '}
          {Math.abs(2 * j.taperPerSideDeg).toFixed(2)}° in all. Drilled from the vehicle itself, not from the drawing alone.
        </Typography>
      ))}
    </Box>
  )
}

/** The checks count what is left of its throat from then on. */
const flushed = (pieceId: string, jointId: string, on: boolean) =>
  editJob((j) => ({ ...j, pieces: withFlushSeam(j.pieces, pieceId, jointId.slice(pieceId.length + 1), on) }))

function Seams({ seams, rules }: { seams: WeldMap['seams']; rules: Rules }) {
  const units = useUnits()
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label="Welds in order">
        <TableHead>
          <TableRow>
            {['No', 'Between', 'Process', 'Filler', 'Leg', 'Throat', 'Ground flush', 'Length', 'Tacks', 'Time'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {seams.map((s) => (
            <TableRow key={s.joint.id}>
              <TableCell sx={{ fontWeight: 600 }}>{s.number}</TableCell>
              <TableCell>{s.between.join(' on ')}</TableCell>
              <TableCell>{s.welder ? s.process : `${s.process}, nobody here`}</TableCell>
              <TableCell>{s.filler}</TableCell>
              <TableCell>{figureText(s.legMm, 'gauge', units)}</TableCell>
              <TableCell>
                <FigureValue figure={throatFigure(s)} />
              </TableCell>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <Checkbox
                  size="small"
                  checked={s.joint.flush ?? false}
                  disabled={s.pieceId === null}
                  onChange={(_, on) => s.pieceId && flushed(s.pieceId, s.joint.id, on)}
                  slotProps={{ input: { 'aria-label': `Weld ${s.number} ground flush` } }}
                />
                <FigureValue figure={flushFigure(s, rules)} />
              </TableCell>
              <TableCell>{formatLength(s.lengthMm, units)}</TableCell>
              <TableCell>
                {s.tacks}, {s.tackRule}
              </TableCell>
              <TableCell>
                <FigureValue figure={minutesFigure(s, rules)} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  )
}

function LeadLine({ welder, rules }: { welder: Welder; rules: Rules }) {
  const lead = leadOf(welder)
  const bad = !lead.breakerHolds || lead.dropShare > rules.leadDropShare
  const text = `${welder.process} at the end of its lead: ${lead.dropV.toFixed(1)} V of ${welder.supplyV} V lost over both conductors, ${(lead.dropShare * 100).toFixed(1)} %`
  if (!bad) return <Typography variant="body2">{text}.</Typography>
  return (
    <Alert severity="warning">
      {text}
      {lead.breakerHolds ? '; a shorter or thicker lead' : `; it draws ${welder.drawsA} A and its breaker is ${welder.breakerA} A`}. An
      electrician says what the supply takes.
    </Alert>
  )
}
