import type { CaseResult } from '../loads/solveRack'
import type { FootRow } from './rackLimits'
import { chainFigure } from './strength'

/** What each foot's force is of what its weakest link holds, down or up; null = unrated. */
export const feetUsed = (result: CaseResult, feet: FootRow[]): (number | null)[] =>
  feet.map((f, i) => {
    const down = result.feetDownN[i]
    const rated = chainFigure('foot', f.mount.mark, down >= 0 ? f.links.down : f.links.up).value
    return rated === null || rated <= 0 ? null : Math.abs(down) / rated
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
