import { Impossible } from '../issue/impossible'
import { degrees, type Radians, radians } from '../quantity/units'

/** Two legs that lean alike under a top bar: base and top along the ground, height upright, leg along its own line, lean off upright (positive = the top is narrower). mm, degrees */
export type TrapezoidKnown = {
  baseMm: number | null
  topMm: number | null
  heightMm: number | null
  legMm: number | null
  leanDeg: number | null
}
export type Trapezoid = { baseMm: number; topMm: number; heightMm: number; legMm: number; leanDeg: number }

/**
 * Any three of base, top, height, leg and lean give the rest: i = (b − t)/2 = l·sin θ, h = l·cos θ (trigonometry). Throws `Impossible` where fewer or other
 * than three say nothing, or where they contradict each other: a leg shorter than what it leans over, a height above its leg.
 */
export function solveTrapezoid(k: TrapezoidKnown): Trapezoid {
  const given = Object.values(k).filter((v) => v !== null).length
  if (given !== 3) throw new Impossible(`give three of base, top, height, leg and lean and leave the other two: ${given} are given`)
  const { baseMm: b, topMm: t, heightMm: h, legMm: l, leanDeg } = k
  if (b === null && t === null) throw new Impossible('height, leg and lean say nothing of how wide it is: give base or top')
  const lean = leanDeg === null ? null : radians(leanDeg)
  if (lean !== null && Math.abs(lean) >= Math.PI / 2) throw new Impossible('a lean of 90° or more has no height: make it less')
  const inset = b !== null && t !== null ? (b - t) / 2 : null
  const side = sideOf(inset, h, l, lean)
  const base = b ?? (t ?? 0) + 2 * side.inset
  const top = t ?? base - 2 * side.inset
  if (top < 0 || base < 0) throw new Impossible('the legs would cross below the top: less lean, a shorter leg or a wider base')
  return {
    baseMm: base,
    topMm: top,
    heightMm: side.height,
    legMm: side.leg,
    leanDeg: degrees(Math.atan2(side.inset, side.height) as Radians),
  }
}

function sideOf(
  inset: number | null,
  h: number | null,
  l: number | null,
  lean: number | null,
): { inset: number; height: number; leg: number } {
  if (inset !== null) {
    if (h !== null) return { inset, height: h, leg: Math.hypot(inset, h) }
    if (l !== null) {
      if (Math.abs(inset) >= l) throw new Impossible('the leg is shorter than it leans over: a longer leg, or top and base nearer alike')
      return { inset, height: Math.sqrt(l ** 2 - inset ** 2), leg: l }
    }
    if (lean === null || Math.abs(lean) < 1e-9 || Math.sign(lean) !== Math.sign(inset))
      throw new Impossible('base and top differ the other way than it leans, or not at all: the height stays open')
    return { inset, height: inset / Math.tan(lean), leg: inset / Math.sin(lean) }
  }
  if (h !== null && l !== null) {
    if (l < h) throw new Impossible('the leg is shorter than the height: a longer leg or a lower height')
    return { inset: Math.sqrt(l ** 2 - h ** 2), height: h, leg: l }
  }
  const a = lean ?? 0
  return h !== null
    ? { inset: h * Math.tan(a), height: h, leg: h / Math.cos(a) }
    : { inset: (l ?? 0) * Math.sin(a), height: (l ?? 0) * Math.cos(a), leg: l ?? 0 }
}

export type SawSetting = { part: string; offSquareDeg: number; cuts: 'parallel' | 'opposed' | 'square'; longMm: number; shortMm: number }
/**
 * How the saw is set. Legs between two level bars: both cuts off square by the lean and parallel, so each face is as long as the leg and the long points lie
 * w·tan θ further apart. A top bar mitred onto its legs: each end (90° − θ)/2 off square, opposed; long point to long point is the top (the mitre halves the angle).
 */
export function sawSettings(t: Trapezoid, widthMm: number): SawSetting[] {
  const a = Math.abs(radians(t.leanDeg))
  const mitre = (90 - t.leanDeg) / 2
  return [
    {
      part: 'leg, between level bars',
      offSquareDeg: Math.abs(t.leanDeg),
      cuts: Math.abs(t.leanDeg) < 0.05 ? 'square' : 'parallel',
      longMm: t.legMm + widthMm * Math.tan(a),
      shortMm: t.legMm - widthMm * Math.tan(a),
    },
    {
      part: 'top bar, mitred onto the legs',
      offSquareDeg: mitre,
      cuts: 'opposed',
      longMm: t.topMm,
      shortMm: t.topMm - 2 * widthMm * Math.tan(radians(mitre)),
    },
  ]
}

/** What one degree more of lean does at the same leg: each side of the top comes in so far, and the top sinks (dx = l·cos θ, dh = −l·sin θ a radian). mm */
export const oneDegree = ({ legMm, leanDeg }: Trapezoid): { topInMm: number; sinksMm: number } => ({
  topInMm: legMm * Math.cos(radians(leanDeg)) * radians(1),
  sinksMm: legMm * Math.sin(radians(leanDeg)) * radians(1),
})
