import type { Job } from '../job/job'
import type { Cure, Motion } from './motions'

/** The job with a cure done, where the job can say it: a stop to be fitted, an item that lies elsewhere. Null where somebody must design it. */
export function withCure(job: Job, { mover }: Pick<Motion, 'mover'>, cure: Cure): Job | null {
  if (cure.kind === 'stop') return { ...job, stops: { ...job.stops, [mover.id]: cure.at } }
  const cargoId = cure.id.startsWith('cargo:') ? cure.id.slice('cargo:'.length) : null
  const by = { forward: [1, 0], back: [-1, 0], left: [0, 1], right: [0, -1], up: null, down: null }[cure.way]
  if (cargoId === null || !by) return null
  const cargo = job.brief.cargo.map((c) =>
    c.id === cargoId ? { ...c, xMm: c.xMm + by[0]! * cure.byMm, yMm: c.yMm + by[1]! * cure.byMm } : c,
  )
  return { ...job, brief: { ...job.brief, cargo } }
}

export const withoutStop = (job: Job, moverId: string): Job => {
  const { [moverId]: _, ...stops } = job.stops
  return { ...job, stops }
}
