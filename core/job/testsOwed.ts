import dayjs from 'dayjs'
import { DRIVEN_DAYS, isShaken } from '../loadTest/namedTests'
import type { Job } from './job'

/** The tests that a job goes out with, by the step that is ticked for each; the first only where it is loaded hard, or nobody said how hard. */
const TESTS = [
  { step: 'shake', what: 'Shaken by hand', hardOnly: true },
  { step: 'load-test', what: 'Proof load', hardOnly: false },
  { step: 'road', what: 'Road test', hardOnly: false },
  { step: 'recheck', what: 'Bolts tightened again', hardOnly: false },
] as const

/** Once building has begun: each named test that is not signed yet, and for what comes after the first drives the day it is due. */
export function testsOwed(job: Pick<Job, 'built' | 'brief'>): string[] {
  if (!Object.keys(job.built).length) return []
  const hard = isShaken(job.brief.loadClass)
  return TESTS.flatMap(({ step, what, hardOnly }) => {
    if (job.built[step] || (hardOnly && !hard)) return []
    const driven = job.built.road?.on
    const due = step === 'recheck' && driven ? `, due ${dayjs(driven).add(DRIVEN_DAYS, 'day').format('YYYY-MM-DD')}` : ''
    return [`${what}: not done yet${due}`]
  })
}
