import { G_M_S2 } from '../quantity/units'

/** A strap as it is meant to be used: its working load limit and its anchor's rating (kg as printed, null = unknown), its angle to the deck, and over the top or which motion it stops. */
export type Strap = { wllKg: number | null; anchorN: number | null; angleDeg: number; way: 'over' | 'forward' | 'rear' | 'side' }
export type StrapNeed = { id: 'count' | 'rating' | 'forward' | 'rear' | 'side' | 'over'; needN: number; haveN: number | null; says: string }

/**
 * Fewest straps by length and mass (49 CFR 393.110): up to 1.52 m and 500 kg one, else two up to 3.05 m, and one more for each 3.05 m begun beyond. A
 * thing held from moving forward by a headboard needs one a 3.05 m. mm, kg.
 */
export function leastStraps(lengthMm: number, massKg: number, blockedForward: boolean): number {
  const FEET10 = 3048
  if (blockedForward) return Math.max(1, Math.ceil(lengthMm / FEET10))
  if (lengthMm <= FEET10 / 2 && massKg <= 500) return 1
  return lengthMm <= FEET10 ? 2 : 2 + Math.ceil((lengthMm - FEET10) / FEET10)
}

/** What one strap gives: the least of its limit and its anchor; null when one is unknown. N. */
export const strapHoldsN = (s: Strap): number | null =>
  s.wllKg === null || s.anchorN === null ? null : Math.min(s.wllKg * G_M_S2, s.anchorN)

/**
 * What holds an item forward 0.8, sideways and rearward 0.5 of its weight, and half its weight in all. Over-the-top straps press it down:
 * friction 2·n·μ·F·sin α / fs (EN 12195-1:2010, 5.5.2, both ends); a strap that pulls against the motion gives F·cos α + μ·F·sin α (5.4). N.
 */
export function strapNeeds(v: {
  massKg: number
  lengthMm: number
  blockedForward: boolean
  friction: number
  safety: number
  /** what a hand puts into a strap over the top: pressing lives on this, not on what the strap could bear */
  tensionN: number
  straps: Strap[]
  forwardG: number
  sideG: number
  rearG: number
}): StrapNeed[] {
  const weightN = v.massKg * G_M_S2
  const unknown = v.straps.some((s) => strapHoldsN(s) === null)
  const force = (s: Strap) => strapHoldsN(s) ?? 0
  const sin = (s: Strap) => Math.sin((s.angleDeg * Math.PI) / 180)
  const cos = (s: Strap) => Math.cos((s.angleDeg * Math.PI) / 180)
  const pressed = v.straps
    .filter((s) => s.way === 'over')
    .reduce((t, s) => t + (2 * v.friction * Math.min(v.tensionN, force(s)) * sin(s)) / v.safety, 0)
  const against = (way: Strap['way']) =>
    v.straps.filter((s) => s.way === way).reduce((t, s) => t + force(s) * (cos(s) + v.friction * sin(s)), 0)
  const known = (n: number) => (unknown ? null : n)
  const way = (id: 'forward' | 'rear' | 'side', g: number, blocked: boolean): StrapNeed => ({
    id,
    needN: Math.max(0, weightN * g - v.friction * weightN),
    haveN: blocked ? weightN * g : known(pressed + against(id)),
    says: blocked ? 'held by what it rests against' : `${g} of its weight less friction, by pressing and pulling`,
  })
  const count = leastStraps(v.lengthMm, v.massKg, v.blockedForward)
  return [
    { id: 'count', needN: count, haveN: v.straps.length, says: 'straps by length and mass' },
    {
      id: 'rating',
      needN: weightN / 2,
      haveN: known(v.straps.reduce((t, s) => t + force(s), 0)),
      says: 'half its weight, all straps together',
    },
    way('forward', v.forwardG, v.blockedForward),
    way('side', v.sideG, false),
    way('rear', v.rearG, false),
  ]
}

/** How much a pressing strap of the kind already there would have to be repeated, or what is missing, in words; null when all is held. */
export function strapMissing(needs: StrapNeed[]): string | null {
  const short = needs.find((n) => n.haveN !== null && n.haveN < n.needN - 1e-6)
  if (needs.some((n) => n.haveN === null)) return 'a strap or its anchor has no rating: find its label'
  if (!short) return null
  if (short.id === 'count') return `${short.needN - (short.haveN ?? 0)} more over it: ${short.needN} by its length and mass`
  const lack = Math.ceil(short.needN - (short.haveN ?? 0))
  const where = {
    forward: 'one that pulls it rearward, so that it cannot slide forward',
    rear: 'one that pulls it forward, so that it cannot slide off the rear',
    side: 'one across it, so that it cannot slide aside',
    rating: 'stronger straps or one more',
    over: 'one more over it',
  }
  return `${where[short.id as keyof typeof where]}: ${lack} N are not held`
}
