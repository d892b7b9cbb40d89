import { createHash } from 'node:crypto'
import type { Job } from '../../core/job/job'

/** What of a job changes from day to day: it asks nothing else of the shop, and no limit hangs on it. Dates, ticks, what has come, words. */
const DAILY = ['due', 'station', 'start', 'bringsOn', 'ahead', 'notBefore', 'kit', 'built', 'atWork', 'clientAnswers', 'notes'] as const
/** What steps, needs and limits of a job are worked out from: its design, and what else they hang on, in words. */
export function basisOf(job: Job, beside: string): string {
  const design: Partial<Job> = { ...job }
  for (const key of DAILY) delete design[key]
  return `${createHash('sha256').update(JSON.stringify(design)).digest('hex').slice(0, 24)} ${beside}`
}
