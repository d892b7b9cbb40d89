import RAPIER from '@dimforge/rapier3d-compat'
import { type Gap, gapsOf } from '../fit/gaps'
import { movesOf } from '../fit/gives'
import { motionsOf } from '../fit/motions'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'

/** A job's gaps and ways as Fit finds them, with its figures. The library is made ready first: `RAPIER.init()`. */
export const fitOf = (job: Job) => {
  const e = evaluate(job, defaultRules)
  const kit = rapierKit(RAPIER)
  const given = {
    assembly: e.assembly,
    vehicle: job.vehicle,
    brief: job.brief,
    rules: defaultRules,
    moves: movesOf(e.cases),
    stops: job.stops,
  }
  const answer = { gaps: gapsOf(given, new Measurer(kit)), motions: motionsOf(given, kit), evaluation: e }
  kit.close()
  return answer
}
/** The gap between two things by their names, in either order. */
export const between = (gaps: Gap[], a: RegExp, b: RegExp) =>
  gaps.find((g) => (a.test(g.a.name) && b.test(g.b.name)) || (b.test(g.a.name) && a.test(g.b.name)))
/** What takes so much from a gap, by its name. mm */
export const taken = (g: Gap, what: RegExp) => g.takers.find((t) => what.test(t.name))?.mm
