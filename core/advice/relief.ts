import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { designedIn, withParams } from '../job/piecesOf'
import { limitKey } from '../limits/limit'
import { pieceName } from '../pieces/piece'
import type { Rules } from '../rules/rules'

export type Relief = { label: string; pieceId: string; job: Job; ratioAfter: number; clears: boolean }

/**
 * Which single change would relieve a limit, found by trying the pieces' own changes and computing each: it says which piece it changes: the mildest that
 * brings it under its line without pushing another limit over or adding an issue; otherwise the best improvement. `limitId` as `limitKey` gives it.
 * Lengths in a label stand in braces, in mm, so that they can be shown in the job's units.
 */
export function relieve(job: Job, limitId: string, rules: Rules): Relief[] {
  const now = evaluate(job, rules)
  const target = now.limits.find((l) => limitKey(l) === limitId)
  if (!target || target.ratio === null) return []
  const ratioNow = target.ratio
  const overNow = new Set(now.limits.filter((l) => l.state === 'over').map(limitKey))
  const several = job.pieces.length > 1
  const found = designedIn(job, rules)
    .filter((b) => !b.family?.there && concerns(job, target.pieceId, b.piece.id))
    .flatMap(({ piece, design }) => design.changes().map((c) => ({ ...c, piece })))
    .flatMap(({ label, params, piece }): Relief[] => {
      const changed = withParams(job, piece.id, params)
      const after = evaluate(changed, rules)
      const then = after.limits.find((l) => limitKey(l) === limitId)
      const ratioAfter = then ? then.ratio : 0
      const worsens = after.issues.length > now.issues.length || after.limits.some((l) => l.state === 'over' && !overNow.has(limitKey(l)))
      if (ratioAfter === null || worsens || ratioAfter > ratioNow - 0.005) return []
      return [
        { label: several ? `${pieceName(piece)}: ${label}` : label, pieceId: piece.id, job: changed, ratioAfter, clears: ratioAfter <= 1 },
      ]
    })
  const clearing = found.filter((r) => r.clears)
  return (clearing.length ? clearing : [...found].sort((a, b) => a.ratioAfter - b.ratioAfter)).slice(0, 3)
}

/** A limit of one piece is relieved in that piece, or in what it stands on or carries; a limit of the whole anywhere. */
function concerns(job: Job, limitOf: string | null, pieceId: string): boolean {
  if (limitOf === null || limitOf === pieceId) return true
  const on = (id: string) => job.pieces.find((p) => p.id === id)?.on ?? null
  return on(pieceId) === limitOf || on(limitOf) === pieceId
}
