import type { Handle } from '../../core/families/family'
import type { Vec3 } from '../../core/geometry/vec3'
import type { Job } from '../../core/job/job'
import { designedIn, withParams } from '../../core/job/piecesOf'
import { wholeOf } from '../../core/pieces/whole'
import { MM_PER_INCH } from '../../core/quantity/units'
import { restOf } from '../../core/resting/rest'
import type { Rules } from '../../core/rules/rules'

export type Axis = 'x' | 'y' | 'z'
/** Something on the drawing that can be taken hold of, by hand or with the arrow keys. Places in vehicle axes, mm. */
export type DrawnHandle = {
  ref: string
  label: string
  at: Vec3
  /** ways it moves */
  axes: Axis[]
  /** it moves both ways of a view at once; others keep to the way that they were first moved */
  both: boolean
  /** the job with the handle moved along one axis to a place; `free` leaves the snapping off */
  moved: (job: Job, axis: Axis, to: number, free: boolean) => Job
}

const round2 = (v: number) => Math.round(v * 100) / 100
const stepOf = (job: Job) => (job.units.system === 'inch' ? MM_PER_INCH / 2 : 10)

/** Handles of every design and of what is carried. Figures snap to round ones and to what the place allows. */
export function handlesOf(job: Job, rules: Rules): DrawnHandle[] {
  const designed = designedIn(job, rules)
  const several = job.pieces.length > 1
  const parts = designed.flatMap(({ piece, design, assembly }) =>
    assembly.members.length || assembly.fittings.length
      ? design.handles().map(
          (h): DrawnHandle => ({
            ref: `${piece.id}/${h.ref}`,
            label: several && piece.letter ? `${piece.letter} ${h.label}` : h.label,
            at: h.at,
            axes: h.moves.map((m) => m.axis),
            both: false,
            moved: (j, axis, to, free) => movedHandle(j, rules, piece.id, h.id, axis, to, free),
          }),
        )
      : [],
  )
  const { assembly } = wholeOf(job, rules)
  const cargo = job.brief.cargo.map(
    (c, i): DrawnHandle => ({
      ref: `cargo:${c.id}`,
      label: c.name,
      at: { x: c.xMm, y: c.yMm, z: restOf(c, assembly).zMm ?? 0 },
      axes: ['x', 'y'],
      both: true,
      moved: (j, axis, to, free) => {
        const step = stepOf(j)
        const snap = (v: number) => (free ? round2(v) : Math.abs(v) < step ? 0 : Math.round(v / step) * step)
        const old = j.brief.cargo[i]
        if (!old || axis === 'z') return j
        const next = axis === 'x' ? { ...old, xMm: snap(to) } : { ...old, yMm: snap(to) }
        return next.xMm === old.xMm && next.yMm === old.yMm
          ? j
          : { ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((o, k) => (k === i ? next : o)) } }
      },
    }),
  )
  return [...parts, ...cargo]
}

/** A design's handle taken to a place along an axis: the figure that it sets, as far as that goes. */
function movedHandle(job: Job, rules: Rules, pieceId: string, handleId: string, axis: Axis, to: number, free: boolean): Job {
  const built = designedIn(job, rules).find((b) => b.piece.id === pieceId)
  const handle = built?.design.handles().find((h: Handle) => h.id === handleId)
  const move = handle?.moves.find((m) => m.axis === axis)
  const measure = move && built?.design.measures().find((m) => m.id === move.measure)
  if (!built || !handle || !move || !measure) return job
  const raw = measure.value + (to - handle.at[axis]) * move.per
  const from = measure.from ?? 0
  const step = stepOf(job)
  const rounded = free ? round2(raw) : from + Math.round((raw - from) / step) * step
  const bounded = Math.min(measure.max, Math.max(measure.min, rounded))
  const value = measure.snap ? measure.snap(bounded) : bounded
  if (Math.abs(value - measure.value) < 1e-9) return job
  const set = measure.set(value)
  return set.ok ? withParams(job, pieceId, set.value) : job
}

/** One press of an arrow key along an axis: what stands on fixed points goes to the next point, everything else by a step. */
export function nudged(job: Job, handle: DrawnHandle, axis: Axis, steps: number, large: boolean): Job {
  const base = (job.units.system === 'inch' ? MM_PER_INCH / 4 : 5) * (large ? 10 : 1)
  for (let reach = 1; reach <= 400; reach++) {
    const next = handle.moved(job, axis, handle.at[axis] + steps * base * reach, true)
    if (next !== job) return next
    if (handle.both) break
  }
  return job
}
