import Box from '@mui/material/Box'
import Popover from '@mui/material/Popover'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import useMediaQuery from '@mui/material/useMediaQuery'
import { lazy, Suspense, useCallback, useMemo, useState } from 'react'
import { create } from 'zustand'
import { datumXMm } from '../../core/drawing/datum'
import type { Dimension, ViewName } from '../../core/drawing/sheet'
import { drawView } from '../../core/drawing/views'
import { familyOf } from '../../core/families/all'
import type { Job } from '../../core/job/job'
import { beginDrag, cancelDrag, editJob, endDrag } from '../job/jobStore'
import { useResult } from '../job/useEvaluation'
import { marksOf } from '../limits/states'
import { QuantityInput } from '../quantity/QuantityInput'
import { handlesOf, nudged } from './handles'
import { type SheetActions, SheetView } from './SheetView'

const Scene = lazy(() => import('./Scene'))
export type Arrangement = ViewName | 'all' | '3d'
type View = {
  view: Arrangement
  selected: string | null
  when: 'driving' | 'parked'
  show: (view: Arrangement) => void
  select: (ref: string | null) => void
  count: (when: 'driving' | 'parked') => void
}
/** What is looked at: not part of the job, not undone. */
export const useView = create<View>()((set) => ({
  view: 'all',
  selected: null,
  when: 'driving',
  show: (view) => set({ view }),
  select: (selected) => set({ selected }),
  count: (when) => set({ when }),
}))

/** The middle of the screen: the same assembly in plan, side, rear and 3D; parts are dragged, nudged, or typed at their dimension. */
export function DrawingPane({ job, live = true, low = false }: { job: Job; live?: boolean; low?: boolean }) {
  const { view, selected, when, show, select, count } = useView()
  const small = useMediaQuery('(max-width:760px)')
  const limits = useResult((s) => s.evaluation?.limits)
  const marks = useMemo(() => marksOf(limits ?? []), [limits])
  const assembly = useMemo(() => familyOf(job.design).assemble(job.design.params, job.vehicle).assembly, [job.design, job.vehicle])
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

  const sheet = (name: ViewName) => drawView(name, assembly, job.vehicle, job.brief, when)
  const pane = (name: ViewName) => (
    <SheetView
      key={name}
      sheet={sheet(name)}
      handles={handles}
      marks={marks}
      selected={selected}
      onSelect={select}
      actions={live ? actions : null}
    />
  )
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
        <Typography variant="caption" sx={{ color: 'text.secondary', ml: 'auto', display: { xs: 'none', xl: 'block' } }}>
          Drag or use the arrow keys; hold Alt to leave the snapping off. Press a dimension to type it.
        </Typography>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        {shown === '3d' ? (
          <Suspense fallback={<Typography sx={{ p: 3 }}>Setting up the 3D view…</Typography>}>
            <Scene job={job} assembly={assembly} when={when} marks={marks} />
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
      <DimensionEditor job={job} typing={typing} close={useCallback(() => setTyping(null), [])} />
    </Box>
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
