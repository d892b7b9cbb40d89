import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import Popover from '@mui/material/Popover'
import TextField from '@mui/material/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import useMediaQuery from '@mui/material/useMediaQuery'
import { lazy, Suspense, useCallback, useMemo, useState } from 'react'
import { create } from 'zustand'
import { datumXMm } from '../../core/drawing/datum'
import { bounds, type Dimension, type Sheet, type ViewName } from '../../core/drawing/sheet'
import { movedLines, type Strain, strainOf } from '../../core/drawing/strain'
import { drawView } from '../../core/drawing/views'
import { familyOf } from '../../core/families/all'
import type { Job } from '../../core/job/job'
import { worstCase } from '../../core/limits/usedInCase'
import type { CaseResult } from '../../core/loads/solveRack'
import { beginDrag, cancelDrag, editJob, endDrag } from '../job/jobStore'
import { useResult, useRules } from '../job/useEvaluation'
import { marksOf } from '../limits/states'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'
import { handlesOf, nudged } from './handles'
import { type SheetActions, SheetView } from './SheetView'
import { UseLegend } from './useBands'

const Scene = lazy(() => import('./Scene'))
export type Arrangement = ViewName | 'all' | '3d'
type View = {
  view: Arrangement
  selected: string | null
  when: 'driving' | 'parked'
  /** the load case shown at Loads; null = the worst */
  caseId: string | null
  show: (view: Arrangement) => void
  select: (ref: string | null) => void
  count: (when: 'driving' | 'parked') => void
  load: (caseId: string | null) => void
}
/** What is looked at: not part of the job, not undone. */
export const useView = create<View>()((set) => ({
  view: 'all',
  selected: null,
  when: 'driving',
  caseId: null,
  show: (view) => set({ view }),
  select: (selected) => set({ selected }),
  count: (when) => set({ when }),
  load: (caseId) => set({ caseId }),
}))

/** The middle of the screen: the same assembly in plan, side, rear and 3D; parts are dragged, nudged, or typed at their dimension. */
export function DrawingPane({
  job,
  live = true,
  low = false,
  loads = false,
}: {
  job: Job
  live?: boolean
  low?: boolean
  loads?: boolean
}) {
  const { view, selected, when, show, select, count } = useView()
  const small = useMediaQuery('(max-width:760px)')
  const evaluation = useResult((s) => s.evaluation)
  const limits = evaluation?.limits
  const { caseId, load } = useView()
  const units = useUnits()
  const shownCase = loads && evaluation ? (evaluation.cases.find((c) => c.case.id === caseId) ?? worstCase(evaluation)) : null
  // a case that lacks a figure is named, not drawn: its hatching would read as clear
  const strainedCase = shownCase && !shownCase.missing.length ? shownCase : null
  const lacks = (shownCase ?? evaluation)?.missing ?? []
  const marks = useMemo(() => marksOf(limits ?? []), [limits])
  const rules = useRules()
  const assembly = useMemo(
    () => familyOf(job.design).assemble(job.design.params, job.vehicle, rules).assembly,
    [job.design, job.vehicle, rules],
  )
  const handles = useMemo(() => handlesOf(job), [job])
  const [typing, setTyping] = useState<{ dimension: Dimension; at: Element } | null>(null)
  const shown: Arrangement = small && view === 'all' ? 'plan' : view

  const actions = useMemo<SheetActions>(
    () => ({
      onGrab: beginDrag,
      onMove: (handle, x, y, free) => editJob((j) => handle.moved(j, x, y, free)),
      onDrop: (cancelled) => (cancelled ? cancelDrag() : endDrag()),
      onNudge: (handle, along, across, large) =>
        editJob((j) => nudged(j, handlesOf(j).find((h) => h.ref === handle.ref) ?? handle, along, across, large)),
      onDimension: (dimension, at) => setTyping({ dimension, at }),
    }),
    [],
  )

  const strain = (name: ViewName): Strain | null => (strainedCase && evaluation ? strainOf(name, evaluation, strainedCase, units) : null)
  const pane = (name: ViewName) => {
    const drawn = drawView(name, assembly, job.vehicle, job.brief, shownCase?.case.when ?? when)
    const strained = strain(name)
    const sheet = strained ? underLoad(drawn, strained) : drawn
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
        <Typography variant="caption" sx={{ color: 'text.secondary', ml: 'auto', display: { xs: 'none', xl: 'block' } }}>
          Drag or use the arrow keys; hold Alt to leave the snapping off. Press a dimension to type it.
        </Typography>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        {shown === '3d' ? (
          <Suspense fallback={<Typography sx={{ p: 3 }}>Setting up the 3D view…</Typography>}>
            <Scene
              job={job}
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

/** A dimension is typed where it stands. */
function DimensionEditor({ job, typing, close }: { job: Job; typing: { dimension: Dimension; at: Element } | null; close: () => void }) {
  const edits = typing?.dimension.edits
  if (!typing || !edits) return null
  const { lengthMm } = typing.dimension
  const set = (value: number | null) => {
    if (value === null) return
    editJob((j) => {
      if (edits.what === 'position') {
        const handle = handlesOf(j).find((h) => h.ref === edits.ref)
        return handle ? handle.moved(j, datumXMm(j.vehicle) + value, 0, true) : j
      }
      const params = familyOf(j.design).resized(j.design.params, edits.what, value - lengthMm)
      const checked = familyOf(j.design).params.safeParse(params)
      return checked.success ? { ...j, design: { ...j.design, params: checked.data } } : j
    })
    close()
  }
  const label = edits.what === 'position' ? 'From the datum' : edits.what === 'length' ? 'Bar length' : 'Deck above ground'
  const range = edits.what === 'position' ? null : familyOf(job.design).resizeRange(job.design.params, edits.what)
  const limits = range ? { min: lengthMm + range[0], max: lengthMm + range[1] } : {}
  return (
    <Popover open anchorEl={typing.at} onClose={close} slotProps={{ paper: { sx: { p: 1.5, width: 210 } } }}>
      <QuantityInput autoFocus label={label} value={lengthMm} onChange={set} {...limits} />
    </Popover>
  )
}
