import { encode } from 'fast-png'
import { picture, type SeenFrom } from '../../core/drawing/picture'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'

/** The job in the round as a PNG so many points wide. */
export const picturePng = (job: Job, { assembly }: Pick<Evaluation, 'assembly'>, seen: SeenFrom, widthPx: number): Buffer =>
  Buffer.from(encode({ ...picture(assembly, job.vehicle, job.brief, seen, widthPx), channels: 3 }))
