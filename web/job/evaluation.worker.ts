import { expose } from 'comlink'
import { familyOf } from '../../core/families/all'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { relieve } from '../../core/limits/relief'
import { type Person, rackSolver } from '../../core/loads/solveRack'
import { G_M_S2 } from '../../core/quantity/units'
import type { Rules } from '../../core/rules/rules'
import { proposePlacements } from '../../core/spacing/propose'
import { compareProfiles } from '../../core/swap/compareProfiles'

/** How far a bar should sink under a proof load, the rack empty. mm */
function proofSag(job: Job, rules: Rules, place: Person, loadKg: number): number {
  const { assembly } = familyOf(job.design).assemble(job.design.params, job.vehicle)
  const solver = rackSolver(assembly, [], rules, [place])
  if (!solver) throw new Error('there is no bar on feet to load')
  return solver.sinksPerN(place).sagMm * loadKg * G_M_S2
}

const api = { evaluate, relieve, compareProfiles, proposePlacements, proofSag }
export type EvaluationApi = typeof api
expose(api)
