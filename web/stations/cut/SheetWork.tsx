import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import MuiTable from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { Fold } from '../../../core/assembly/assembly'
import { materialOf } from '../../../core/catalogue/materials'
import { runTitle } from '../../../core/cutRun/programs'
import type { SheetRun } from '../../../core/cutRun/sheetRun'
import { flatPartSheet } from '../../../core/drawing/flatPart'
import { nestDrawing } from '../../../core/drawing/sheetDrawing'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../../core/quantity/formatQuantity'
import { percentText } from '../../../core/quantity/percent'
import { allowanceFigure, deductionFigure } from '../../../core/sheet/foldFigures'
import { sheetsFigure } from '../../../core/sheetNesting/sheetFigures'
import { type FlatKind, flatKinds, marksOf, type SheetGroup, sheetOf } from '../../../core/sheetNesting/sheetPlan'
import { cannotDo } from '../../../core/workshop/cannotDo'
import { useShelf } from '../../api/queries'
import { SheetView } from '../../drawing/SheetView'
import { FigureValue } from '../../figure/Working'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { AcceptSheets } from './AcceptSheets'
import { CutRunView } from './CutRunView'
import { TrialFold } from './TrialFold'
import { useSheets } from './useSheets'

const still = { handles: [], marks: new Map(), selected: null, onSelect: () => undefined, actions: null }

/** What is cut from sheet: which parts, on which sheets, and each as it is laid out and folded. */
export function SheetWork({ job, jobId }: { job: Job; jobId: string }) {
  const rules = useRules()
  const units = useUnits()
  const shop = useShelf('shop')
  const assembly = useMemo(() => madeAssembly(job, rules), [job, rules])
  const kinds = useMemo(() => flatKinds(assembly, rules), [assembly, rules])
  const stock = useShelf('stock')
  const workshop = shop.data?.document.workshop
  // a shop that cannot be fetched has no table to run
  const state = useSheets(job, stock.data?.document, workshop ? workshop.table : shop.isError ? null : undefined, rules)
  const groups = state.done?.groups
  const own = new Set(kinds.flatMap((k) => k.marks))
  const lacks = (workshop ? cannotDo(assembly, workshop, rules) : []).filter((l) => l.marks.some((m) => own.has(m)))
  if (!kinds.length)
    return (
      <>
        <Typography variant="h2">Sheet</Typography>
        <Typography sx={{ color: 'text.secondary' }}>Nothing in this job is cut from sheet: a chest, added at Layout, is.</Typography>
      </>
    )
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Sheet</Typography>
        <Button component="a" href={`/api/jobs/${jobId}/flat.pdf`} target="_blank" variant="outlined">
          Print fold sheets and nests
        </Button>
        <Button component="a" href={`/api/jobs/${jobId}/flat-templates.pdf`} target="_blank">
          Print at full size
        </Button>
        <Button component="a" href={`/api/jobs/${jobId}/nest.dxf`}>
          Nests as DXF
        </Button>
      </Box>
      {lacks.map((l) => (
        <Alert key={l.says} severity="warning">
          <strong>{l.marks.join(', ')}</strong>: {withLengths(l.says, units)}. What would do: {withLengths(l.would, units)}.
        </Alert>
      ))}
      {state.running && <LinearProgress aria-label="Laying the parts on sheets" />}
      {state.fault && <Alert severity="error">The parts could not be laid on sheets: {state.fault}</Alert>}
      {groups?.map((g, i) => (
        <Group
          key={`${g.materialId} ${g.thicknessMm}`}
          group={g}
          runs={state.done!.runs[i]!}
          job={job.title}
          first={groups.slice(0, i).reduce((s, x) => s + x.nest.sheets.length, 1)}
          runHref={(n) => `/api/jobs/${jobId}/run/${n}.nc`}
        />
      ))}
      {groups && <AcceptSheets groups={groups} job={job} />}
      <Parts kinds={kinds} />
      <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 720 }}>
        Lay each out on one face, good face down. A full line folds up (↑), a dashed line folds down (↓), in the order of the numbers. Make
        one of an offcut first: a brake’s own gain moves the lines.
      </Typography>
      {kinds.map((k) => (
        <Box key={k.marks[0]} component="figure" aria-label={marksOf(k)} sx={{ m: 0, borderTop: 2, borderColor: 'divider', pt: 1 }}>
          <Box component="figcaption" sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
            <Typography variant="h3" sx={{ fontSize: 22 }}>
              {marksOf(k)}
            </Typography>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {k.plate.name}, {k.marks.length} off, {materialOf(k.plate.materialId).name}, {formatGauge(k.plate.thicknessMm, units)}
              {k.plate.bends[0] ? `, inside radius ${formatGauge(k.plate.bends[0].insideRadiusMm, units)}` : ''}
            </Typography>
            <Button size="small" component="a" href={`/api/jobs/${jobId}/flat/${encodeURIComponent(k.marks[0]!)}.dxf`}>
              DXF
            </Button>
          </Box>
          <Box sx={{ height: 340, maxWidth: 1000 }}>
            <SheetView sheet={flatPartSheet(k.plate)} {...still} />
          </Box>
          <Folds kind={k} />
        </Box>
      ))}
    </Box>
  )
}

/** What each kind of fold in a part uses up and takes off: the lines stand where these put them. */
function Folds({ kind: { plate } }: { kind: FlatKind }) {
  const rules = useRules()
  const units = useUnits()
  const alike = new Map(plate.bends.map((b) => [`${b.angleDeg} ${b.insideRadiusMm}`, { fold: b, numbers: numbersOf(plate.bends, b) }]))
  return [...alike.values()].map(({ fold, numbers }) => (
    <Typography key={numbers} variant="body2">
      Folds {numbers}, {Math.round(fold.angleDeg * 10) / 10}° round {formatGauge(fold.insideRadiusMm, units)}: each uses{' '}
      <FigureValue figure={allowanceFigure(fold, plate, rules)} /> of sheet and takes{' '}
      <FigureValue figure={deductionFigure(fold, plate, rules)} /> off the outside lengths beside it.
    </Typography>
  ))
}
const numbersOf = (bends: Fold[], like: Fold): string =>
  bends.flatMap((b, i) => (b.angleDeg === like.angleDeg && b.insideRadiusMm === like.insideRadiusMm ? [i + 1] : [])).join(', ')

/** Sheets are counted through all groups, as their programs are. */
type GroupProps = { group: SheetGroup; runs: SheetRun[]; job: string; first: number; runHref: (sheet: number) => string }
function Group({ group: g, runs, job, first, runHref }: GroupProps) {
  const units = useUnits()
  return (
    <Box component="section" aria-label={`${g.material}, ${formatGauge(g.thicknessMm, units)}`}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h3">
          {g.material}, {formatGauge(g.thicknessMm, units)}
        </Typography>
        <Typography variant="body2" role="status">
          {g.nest.sheets.length} {g.nest.sheets.length === 1 ? 'sheet' : 'sheets'}, <FigureValue figure={sheetsFigure(g)} />,{' '}
          {percentText(g.nest.utilisation)} of it becomes parts
        </Typography>
      </Box>
      {g.kinds.some((k) => k.plate.bends.length > 0) && <TrialFold sheet={{ materialId: g.materialId, thicknessMm: g.thicknessMm }} />}
      {g.nest.unplaced.map((u) => (
        <Alert key={u.partId} severity="error">
          {marksOf(g.kinds[Number(u.partId)]!)}: on no sheet, {u.reason}.
        </Alert>
      ))}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 300px), 1fr))', gap: 1.5 }}>
        {g.nest.sheets.map(({ sheetId }, i) => {
          const told = runs[i]!
          const drawing = nestDrawing(g, i, 'run' in told ? told.run : null)
          const { width, height, offcut } = sheetOf(g, sheetId)
          return (
            <Box key={drawing.title} component="figure" sx={{ m: 0 }}>
              <Typography component="figcaption" variant="body2" sx={{ color: 'text.secondary' }}>
                {drawing.title}: {formatLength(width, units)} × {formatLength(height, units)}
                {offcut ? `, from ${offcut.place || 'the rack'}${offcut.note ? ` (${offcut.note})` : ''}` : ''}
              </Typography>
              <Box sx={{ height: 240 }}>
                <SheetView sheet={drawing} {...still} />
              </Box>
              <CutRunView told={told} title={runTitle(job, first + i, g.standing)} size={{ width, height }} href={runHref(first + i)} />
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}

function Parts({ kinds }: { kinds: FlatKind[] }) {
  const units = useUnits()
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <MuiTable size="small" aria-label="Flat parts">
        <TableHead>
          <TableRow>
            <TableCell>Mark</TableCell>
            <TableCell>Part</TableCell>
            <TableCell align="right">Qty</TableCell>
            <TableCell align="right">Folds</TableCell>
            <TableCell align="right">Holes</TableCell>
            <TableCell align="right">Cut</TableCell>
            <TableCell align="right">Thick</TableCell>
            <TableCell align="right">Mass each</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {kinds.map((k) => (
            <TableRow key={k.marks[0]}>
              <TableCell sx={{ fontWeight: 600 }}>{marksOf(k)}</TableCell>
              <TableCell>{k.plate.name}</TableCell>
              <TableCell align="right">{k.marks.length}</TableCell>
              <TableCell align="right">{k.plate.bends.length}</TableCell>
              <TableCell align="right">
                {k.plate.holes.length}
                {k.drilled.length ? `, ${k.drilled.length} drilled` : ''}
              </TableCell>
              <TableCell align="right">{formatLength(k.cutMm, units)}</TableCell>
              <TableCell align="right">{formatGauge(k.plate.thicknessMm, units)}</TableCell>
              <TableCell align="right">{figureText(k.massEachKg, 'kg', units)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </MuiTable>
    </Box>
  )
}
