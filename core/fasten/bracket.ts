/** Z: two bends, a step between two flat ends. L: one leg on the seat, the load on the other. Channel: a leg with folded sides. */
export const bracketKinds = ['Z', 'L', 'channel'] as const
export type Bracket = {
  kind: (typeof bracketKinds)[number]
  /** across the load's way */
  widthMm: number
  thicknessMm: number
  /** from the bend that is held to where the load acts */
  reachMm: number
  /** how far the load's place stands above the held bend: what a push across works on; Z only */
  riseMm?: number
  /** height of the folded sides; channel only */
  sidesMm: number
  /** both ends held flat by two bolts or more: the moment is shared between the two bends */
  bothEndsHeld: boolean
  elasticMPa: number
  yieldMPa: number
  safety: number
}
/** What acts on it: down or up, across the vehicle (in the plane of its bends) and along it. N, sizes only. */
export type BracketForces = { downN: number; acrossN: number; alongN: number }
export type BracketResult = {
  momentNmm: number
  modulusMm3: number
  stressMPa: number
  allowedMPa: number
  used: number
  bendsByMm: number
  holdsN: number
}

/** Bending of a bracket beside its bend, σ = M / W, and how far it gives, F·e³/3EI: twice the reach, eight times the give (Gere & Goodno, 5.5 and table G-1). */
export const bracketBending = (b: Bracket, forceN: number): BracketResult => bracketUnder(b, { downN: forceN, acrossN: 0, alongN: 0 })

/**
 * All three forces at once: down × reach and across × rise bend it over its thickness, along × √(reach² + rise²) over its width:
 * σ = (Fz·e + Fy·h)/W + Fx·√(e² + h²)/Ws (Gere & Goodno, 5.5; both bendings peak at one corner). N, mm → MPa
 */
export function bracketUnder(b: Bracket, f: BracketForces): BracketResult {
  const { modulusMm3, inertiaMm4 } = sectionOf(b)
  const rise = b.riseMm ?? 0
  const share = b.kind === 'Z' && b.bothEndsHeld ? 0.5 : 1
  const momentNmm = (f.downN * b.reachMm + f.acrossN * rise) * share
  const asideNmm = f.alongN * Math.hypot(b.reachMm, rise) * share
  const allowedMPa = b.yieldMPa / b.safety
  const stressMPa = momentNmm / modulusMm3 + asideNmm / ((b.thicknessMm * b.widthMm ** 2) / 6)
  return {
    momentNmm,
    modulusMm3,
    stressMPa,
    allowedMPa,
    used: stressMPa / allowedMPa,
    bendsByMm: (f.downN * b.reachMm ** 3) / ((share < 1 ? 12 : 3) * b.elasticMPa * inertiaMm4),
    holdsN: (allowedMPa * modulusMm3) / (b.reachMm * share),
  }
}

/** A flat strip b·t²/6; with folded sides two upright strips and the web between, about their common axis. mm³, mm⁴. */
function sectionOf(b: Bracket): { modulusMm3: number; inertiaMm4: number } {
  const { widthMm: w, thicknessMm: t, sidesMm: h } = b
  if (b.kind !== 'channel' || h <= t) return { modulusMm3: (w * t * t) / 6, inertiaMm4: (w * t ** 3) / 12 }
  const web = { area: (w - 2 * t) * t, at: t / 2, own: ((w - 2 * t) * t ** 3) / 12 }
  const sides = { area: 2 * t * h, at: h / 2, own: (2 * t * h ** 3) / 12 }
  const at = (web.area * web.at + sides.area * sides.at) / (web.area + sides.area)
  const inertiaMm4 = web.own + web.area * (at - web.at) ** 2 + sides.own + sides.area * (sides.at - at) ** 2
  return { modulusMm3: inertiaMm4 / Math.max(at, h - at), inertiaMm4 }
}

export type BracketFix = { what: string; used: number }

/** What would bring a bracket under its line, each worked out: thicker, wider, both ends held, folded sides. Mildest that clears first. Lengths in braces, mm. */
export function bracketFixes(b: Bracket, forces: BracketForces): BracketFix[] {
  const sheets = [3, 4, 5, 6, 8, 10, 12]
  const used = (next: Bracket) => bracketUnder(next, forces).used
  const now = used(b)
  const tried: (BracketFix & { order: number })[] = []
  const put = (order: number, what: string, next: Bracket) => tried.push({ order, what, used: used(next) })
  if (b.kind === 'Z' && !b.bothEndsHeld)
    put(0, 'a second bolt at each end, so that both bends share the moment', { ...b, bothEndsHeld: true })
  const thicker = sheets.find((t) => t > b.thicknessMm && used({ ...b, thicknessMm: t }) <= 1)
  if (thicker) put(1, `{g ${thicker}} thick instead of {g ${b.thicknessMm}}`, { ...b, thicknessMm: thicker })
  if (b.kind !== 'channel')
    put(2, 'sides folded up {20}, as a gusset on both edges', { ...b, kind: 'channel', sidesMm: 20 + b.thicknessMm })
  const wider = Math.ceil((b.widthMm * now) / 5) * 5
  if (wider > b.widthMm && wider <= 3 * b.widthMm) put(3, `{${wider}} wide instead of {${b.widthMm}}`, { ...b, widthMm: wider })
  return tried
    .filter((f) => f.used < now)
    .sort((x, y) => Number(x.used > 1) - Number(y.used > 1) || x.order - y.order)
    .map(({ what, used }) => ({ what, used }))
}
