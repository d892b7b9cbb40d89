import type { Evaluation } from '../job/evaluate'
import type { Job } from '../job/job'
import { governingFirst, type Limit } from '../limits/limit'
import { reachLimits } from '../reach/reachLimits'
import { type Apart, takeApart } from '../reach/takeApart'
import type { Rules } from '../rules/rules'
import type { Struts } from '../strut/struts'
import type { Kit } from '../touch/kit'
import type { Measurer } from '../touch/meetings'
import { bodiless } from './bodiless'
import { fitLimits } from './fitLimits'
import { type FitGiven, type Gap, gapsOf } from './gaps'
import { movesOf } from './gives'
import { type Leaf, type LidStruts, leavesOf, lidStruts } from './lidStruts'
import { type Motion, motionsOf } from './motions'
import { strutLimits } from './strutLimits'

/** What fits: every gap that may close, everything that moves, what comes off again, and the limits of all. */
export type Fit = { gaps: Gap[]; motions: Motion[]; apart: Apart; leaves: Leaf[]; struts: LidStruts[]; limits: Limit[] }

type Given = FitGiven & { struts: Struts[] }
export const fitGiven = (job: Job, e: Pick<Evaluation, 'assembly' | 'cases'>, rules: Rules): Given => ({
  assembly: e.assembly,
  vehicle: job.vehicle,
  brief: job.brief,
  rules,
  moves: movesOf(e.cases),
  stops: job.stops,
  struts: job.struts,
})

/** All of it at once. The measurer keeps what it measured for the next time. */
export function fitOf(given: Given, kit: Kit, measurer: Measurer): Fit {
  const gaps = gapsOf(given, measurer)
  const motions = motionsOf(given, kit)
  const apart = takeApart(given, kit)
  const leaves = leavesOf(given, given.struts)
  const struts = lidStruts(leaves, given.struts, given.vehicle, given.rules)
  const limits = [
    ...fitLimits({ gaps, motions, trapped: apart.trapped, lost: bodiless(given) }, given.rules),
    ...strutLimits(struts, given.rules),
    ...reachLimits(apart, given.rules),
  ]
  return { gaps, motions, apart, leaves, struts, limits }
}

/** The limits of strength and those of fit as one list, the governing one first. */
export const withFit = (limits: Limit[], fit: Pick<Fit, 'limits'> | null): Limit[] =>
  fit ? governingFirst([...limits, ...fit.limits]) : limits
