import { pieceIdOf } from '../assembly/ids'
import { type Evaluation, evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { designedIn, withParams } from '../job/piecesOf'
import { limitKey } from '../limits/limit'
import { pieceName } from '../pieces/piece'
import type { Rules } from '../rules/rules'

export type Relief = { label: string; pieceId: string | null; job: Job; ratioAfter: number; clears: boolean }
/** What a change is judged by: all limits and issues of the changed job. */
export type Judge = (job: Job) => Pick<Evaluation, 'limits' | 'issues'>

/**
 * Which single change would relieve a limit, found by trying the pieces' own changes, and for a gap beside an item moving that, and computing each: it says
 * which piece it changes: the mildest that brings it under its line without pushing another limit over or adding an issue; otherwise the best improvement.
 * `limitId` as `limitKey` gives it. Lengths in a label stand in braces, in mm, so that they can be shown in the job's units.
 */
export function relieve(job: Job, limitId: string, rules: Rules, judge: Judge = (j) => evaluate(j, rules)): Relief[] {
  const now = judge(job)
  const target = now.limits.find((l) => limitKey(l) === limitId)
  if (!target || target.ratio === null) return []
  const ratioNow = target.ratio
  const overNow = new Set(now.limits.filter((l) => l.state === 'over').map(limitKey))
  const tried = (label: string, pieceId: string | null, changed: Job): Relief[] => {
    const after = judge(changed)
    const then = after.limits.find((l) => limitKey(l) === limitId)
    const ratioAfter = then ? then.ratio : 0
    const worsens = after.issues.length > now.issues.length || after.limits.some((l) => l.state === 'over' && !overNow.has(limitKey(l)))
    if (ratioAfter === null || worsens || ratioAfter > ratioNow - 0.005) return []
    return [{ label, pieceId, job: changed, ratioAfter, clears: ratioAfter <= 1 }]
  }
  const several = job.pieces.length > 1
  const own = designedIn(job, rules)
    .filter((b) => !b.family?.there && concerns(job, pieceOf(target), b.piece.id))
    .flatMap(({ piece, design }) => design.changes().map((c) => ({ ...c, piece })))
    .flatMap(({ label, params, piece }) =>
      tried(several ? `${pieceName(piece)}: ${label}` : label, piece.id, withParams(job, piece.id, params)),
    )
  const found = [...moves(job, limitId, tried), ...own]
  const clearing = found.filter((r) => r.clears)
  return (clearing.length ? clearing : [...found].sort((a, b) => a.ratioAfter - b.ratioAfter)).slice(0, 3)
}

/** Of a gap between two pieces either may give way: it belongs to none of them. */
const pieceOf = (l: { id: string; pieceId: string | null }): string | null => {
  const ids = l.id.startsWith('gap.') ? l.id.slice(4).split('|').map(pieceIdOf) : []
  return ids.filter((id) => id !== null).length > 1 && ids[0] !== ids[1] ? null : l.pieceId
}

const STEPS_MM = [10, 20, 40, 80, 160, 320]
const ways = [
  ['forward', 1, 0],
  ['back', -1, 0],
  ['to the left', 0, 1],
  ['to the right', 0, -1],
] as const

/** An item in a gap moved as little as clears it, the least move of each way. */
function moves(job: Job, limitId: string, tried: (label: string, pieceId: null, changed: Job) => Relief[]): Relief[] {
  const item = job.brief.cargo.find((c) => limitId.includes('gap.') && limitId.includes(`cargo:${c.id}`))
  if (!item) return []
  const found = ways.flatMap(([name, x, y]) => {
    for (const mm of STEPS_MM) {
      const cargo = job.brief.cargo.map((c) => (c === item ? { ...c, xMm: c.xMm + x * mm, yMm: c.yMm + y * mm } : c))
      const [r] = tried(`${item.name} {${mm}} ${name}`, null, { ...job, brief: { ...job.brief, cargo } })
      if (r?.clears) return [{ ...r, mm }]
    }
    return []
  })
  return found.sort((a, b) => a.mm - b.mm).map(({ mm: _, ...r }) => r)
}

/** A limit of one piece is relieved in that piece, or in what it stands on or carries; a limit of the whole anywhere. */
function concerns(job: Job, limitOf: string | null, pieceId: string): boolean {
  if (limitOf === null || limitOf === pieceId) return true
  const on = (id: string) => job.pieces.find((p) => p.id === id)?.on ?? null
  return on(pieceId) === limitOf || on(limitOf) === pieceId
}
