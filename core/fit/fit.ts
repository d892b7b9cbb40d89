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

/** What fits: every gap that may close, everything that moves, what comes off again and what tools get to (null = not yet looked at), and the limits of all. */
export type Fit = { gaps: Gap[]; motions: Motion[]; apart: Apart | null; leaves: Leaf[]; struts: LidStruts[]; limits: Limit[] }
export type WholeFit = Fit & { apart: Apart }

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

/** What is to follow while something is dragged: gaps and ways. The measurer keeps what it measured for the next time. */
export function gapsAndWays(given: Given, kit: Kit, measurer: Measurer): Fit {
  const gaps = gapsOf(given, measurer)
  const motions = motionsOf(given, kit)
  const leaves = leavesOf(given, given.struts)
  const struts = lidStruts(leaves, given.struts, given.vehicle, given.rules)
  const limits = [...fitLimits({ gaps, motions, lost: bodiless(given) }, given.rules), ...strutLimits(struts, given.rules)]
  return { gaps, motions, apart: null, leaves, struts, limits }
}

/** Gaps and ways once it is known what comes apart and what tools get to. */
export const withApart = (fit: Fit, apart: Apart, rules: Rules): WholeFit => ({
  ...fit,
  apart,
  limits: [...fit.limits, ...reachLimits(apart, rules)],
})

/** All of it at once. */
export const fitOf = (given: Given, kit: Kit, measurer: Measurer): WholeFit =>
  withApart(gapsAndWays(given, kit, measurer), takeApart(given, kit), given.rules)

/** The limits of strength and those of fit as one list, the governing one first. */
export const withFit = (limits: Limit[], fit: Pick<Fit, 'limits'> | null): Limit[] =>
  fit ? governingFirst([...limits, ...fit.limits]) : limits
