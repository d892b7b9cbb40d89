import type { Assembly } from '../assembly/assembly'
import type { CutPlan } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'

/** What is to be done about the surface of pieces that a plan cuts from the rack: their marks, and the words, lengths in braces. */
export type SurfaceNote = { marks: string[]; says: string }

/** Marks of members that a weld joins to anything. */
function weldedMarks(a: Assembly): Set<string> {
  const ids = new Set(a.joints.filter((j) => j.kind === 'weld').flatMap((j) => j.between))
  return new Set(a.members.filter((m) => ids.has(m.id)).map((m) => m.mark))
}

/**
 * Zinc and paint are bared where a weld goes: zinc burns to smoke that makes ill, and both spoil the seam. How far is the shop's own rule. Cut ends and holes of
 * galvanised stock are bare steel: they get zinc primer, whatever comes over it.
 */
export function surfaceNotes(plan: Pick<CutPlan, 'profiles'>, a: Assembly, rules: Pick<Rules, 'bareBesideWeldMm'>): SurfaceNote[] {
  const welded = weldedMarks(a)
  const cutFrom = (grade: string) => [
    ...new Set(plan.profiles.flatMap((p) => p.bars.filter((b) => b.grade === grade).flatMap((b) => b.cuts.map((c) => c.mark)))),
  ]
  const note = (marks: string[], says: string): SurfaceNote[] => (marks.length ? [{ marks, says }] : [])
  const [zinc, paint] = [cutFrom('galvanised'), cutFrom('coated')]
  const bare = `{${rules.bareBesideWeldMm}} beside each weld, outside and in`
  return [
    ...note(
      zinc.filter((m) => welded.has(m)),
      `galvanised: bare the zinc ${bare}; its smoke makes ill, so draw it off and follow local rules for such work; zinc primer over what was bared`,
    ),
    ...note(
      zinc.filter((m) => !welded.has(m)),
      'galvanised: zinc primer on cut ends and in holes',
    ),
    ...note(
      paint.filter((m) => welded.has(m)),
      `coated: strip it ${bare}; nobody knows what an old coat gives off in the heat, so draw it off`,
    ),
  ]
}
