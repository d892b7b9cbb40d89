import type { CaseResult } from '../loads/caseResult'
import { pullOf } from './footLinks'
import type { FootRow } from './footRow'
import { quotient } from './limit'
import { ratedN } from './strength'

/** What each foot's force is of what its weakest link holds, down or up; null = unrated. */
export const feetUsed = (result: CaseResult, feet: FootRow[]): (number | null)[] =>
  feet.map((f) => {
    const force = result.feet[f.index]!
    const pull = pullOf(f.mount, force)
    const down = ratedN(f.links.down.length ? f.links.down : f.links.standing.down)
    if (down === null) return null
    const pressed = quotient(Math.max(0, force.downN), down)
    if (pull <= 0) return pressed
    const up = ratedN(f.links.up)
    return up === null ? null : Math.max(pressed, quotient(pull, up))
  })

/** The most that a case uses of any member and of any rated foot; a foot without a rating has no share, and a case that lacks a figure has none at all. */
export function usedInCase(result: CaseResult, e: { feet: FootRow[] }): { members: number | null; feet: number | null } {
  if (result.missing.length) return { members: null, feet: null }
  const shares = feetUsed(result, e.feet)
  return {
    members: Math.max(0, ...result.members.map((m) => m.used)),
    feet: shares.some((s) => s === null) ? null : Math.max(0, ...shares.map((s) => s ?? 0)),
  }
}

/** The case that uses most of anything, of those that can be assessed. */
export const worstCase = (e: { cases: CaseResult[]; feet: FootRow[] }): CaseResult | null =>
  e.cases
    .filter((c) => !c.missing.length)
    .reduce<CaseResult | null>((a, r) => {
      const most = (c: CaseResult) => {
        const u = usedInCase(c, e)
        return Math.max(u.members ?? 0, u.feet ?? 0)
      }
      return a === null || most(r) > most(a) ? r : a
    }, null)
