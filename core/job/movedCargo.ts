import type { Job } from './job'

/** An item set somewhere else along the vehicle. mm, forward of the rear axle */
export type CargoMove = { id: string; name: string; xMm: number }

/** The brief with items set elsewhere along the vehicle. */
export const withMoved = (job: Job, moved: CargoMove[]): Job =>
  moved.length === 0
    ? job
    : {
        ...job,
        brief: {
          ...job.brief,
          cargo: job.brief.cargo.map((c) => {
            const to = moved.find((m) => m.id === c.id)
            return to ? { ...c, xMm: to.xMm } : c
          }),
        },
      }
