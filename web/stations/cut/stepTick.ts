import { begun, corrected, done, type Moment, undone } from '../../../core/build/doing'
import type { BuildStep } from '../../../core/build/step'
import type { Rules } from '../../../core/rules/rules'
import { localDay } from '../../../core/time/localDay'
import { editJob } from '../../job/jobStore'
import { useWho } from '../../shell/who'

const now = (): Moment => ({ day: localDay(), iso: new Date().toISOString() })

/** What a thumb does to a step of the job on screen. */
export const begin = (s: BuildStep) => editJob((j) => begun(j, s, now()))
export const finish = (s: BuildStep, rules: Rules, otherwise = '') =>
  editJob((j) => done(j, s, now(), rules, { by: useWho.getState().who, otherwise }))
export const takeBack = (s: BuildStep) => editJob((j) => undone(j, s.id))
export const correct = (stepId: string, over: Parameters<typeof corrected>[2]) => editJob((j) => corrected(j, stepId, over))
