import { datumXMm } from '../../core/drawing/datum'
import { familyOf } from '../../core/families/all'
import type { Job } from '../../core/job/job'
import { MM_PER_INCH } from '../../core/quantity/units'

/** Something on the drawing that can be taken hold of, by hand or with the arrow keys. Places in vehicle axes, mm. */
export type DrawnHandle = {
  ref: string
  label: string
  x: number
  y: number
  /** whether it moves across the vehicle as well */
  across: boolean
  /** the job with the handle at this place; `free` leaves the snapping off */
  moved: (job: Job, x: number, y: number, free: boolean) => Job
}

const round2 = (v: number) => Math.round(v * 100) / 100

/** Places snap to round distances from the datum, and to what the mounts allow. */
export function handlesOf(job: Job): DrawnHandle[] {
  const family = familyOf(job.design)
  const inch = job.units.system === 'inch'
  const datum = datumXMm(job.vehicle)
  const step = inch ? MM_PER_INCH / 2 : 10
  const bars = family.handles(job.design.params, job.vehicle).map(
    (h): DrawnHandle => ({
      ref: h.ref,
      label: h.label,
      x: h.xMm,
      y: 0,
      across: false,
      moved: (j, x, _y, free) => {
        const now = familyOf(j.design)
          .handles(j.design.params, j.vehicle)
          .find((k) => k.id === h.id)
        if (!now) return j
        const to = now.snap(free ? round2(x) : datum + Math.round((x - datum) / step) * step)
        return to === now.xMm ? j : { ...j, design: { ...j.design, params: now.moved(j.design.params, to) } }
      },
    }),
  )
  const cargo = job.brief.cargo.map(
    (c, i): DrawnHandle => ({
      ref: `cargo:${c.id}`,
      label: c.name,
      x: c.xMm,
      y: c.yMm,
      across: true,
      moved: (j, x, y, free) => {
        const snap = (v: number) => (free ? round2(v) : Math.abs(v) < step ? 0 : Math.round(v / step) * step)
        const old = j.brief.cargo[i]
        if (!old) return j
        const next = { ...old, xMm: snap(x), yMm: snap(y) }
        return next.xMm === old.xMm && next.yMm === old.yMm
          ? j
          : { ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((o, k) => (k === i ? next : o)) } }
      },
    }),
  )
  return [...bars, ...cargo]
}

/** One press of an arrow key: bars on fixed points go to the next point, everything else by a step. */
export function nudged(job: Job, handle: DrawnHandle, alongSteps: number, acrossSteps: number, large: boolean): Job {
  const base = (job.units.system === 'inch' ? MM_PER_INCH / 4 : 5) * (large ? 10 : 1)
  for (let reach = 1; reach <= 400; reach++) {
    const next = handle.moved(job, handle.x + alongSteps * base * reach, handle.y + acrossSteps * base * reach, true)
    if (next !== job) return next
    if (handle.across) break
  }
  return job
}
