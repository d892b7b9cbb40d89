import { expose } from 'comlink'
import { proposePlacements } from '../../core/advice/propose'
import { relieve } from '../../core/advice/relief'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import type { Person } from '../../core/loads/caseResult'
import { rackSolver } from '../../core/loads/solveRack'
import { addOne } from '../../core/loseOne/addOne'
import { loseOne } from '../../core/loseOne/loseOne'
import { wholeOf } from '../../core/pieces/whole'
import { G_M_S2 } from '../../core/quantity/units'
import { atStake } from '../../core/remeasure/atStake'
import { reuse } from '../../core/reuse/reuse'
import type { Rules } from '../../core/rules/rules'
import type { FeetHold } from '../../core/structure/rackFrame'
import { compareProfiles } from '../../core/swap/compareProfiles'

/** How far a bar should sink under a proof load, the rack empty: turning on its feet, and clamped by them. mm */
function proofSag(job: Job, rules: Rules, place: Person, loadKg: number): { computedSagMm: number; clampedSagMm: number } {
  const { assembly } = wholeOf(job, rules)
  const sag = (hold: FeetHold) => {
    const solver = rackSolver(assembly, [], rules, [place], hold)
    if (!solver) throw new Error('there is no bar on feet to load')
    return solver.sinksPerN(place).sagMm * loadKg * G_M_S2
  }
  return { computedSagMm: sag('free'), clampedSagMm: sag('clamped') }
}

const api = { evaluate, relieve, compareProfiles, proposePlacements, proofSag, loseOne, addOne, atStake, reuse }
export type EvaluationApi = typeof api
expose(api)
