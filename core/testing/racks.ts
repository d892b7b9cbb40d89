import type { Assembly } from '../assembly/assembly'
import { ThereParams } from '../families/alreadyThere/params'
import type { CrossbarParams } from '../families/crossbarRack/params'
import type { Site } from '../families/family'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { patchedParams } from '../job/piecesOf'
import type { LedgerGiven } from '../limits/ledger'
import { wholeOf } from '../pieces/whole'
import { defaultRules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

/** What worked examples are written with: jobs whose first piece is a crossbar rack. */
export const rackParams = (job: Job): CrossbarParams => job.pieces[0]!.params as CrossbarParams
export const withRack = (job: Job, patch: Partial<CrossbarParams>): Job => patchedParams(job, 'p1', patch)
/** The job with its rack and nothing else, and what lies on it. */
export const rackAlone = (job: Job): Job => ({
  ...job,
  pieces: job.pieces.slice(0, 1),
  brief: { ...job.brief, cargo: job.brief.cargo.filter((c) => c.on.every((id) => id.startsWith('p1/'))) },
})

/** The whole of the job as its limits see it. */
export const assembled = (job: Job, rules = defaultRules): Assembly => wholeOf(job, rules).assembly
export const givenOf = (job: Job, rules = defaultRules): LedgerGiven => {
  const { assembly, pieces } = evaluate(job, rules)
  return { assembly, pieces, vehicle: job.vehicle, brief: job.brief, rules }
}
/** Where a design stands that nothing is said about but its vehicle. */
export const siteOn = (vehicle: Vehicle, over: Partial<Site> = {}): Site => ({
  vehicle,
  brief: demoJobs[0]!.brief,
  rules: defaultRules,
  below: null,
  state: 'fitted',
  ...over,
})

/** The job with something found in its receiver, of which only what is said is known. */
export const withCarrier = (job: Job, params: Partial<ThereParams>): Job => ({
  ...job,
  pieces: [
    ...job.pieces.filter((p) => p.id !== 'p9'),
    {
      id: 'p9',
      name: 'Carrier',
      letter: 'Z',
      family: 'already-there',
      params: ThereParams.parse({ name: 'Carrier', where: 'receiver', ...params }),
      on: null,
      state: 'fitted',
    },
  ],
})
