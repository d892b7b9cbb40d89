import { familyOf } from '../families/all'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'

export type Relief = { label: string; job: Job; ratioAfter: number; clears: boolean }

/**
 * Which single change would relieve a limit, found by trying the family's own changes and computing each: the mildest that
 * brings it under its line without pushing another limit over or adding an issue; otherwise the best improvement.
 * Lengths in a label stand in braces, in mm, so that they can be shown in the job's units.
 */
export function relieve(job: Job, limitId: string, rules: Rules): Relief[] {
  const now = evaluate(job, rules)
  const target = now.limits.find((l) => l.id === limitId)
  if (!target || target.ratio === null) return []
  const ratioNow = target.ratio
  const overNow = new Set(now.limits.filter((l) => l.state === 'over').map((l) => l.id))
  const found = familyOf(job.design)
    .changes(job.design.params, job.vehicle)
    .flatMap(({ label, params }): Relief[] => {
      const changed: Job = { ...job, design: { ...job.design, params } }
      const after = evaluate(changed, rules)
      const ratioAfter = after.limits.find((l) => l.id === limitId)?.ratio ?? (after.limits.some((l) => l.id === limitId) ? null : 0)
      const worsens = after.issues.length > now.issues.length || after.limits.some((l) => l.state === 'over' && !overNow.has(l.id))
      if (ratioAfter === null || worsens || ratioAfter > ratioNow - 0.005) return []
      return [{ label, job: changed, ratioAfter, clears: ratioAfter <= 1 }]
    })
  const clearing = found.filter((r) => r.clears)
  return (clearing.length ? clearing : [...found].sort((a, b) => a.ratioAfter - b.ratioAfter)).slice(0, 3)
}
