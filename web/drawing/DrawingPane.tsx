import Accessibility from '@mui/icons-material/Accessibility'
import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import Popover from '@mui/material/Popover'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import useMediaQuery from '@mui/material/useMediaQuery'
import { lazy, Suspense, useCallback, useMemo, useState } from 'react'
import { clientMarks } from '../../core/drawing/clientMarks'
import { gapLines, type ShownGap } from '../../core/drawing/gapLines'
import { PERSON_MM, withPerson } from '../../core/drawing/person'
import { bounds, type Dimension, type Sheet, type ViewName } from '../../core/drawing/sheet'
import { movedLines, type Strain, strainOf } from '../../core/drawing/strain'
import { drawView } from '../../core/drawing/views'
import type { Job } from '../../core/job/job'
import { designedIn, withParams } from '../../core/job/piecesOf'
import { worstCase } from '../../core/limits/usedInCase'
import type { CaseResult } from '../../core/loads/caseResult'
import { pieceName } from '../../core/pieces/piece'
import { figureText } from '../../core/quantity/figureText'
import { beginDrag, cancelDrag, editJob, endDrag } from '../job/jobStore'
import { useResult, useRules } from '../job/useEvaluation'
import { useLimits } from '../job/useFit'
import { marksOf } from '../limits/states'
import { measureIn, type PieceInHand, useInHand, useWhole } from '../pieces/inHand'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'
import { handlesOf, nudged } from './handles'
import { type SheetActions, SheetView } from './SheetView'
import { UseLegend } from './useBands'
import { useFitShown } from './useFitShown'

import { type Arrangement, useView } from './view'

const Scene = lazy(() => import('./Scene'))
/** The middle of the screen: the same assembly in plan, side, rear and 3D; parts are dragged, nudged, or typed at their dimension. */
export function DrawingPane({
  job,
  live = true,
  low = false,
  loads = false,
  layout = false,
  fit = false,
}: {
  job: Job
  live?: boolean
  low?: boolean
  loads?: boolean
  /** pieces are worked on one at a time: the others step back */
  layout?: boolean
  /** gaps are shown, and what moves stands where it was moved to */
  fit?: boolean
}) {
  const { view, selected, when, show, select, count } = useView()
  const small = useMediaQuery('(max-width:760px)')
  const evaluation = useResult((s) => s.evaluation)
  const limits = useLimits()
  const { caseId, load, person: someone, stand } = useView()
  const units = useUnits()
  const shownCase = loads && evaluation ? (evaluation.cases.find((c) => c.case.id === caseId) ?? worstCase(evaluation)) : null
  // a case that lacks a figure is named, not drawn: its hatching would read as clear
  const strainedCase = shownCase && !shownCase.missing.length ? shownCase : null
  const lacks = (shownCase ?? evaluation)?.missing ?? []
  const marks = useMemo(() => marksOf(limits), [limits])
  const rules = useRules()
  const whole = useWhole(job)
  const { assembly, vehicle, brief, gaps, focus } = useFitShown(job, whole.assembly, fit)
  const inHand = useInHand(job)
  // one piece alone is never faint, nor is anything while loads are looked at
  const faintBut = layout && job.pieces.length > 1 ? (inHand?.piece.id ?? null) : null
  const handles = useMemo(() => handlesOf(job, rules), [job, rules])
  const [typing, setTyping] = useState<{ dimension: Dimension; at: Element } | null>(null)
  const shown: Arrangement = small && view === 'all' ? 'plan' : view

  const actions = useMemo<SheetActions>(
    () => ({
      onGrab: beginDrag,
      onMove: (handle, wish, free) => editJob((j) => wish.reduce((job, [axis, to]) => handle.moved(job, axis, to, free), j)),
      onDrop: (cancelled) => (cancelled ? cancelDrag() : endDrag()),
      onNudge: (handle, axis, steps, large) =>
        editJob((j) =>
          nudged(j, handlesOf(j, rules).find((h) => h.ref === handle.ref && h.label === handle.label) ?? handle, axis, steps, large),
        ),
      onDimension: (dimension, at) => setTyping({ dimension, at }),
    }),
    [rules],
  )

  const strain = (name: ViewName): Strain | null => (strainedCase && evaluation ? strainOf(name, evaluation, strainedCase, units) : null)
  const pane = (name: ViewName) => {
    const bare = drawView(name, assembly, vehicle, brief, shownCase?.case.when ?? when, faintBut)
    const drawn = someone ? withPerson(bare, vehicle, figureText(PERSON_MM, 'mm', units)) : bare
    const strained = strain(name)
    const plain = fit || !live ? withGaps(name, drawn, gaps) : drawn
    // what the client marked stands on the drawing until it is settled, but not where loads and gaps are looked at
    const said = { ...plain, entities: [...plain.entities, ...clientMarks(name, job.clientAnswers)] }
    const whole = strained ? underLoad(drawn, strained) : fit ? plain : said
    // under a measuring sheet there is no room for marks of parts, and nobody asks for them there
    const sheet = low ? { ...whole, entities: whole.entities.filter((e) => e.layer !== 'mark') } : whole
    return (
      <SheetView
        key={name}
        sheet={sheet}
        uses={strained?.uses}
        handles={handles}
        marks={marks}
        selected={selected}
        onSelect={select}
        actions={live ? actions : null}
        faintBut={faintBut}
        focus={focus}
        zooms={live}
      />
    )
  }
  return (
    <Box
      component="section"
      aria-label="Drawing"
      sx={{
        position: 'relative',
        display: 'flex',
        flexDirection: 'column',
        minHeight: { xs: 320, md: 0 },
        height: '100%',
        bgcolor: (t) => t.inks.sheet,
      }}
    >
      <Box
        sx={{ display: 'flex', alignItems: 'center', gap: 1, px: 1, py: 0.5, borderBottom: 1, borderColor: 'divider', flexWrap: 'wrap' }}
      >
        <ToggleButtonGroup size="small" exclusive value={shown} onChange={(_, v: Arrangement | null) => v && show(v)} aria-label="View">
          {(
            [
              ['all', low ? 'Plan and rear' : 'Three views'],
              ['plan', 'Plan'],
              ['side', 'Side'],
              ['rear', 'Rear'],
              ['3d', '3D'],
            ] as const
          )
            .filter(([v]) => !(small && v === 'all'))
            .map(([v, label]) => (
              <ToggleButton key={v} value={v} sx={{ py: 0.25, px: 1.2, fontSize: 13 }}>
                {label}
              </ToggleButton>
            ))}
        </ToggleButtonGroup>
        {loads && evaluation && evaluation.cases.length > 0 ? (
          <CasePicker cases={evaluation.cases} shown={shownCase} picked={caseId} pick={load} some={evaluation.missing.length > 0} />
        ) : (
          <ToggleButtonGroup
            size="small"
            exclusive
            value={when}
            onChange={(_, v: 'driving' | 'parked' | null) => v && count(v)}
            aria-label="Cargo shown"
          >
            <ToggleButton value="driving" sx={{ py: 0.25, px: 1.2, fontSize: 13 }}>
              Driving
            </ToggleButton>
            <ToggleButton value="parked" sx={{ py: 0.25, px: 1.2, fontSize: 13 }}>
              Parked
            </ToggleButton>
          </ToggleButtonGroup>
        )}
        <ToggleButton
          size="small"
          value="person"
          selected={someone}
          onChange={() => stand(!someone)}
          aria-label="Somebody beside it, to see the size by"
          title="Somebody beside it, to see the size by"
          sx={{ py: 0.25, px: 0.6 }}
        >
          <Accessibility fontSize="small" />
        </ToggleButton>
        <Typography variant="caption" sx={{ color: 'text.secondary', ml: 'auto', display: { xs: 'none', xl: 'block' } }}>
          Drag or use the arrow keys; hold Alt to leave the snapping off. Press a dimension to type it.
        </Typography>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        {shown === '3d' ? (
          <Suspense fallback={<Typography sx={{ p: 3 }}>Setting up the 3D view…</Typography>}>
            <Scene
              job={{ ...job, vehicle, brief }}
              gaps={gaps}
              assembly={assembly}
              when={shownCase?.case.when ?? when}
              marks={marks}
              strained={strainedCase && evaluation ? movedLines(evaluation.assembly, strainedCase).lines : []}
            />
          </Suspense>
        ) : shown === 'all' && low ? (
          <Box sx={{ display: 'grid', height: '100%', gridTemplateColumns: '67fr 33fr' }}>
            <Box sx={{ minHeight: 0, borderRight: 1, borderColor: 'divider' }}>{pane('plan')}</Box>
            <Box sx={{ minHeight: 0 }}>{pane('rear')}</Box>
          </Box>
        ) : shown === 'all' ? (
          <Box sx={{ display: 'grid', height: '100%', gridTemplateRows: '54fr 46fr', gridTemplateColumns: '66fr 34fr' }}>
            <Box sx={{ gridColumn: '1 / 3', minHeight: 0, borderBottom: 1, borderColor: 'divider' }}>{pane('plan')}</Box>
            <Box sx={{ minHeight: 0, borderRight: 1, borderColor: 'divider' }}>{pane('side')}</Box>
            <Box sx={{ minHeight: 0 }}>{pane('rear')}</Box>
          </Box>
        ) : (
          pane(shown)
        )}
      </Box>
      {loads && evaluation && (strainedCase || lacks.length > 0) && (
        <UseLegend factor={strainedCase ? movedLines(evaluation.assembly, strainedCase).factor : null} lacks={evaluation.missing} />
      )}
      <DimensionEditor job={job} typing={typing} close={useCallback(() => setTyping(null), [])} />
    </Box>
  )
}

/** Where gaps are looked at, dimensions and marks step aside for them. */
const withGaps = (view: ViewName, drawn: Sheet, gaps: ShownGap[]): Sheet => ({
  ...drawn,
  entities: [
    ...drawn.entities.filter(
      (e) =>
        e.kind !== 'dimension' &&
        e.kind !== 'balloon' &&
        !(e.kind === 'text' && e.layer === 'datum') &&
        !(e.kind === 'line' && e.layer === 'mark'),
    ),
    ...gapLines(view, gaps),
  ],
})

const LOADED = new Set(['member', 'foot', 'cargo', 'force', 'moved'])
/** Under load dimensions, names and doors step aside for the forces, and the rack fills the frame. */
function underLoad(drawn: Sheet, strained: Strain): Sheet {
  const entities = [
    ...drawn.entities.filter((e) => e.kind !== 'dimension' && e.layer !== 'swing' && !(e.kind === 'text' && e.layer !== 'limit')),
    ...strained.entities,
  ]
  return { ...drawn, entities, box: bounds(entities.filter((e) => LOADED.has(e.layer))) }
}

/** Which load case is looked at; first of all the one that uses most. */
function CasePicker({
  cases,
  shown,
  picked,
  pick,
  some,
}: {
  cases: CaseResult[]
  shown: CaseResult | null
  picked: string | null
  pick: (id: string | null) => void
  /** only some of the cases can be assessed */
  some: boolean
}) {
  return (
    <TextField
      select
      size="small"
      label="Load case"
      value={picked ?? 'worst'}
      onChange={(e) => pick(e.target.value === 'worst' ? null : e.target.value)}
      fullWidth={false}
      sx={{ width: 250 }}
    >
      <MenuItem value="worst">
        {some ? 'Worst assessed' : 'Worst of all'}
        {shown && picked === null ? `: ${shown.case.name}` : ''}
      </MenuItem>
      {cases.map((c) => (
        <MenuItem key={c.case.id} value={c.case.id}>
          {c.case.name}
          {c.missing.length > 0 && ', not assessed'}
        </MenuItem>
      ))}
    </TextField>
  )
}

/** A dimension is typed where it stands: it sets the figure of the design that it shows. */
function DimensionEditor({ job, typing, close }: { job: Job; typing: { dimension: Dimension; at: Element } | null; close: () => void }) {
  const rules = useRules()
  const [fault, setFault] = useState('')
  const edits = typing?.dimension.edits
  if (!typing || !edits) return null
  const find = (j: Job) => measureIn(designedIn(j, rules) as PieceInHand[], edits.figure)
  const found = find(job)
  if (!found) return null
  const { lengthMm } = typing.dimension
  const set = (value: number | null) => {
    if (value === null) return
    const read = find(job)?.measure.set(value + edits.offsetMm)
    if (read && !read.ok) return setFault(read.faults.map((f) => f.expected).join('; '))
    if (read) editJob((j) => withParams(j, found.pieceId, read.value))
    setFault('')
    close()
  }
  const piece = job.pieces.length > 1 ? job.pieces.find((p) => p.id === found.pieceId) : undefined
  const { measure } = found
  const label = measure.from === undefined ? measure.label : `${measure.label}, from the datum`
  return (
    <Popover open anchorEl={typing.at} onClose={close} slotProps={{ paper: { sx: { p: 1.5, width: 230 } } }}>
      <QuantityInput
        autoFocus
        label={piece ? `${pieceName(piece)}: ${label}` : label}
        value={lengthMm}
        min={measure.min - edits.offsetMm}
        max={measure.max - edits.offsetMm}
        onChange={set}
      />
      {fault && (
        <Typography variant="caption" role="alert" color="error">
          {fault}
        </Typography>
      )}
    </Popover>
  )
}
