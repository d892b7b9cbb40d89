import Box from '@mui/material/Box'
import { type ReactNode, useMemo } from 'react'
import { cutList } from '../../../core/cutList/cutList'
import { type Stop, stops } from '../../../core/cutList/stops'
import { drillFigure } from '../../../core/drilling/holeFigures'
import { holePlaces } from '../../../core/drilling/holes'
import { torqueFigure, torquesOf } from '../../../core/handOver/torques'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { figureText } from '../../../core/quantity/figureText'
import { formatLength } from '../../../core/quantity/formatQuantity'
import { tubeWork } from '../../../core/tube/tubeParts'
import { weldMap } from '../../../core/weldMap/weldMap'
import { markFigure, pullFigure } from '../../../core/workshop/bendFigures'
import { bendSheet, rotateText } from '../../../core/workshop/bendSheet'
import type { Workshop } from '../../../core/workshop/workshop'
import { FigureValue } from '../../figure/Working'
import { useRules } from '../../job/useEvaluation'
import { useFit } from '../../job/useFit'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'
import { Layer } from './HolesView'
import { PieceTicks } from './PieceTicks'

type Given = { job: Job; workshop: Workshop }
/** What the machine or the wrench is set to in a step, large enough for an arm's length; pieces and holes are ticked here as they are made. */
export function StepSettings({ stepId, ...given }: Given & { stepId: string }) {
  if (stepId === 'cut') return <SawStops {...given} />
  if (stepId === 'bend' || stepId === 'trial-bend') return <Bends {...given} />
  if (stepId === 'drill') return <Holes job={given.job} />
  if (/^(tack|weld)/.test(stepId)) return <Seams {...given} />
  if (/^(fit|tighten-first|recheck)$/.test(stepId)) return <Torques job={given.job} />
  return null
}

function Rows({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box component="ul" aria-label={label} sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {children}
    </Box>
  )
}
function Row({ big, children }: { big: ReactNode; children: ReactNode }) {
  return (
    <Box component="li" sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
      <Box component="span" sx={{ fontSize: 24, fontWeight: 600, fontFamily: FIGURES }}>
        {big}
      </Box>{' '}
      {children}
    </Box>
  )
}

/** What the saw's stop is set to, in the order it is cut. */
function SawStops({ job, workshop }: Given) {
  const rules = useRules()
  const units = useUnits()
  const all = useMemo(() => stops(cutList(madeAssembly(job, rules)), workshop.saws), [job, rules, workshop])
  const line = (s: Stop) => `${s.profile}${s.ends ? `, ${s.ends}` : ''}`
  return (
    <Rows label="Stop settings">
      {all.map((s) => (
        <Row key={`${s.profileId} ${s.lengthMm} ${s.ends}`} big={formatLength(s.lengthMm, units)}>
          <span>
            {s.marks.length} × {line(s)}
            {s.beyondStop ? '; longer than the stop reaches: by tape' : ''}
          </span>
          <PieceTicks job={job} stop={s} />
        </Row>
      ))}
    </Rows>
  )
}

/** Mark, what to pull to by the die's own trials, and how the tube is turned before it, bend by bend. */
function Bends({ job, workshop }: Given) {
  const rules = useRules()
  const bent = useMemo(() => tubeWork(madeAssembly(job, rules)).filter(({ part }) => part.member.path.length > 2), [job, rules])
  return (
    <Rows label="Bends">
      {bent.map(({ part, marks }) => {
        const sheet = part.lacks ? null : bendSheet(part, workshop)
        return (
          <Row key={part.member.id} big={marks.join(', ')}>
            {!sheet && <span>do not bend: {part.lacks ?? 'nobody knows its radius'}</span>}
            {sheet && <span>marks from the {sheet.from} end</span>}
            {sheet?.steps.map((s) => (
              <Box key={s.number} sx={{ fontSize: 20, fontFamily: FIGURES }}>
                {s.number}: at <FigureValue figure={markFigure(marks[0] ?? '', sheet, s.number)} />,{' '}
                {s.pullToDeg === null ? (
                  `${s.angleDeg.toFixed(1)}°, trial bend first`
                ) : (
                  <>
                    pull to <FigureValue figure={pullFigure(sheet, s.number)} />
                  </>
                )}
                {rotateText(s.rotationDeg) === 'no' ? '' : `, first turn it ${rotateText(s.rotationDeg)}`}
              </Box>
            ))}
          </Row>
        )
      })}
    </Rows>
  )
}

/** Every place that is drilled: the drill, and a tick for each part, so that no mate is forgotten. */
function Holes({ job }: { job: Job }) {
  const rules = useRules()
  const units = useUnits()
  const places = useMemo(() => holePlaces(madeAssembly(job, rules), job.vehicle, rules), [job, rules])
  return (
    <Rows label="Holes">
      {places.map((p) => (
        <Row
          key={p.id}
          big={
            <>
              {p.count} × <FigureValue figure={drillFigure(p)} />
            </>
          }
        >
          <span>
            for {p.size}
            {p.apartMm ? `, ${formatLength(p.apartMm, units)} apart` : ''}
          </span>
          <Box>
            {p.layers.map((l) => (
              <Layer key={l.part} job={job} place={p} layer={l} />
            ))}
          </Box>
        </Row>
      ))}
    </Rows>
  )
}

/** The welds in their order, each with its leg, its length and what makes it. */
function Seams({ job, workshop }: Given) {
  const rules = useRules()
  const units = useUnits()
  const reach = useFit()?.apart?.welds ?? null
  const map = useMemo(() => weldMap(madeAssembly(job, rules), workshop.welders, rules, reach), [job, rules, workshop, reach])
  return (
    <Rows label="Welds">
      {map.seams.map((s) => (
        <Row key={s.joint.id} big={`${s.number}`}>
          <span>
            {s.between.join(' to ')}: leg {figureText(s.legMm, 'gauge', units)}, {formatLength(s.lengthMm, units)}, {s.tacks} tacks;{' '}
            {s.process}, {s.filler}
            {s.welder === null ? '; no welder here does this metal' : ''}
          </span>
        </Row>
      ))}
    </Rows>
  )
}

/** What the wrench is set to, by size and by what is squeezed. */
function Torques({ job }: { job: Job }) {
  const rules = useRules()
  const all = useMemo(() => torquesOf(madeAssembly(job, rules), job.vehicle, rules), [job, rules])
  return (
    <Rows label="Torque">
      {all.map((t) => (
        <Row key={`${t.size} ${t.where}`} big={<FigureValue figure={torqueFigure(t, rules)} />}>
          <span>
            {t.count} × {t.size}, {t.where}
          </span>
        </Row>
      ))}
    </Rows>
  )
}
