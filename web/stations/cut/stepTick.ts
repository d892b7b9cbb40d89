import type { BuildStep } from '../../../core/build/step'
import { stepMark } from '../../../core/build/ticks'
import type { Job } from '../../../core/job/job'
import { localDay } from '../../../core/time/localDay'
import { tickOf, tookMinutes } from '../../../core/workLog/tick'
import { editJob } from '../../job/jobStore'

/** The job with a step begun now; whatever was at work before is left without a time. */
export const begin = (s: BuildStep) => editJob((j) => ({ ...j, atWork: { id: s.id, since: new Date().toISOString() } }))

/** A step done or not done after all; timed where it was begun here. */
export const tick = (s: BuildStep, done: boolean) =>
  editJob((j): Job => {
    const { [s.id]: _, ...rest } = j.built
    if (!done) return { ...j, built: rest }
    const mine = j.atWork?.id === s.id ? j.atWork : null
    const tookMin = mine ? tookMinutes(mine.since, new Date().toISOString()) : null
    const made = tickOf(localDay(), stepMark(s), { tookMin, reckonedMin: s.minutes })
    return { ...j, built: { ...rest, [s.id]: made }, atWork: mine ? null : j.atWork }
  })

/** Something of a done step put right: the minutes it took, what came out otherwise. */
export const correct = (id: string, over: Partial<Job['built'][string]>) =>
  editJob((j) => {
    const at = j.built[id]
    return at ? { ...j, built: { ...j.built, [id]: { ...at, ...over } } } : j
  })
