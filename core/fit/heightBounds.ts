import { combinedTolerance } from '../measure/readings'
import type { Taker } from './gaps'

/**
 * One thing that stops pieces from being set lower or higher: how far they may still go that way by it, at worst. Less than 0 = they stand beyond it now. Null =
 * nobody knows, for what `lacks` says. mm
 */
export type Bound = {
  id: string
  name: string
  nominalMm: number | null
  takers: Taker[]
  mm: number | null
  likelyMm: number | null
  lacks: string | null
}
/** Pieces that go up and down as one, how high their highest part stands above the ground, and what bounds them, the nearest first. mm */
export type HeightWindow = { id: string; name: string; topMm: number; lower: Bound[]; higher: Bound[] }

/** The nearest first; what nobody knows before all. */
export const nearestFirst = (bounds: Bound[]): Bound[] =>
  bounds.sort((a, b) => (a.mm ?? Number.NEGATIVE_INFINITY) - (b.mm ?? Number.NEGATIVE_INFINITY) || (a.name < b.name ? -1 : 1))

/** What is left of a distance once everything that takes from it is off. */
export function bound(id: string, name: string, nominalMm: number, takers: Taker[]): Bound {
  const lacks = takers.find((t) => t.mm === null)?.name ?? null
  const known = (error: boolean) => takers.flatMap((t) => (t.error === error && t.mm !== null ? [t.mm] : []))
  const errors = combinedTolerance(known(true))
  const left = nominalMm - known(false).reduce((s, mm) => s + mm, 0)
  const [mm, likelyMm] = lacks === null ? [left - errors.worst, left - errors.likely] : [null, null]
  return { id, name, nominalMm, takers, mm, likelyMm, lacks }
}

/** The lowest and the highest that the pieces may stand, each with what says so, and the room between: less than 0 = there is none. Null = nothing bounds it there. mm */
export type WindowEnds = {
  lowestMm: number | null
  lowestBy: string | null
  highestMm: number | null
  highestBy: string | null
  roomMm: number | null
  /** what is not known, and so may bound it nearer */
  lacks: string[]
}

/** zlow = z − min aᵢ, zhigh = z + min bⱼ over what bounds it below (aᵢ) and above (bⱼ). */
export function endsOf({ topMm, lower, higher }: Pick<HeightWindow, 'topMm' | 'lower' | 'higher'>): WindowEnds {
  const first = (bounds: Bound[]) => nearestFirst(bounds.filter((b) => b.mm !== null))[0] ?? null
  const [low, high] = [first(lower), first(higher)]
  return {
    lowestMm: low ? topMm - low.mm! : null,
    lowestBy: low?.name ?? null,
    highestMm: high ? topMm + high.mm! : null,
    highestBy: high?.name ?? null,
    roomMm: low && high ? low.mm! + high.mm! : null,
    lacks: [...lower, ...higher].flatMap((b) => b.lacks ?? []),
  }
}
