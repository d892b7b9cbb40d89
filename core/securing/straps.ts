import type { StrapWay } from '../brief/securing'
import { G_M_S2 } from '../quantity/units'

/**
 * A strap as it is meant to be used: its working load limit (kg as printed) and what each of its anchor points holds, null = unknown; its angle to the deck;
 * over the top or the way it keeps the item from going; and where along the item it lies, forward of its middle, null = nobody said.
 */
export type Strap = { wllKg: number | null; anchorN: number | null; angleDeg: number; way: StrapWay; atMm: number | null }

/** What an item is to its straps. Masses kg, lengths mm; the centre of mass above its underside and off its middle, forward and left. */
export type Held = {
  massKg: number
  lengthMm: number
  widthMm: number
  heightMm: number
  centreUpMm: number
  centreForwardMm: number
  centreLeftMm: number
  /** something in front keeps it from sliding, and what that holds; null = nobody knows. N */
  blockedForward: boolean
  blockHoldsN: number | null
  friction: number
  /** what is divided off friction lashing */
  safety: number
  /** what a hand puts into a strap over the top: pressing lives on this, not on what the strap could bear. N */
  tensionN: number
  straps: Strap[]
  /** times its weight: sliding forward, aside and rearward, tipping aside, and what a rebound leaves of it (less than 0 lifts) */
  forwardG: number
  sideG: number
  rearG: number
  tiltG: number
  reboundG: number
  /** lift of the air on it at speed. N */
  liftN: number
  /** for flat sheets: the most between straps, and between the front edge and the first. mm, the shop's own */
  flatPitchMm: number
  flatEndMm: number
}
export const strapNeedIds = ['count', 'rating', 'forward', 'rear', 'left', 'right', 'tilt', 'lift', 'flat'] as const
export type StrapNeed = {
  id: (typeof strapNeedIds)[number]
  /** straps are counted, forces in N, moments in N·mm */
  unit: 'straps' | 'N' | 'N·mm'
  need: number
  /** null = what holds it is not known */
  have: number | null
  says: string
}

/** EN 12195-1:2010: of a direct lashing friction counts three quarters (fμ, 5.4). */
const DIRECT_FRICTION = 0.75
const FLAT_SHARE = 0.1
const FLAT_FROM_MM = 1500

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

/** What one strap gives: the least of its limit and its anchor points; null when one is unknown. N. */
export const strapHoldsN = (s: Strap): number | null =>
  s.wllKg === null || s.anchorN === null ? null : Math.min(s.wllKg * G_M_S2, s.anchorN)

const radians = (deg: number): number => (deg * Math.PI) / 180
/** Long and thin: air gets under it, and sheets slide on one another. */
export const isFlat = (v: Pick<Held, 'lengthMm' | 'widthMm' | 'heightMm'>): boolean =>
  v.heightMm < FLAT_SHARE * Math.min(v.lengthMm, v.widthMm) && v.lengthMm > FLAT_FROM_MM

/**
 * What an item needs and has, need by need. Sliding: over-the-top straps press it, 2·n·μ·F·sin α / fs (EN 12195-1:2010, 5.5.2, both ends), a direct strap gives
 * F·cos α + 0.75·μ·F·sin α (5.4), each way apart; the air’s lift at speed is taken off the weight that rubs and stands. Tipping: m·(c·d − g·b) about each lower edge against the straps' levers (5.3 and 5.5.3). Half its weight in
 * working load limits, a direct strap counting half (49 CFR 393.106d). Lift of the air and rebound against what the straps can bear.
 */
export function strapNeeds(v: Held): StrapNeed[] {
  return [
    {
      id: 'count',
      unit: 'straps',
      need: leastStraps(v.lengthMm, v.massKg, v.blockedForward),
      have: v.straps.length,
      says: 'straps by length and mass',
    },
    halfWeight(v),
    ...(['forward', 'rear', 'left', 'right'] as const).map((way) => sliding(v, way)),
    ...tipping(v),
    ...lifting(v),
    ...(isFlat(v) ? [flatSheet(v)] : []),
  ]
}

const weightN = (v: Held): number => v.massKg * G_M_S2
/** What presses it on its bars at speed: its weight less the lift of the air; friction and its own footing live on no more. N */
const pressesN = (v: Held): number => weightN(v) - v.liftN
const known = (straps: Strap[], sum: () => number): number | null => (straps.some((s) => strapHoldsN(s) === null) ? null : sum())
const holds = (s: Strap): number => strapHoldsN(s) ?? 0
const over = (v: Held): Strap[] => v.straps.filter((s) => s.way === 'over')

function halfWeight(v: Held): StrapNeed {
  const have = known(v.straps, () => v.straps.reduce((t, s) => t + holds(s) * (s.way === 'over' ? 1 : 0.5), 0))
  return { id: 'rating', unit: 'N', need: weightN(v) / 2, have, says: 'half its weight, all straps together; a direct one counts half' }
}

function sliding(v: Held, way: Exclude<StrapWay, 'over'>): StrapNeed {
  const g = way === 'forward' ? v.forwardG : way === 'rear' ? v.rearG : v.sideG
  const direct = v.straps.filter((s) => s.way === way)
  const mu = direct.length ? v.friction * DIRECT_FRICTION : v.friction
  const blocked = way === 'forward' && v.blockedForward
  const pressed = over(v).reduce(
    (t, s) => t + (2 * v.friction * Math.min(v.tensionN, holds(s)) * Math.sin(radians(s.angleDeg))) / v.safety,
    0,
  )
  const pulled = direct.reduce(
    (t, s) => t + holds(s) * (Math.cos(radians(s.angleDeg)) + v.friction * DIRECT_FRICTION * Math.sin(radians(s.angleDeg))),
    0,
  )
  const have = known([...over(v), ...direct], () => pressed + pulled)
  const stop = blocked ? v.blockHoldsN : 0
  return {
    id: way,
    unit: 'N',
    need: Math.max(0, weightN(v) * g - mu * Math.max(0, pressesN(v))),
    have: have === null || stop === null ? null : have + stop,
    says: `sliding ${way === 'left' || way === 'right' ? `to the ${way}` : way}: ${g} of its weight less friction, the air’s lift off it, by pressing and pulling${blocked ? ' and what it rests against' : ''}`,
  }
}

/** The way it tips most easily, of those in which it would; what holds it is divided by the same factor as friction lashing. */
function tipping(v: Held): StrapNeed[] {
  const ways = (['forward', 'rear', 'left', 'right'] as const).map((way): StrapNeed => {
    const along = way === 'forward' || way === 'rear'
    const sign = way === 'forward' || way === 'left' ? 1 : -1
    const g = way === 'forward' ? v.forwardG : way === 'rear' ? v.rearG : v.tiltG
    const half = (along ? v.lengthMm : v.widthMm) / 2
    const toEdge = half - sign * (along ? v.centreForwardMm : v.centreLeftMm)
    const need = Math.max(0, weightN(v) * g * v.centreUpMm - pressesN(v) * toEdge)
    const pressing = over(v).reduce((t, s) => {
      const down = Math.min(v.tensionN, holds(s)) * Math.sin(radians(s.angleDeg))
      // a strap nobody placed has no lever along; across, its far side pulls on the whole width
      const lever = along ? (s.atMm === null ? 0 : 2 * Math.max(0, half - sign * s.atMm)) : v.widthMm
      return t + (down * lever) / v.safety
    }, 0)
    const direct = v.straps.filter((s) => s.way === way)
    // a direct strap is taken to hold it at half its height
    const pulling = direct.reduce((t, s) => t + (holds(s) * Math.cos(radians(s.angleDeg)) * v.heightMm) / 2, 0)
    return {
      id: 'tilt',
      unit: 'N·mm',
      need,
      have: known([...over(v), ...direct], () => pressing + pulling),
      says: `tipping ${along ? way : `to the ${way}`} over its lower edge`,
    }
  })
  const short = (n: StrapNeed) => (n.need <= 0 ? 0 : n.have === null ? Number.POSITIVE_INFINITY : n.need / Math.max(1e-9, n.have))
  const worst = ways.reduce((a, b) => (short(b) > short(a) ? b : a))
  return worst.need > 0 ? [worst] : []
}

function lifting(v: Held): StrapNeed[] {
  const need = Math.max(v.liftN - weightN(v), -v.reboundG * weightN(v))
  if (need <= 0) return []
  const have = known(v.straps, () =>
    v.straps.reduce((t, s) => t + (s.way === 'over' ? 2 : 1) * holds(s) * Math.sin(radians(s.angleDeg)), 0),
  )
  return [{ id: 'lift', unit: 'N', need, have, says: 'lifted by the air or a rebound, against what the straps bear' }]
}

/** A long flat sheet: a stop or a direct strap ahead, a strap near its front edge, and no gap too wide. The shop's own. Straps still missing count. */
function flatSheet(v: Held): StrapNeed {
  const places = over(v).flatMap((s) => s.atMm ?? [])
  const sorted = [v.lengthMm / 2, ...places.filter((x) => x < v.lengthMm / 2).sort((a, b) => b - a), -v.lengthMm / 2]
  const gaps = sorted.slice(1).map((x, i) => ({ mm: sorted[i]! - x, first: i === 0 }))
  const more = gaps.reduce((n, gap) => n + Math.max(0, Math.ceil(gap.mm / (gap.first ? v.flatEndMm : v.flatPitchMm)) - 1), 0)
  const stopped = v.blockedForward || v.straps.some((s) => s.way === 'forward')
  const unplaced = over(v).some((s) => s.atMm === null)
  return {
    id: 'flat',
    unit: 'straps',
    need: over(v).length + more + (stopped ? 0 : 1),
    have: unplaced ? null : over(v).length,
    says: stopped
      ? 'a flat sheet: a strap near its front edge and close ones behind, so that air does not lift it'
      : 'a flat sheet: a front stop or a strap that pulls it back, one near its front edge, and close ones behind',
  }
}

export const isMet = (n: StrapNeed): boolean => n.have !== null && n.have >= n.need - 1e-6
/** How far a need is met: need over what there is. Straps are counted: enough is enough, one short is short. Null = not known. */
export const needRatio = (n: StrapNeed): number | null => {
  if (n.need <= 0) return 0
  if (n.have === null) return null
  return n.unit === 'straps' && n.have >= n.need ? 0 : n.need / Math.max(1e-9, n.have)
}

const WHAT_HELPS: Record<Exclude<StrapNeed['id'], 'count'>, string> = {
  forward: 'one that pulls it rearward, so that it cannot slide forward',
  rear: 'one that pulls it forward, so that it cannot slide off the rear',
  left: 'one that pulls it to the right, so that it cannot slide to the left',
  right: 'one that pulls it to the left, so that it cannot slide to the right',
  tilt: 'one more over it, or one that pulls at its top, so that it cannot tip',
  lift: 'stronger straps or one more, so that it cannot lift',
  rating: 'stronger straps or one more: together they bear less than half its weight',
  flat: 'a front stop, a strap near its front edge, and closer ones behind',
}

/** What is missing, in words; null when all is held. */
export function strapMissing(needs: StrapNeed[]): string | null {
  const unknown = needs.find((n) => n.need > 0 && n.have === null)
  const short = needs.find((n) => n.have !== null && !isMet(n))
  if (short?.id === 'count') return `${short.need - (short.have ?? 0)} more over it: ${short.need} by its length and mass`
  if (short) return WHAT_HELPS[short.id as keyof typeof WHAT_HELPS]
  if (!unknown) return null
  return unknown.id === 'flat' ? 'where along it each strap lies' : 'what a strap, its anchor or the stop holds: find its label'
}
