import { G_M_S2, radians } from '../quantity/units'

/** A place in the leaf's plane of turning: out from the hinge along the shut leaf, and up the way it opens. mm */
export type InPlane = { out: number; up: number }
/** A mass that turns with the leaf, where it is when shut. kg */
export type Turning = InPlane & { kg: number }
/**
 * What a leaf and its struts are: masses of the leaf alone and with all it carries; how gravity lies in the plane (of length 1 or less); where a hand takes
 * hold; the ends of the struts; their force at 20 °C and full length, how much more when pushed right in.
 */
export type StrutGiven = {
  fromDeg: number
  toDeg: number
  empty: Turning[]
  loaded: Turning[]
  gravity: { out: number; up: number }
  handOutMm: number
  count: number
  forceN: number
  extendedMm: number
  strokeMm: number
  progression: number
  onLeaf: InPlane
  onBody: InPlane
  coldC: number
  hotC: number
  /** share of its force that an old strut still has */
  kept: number
}
/**
 * At one angle: how far a strut is pushed in (0 … 1), what closes the leaf, what the struts open it by, and how a hand feels it at worst, more than 0 = it
 * must lift. `push` and `weight` lie in the plane and are what the hinge bears. N, N·mm, mm
 */
export type StrutPoint = {
  deg: number
  lengthMm: number
  armMm: number
  pushedIn: number
  closes: { empty: number; loaded: number }
  opens: { cold: number; usual: number; hot: number }
  hand: { heavy: number; light: number }
  push: InPlane
  weight: InPlane
  hingeN: number
}
export type StrutCurve = {
  points: StrutPoint[]
  /** where a strut would be longer or shorter than it can be; null = nowhere */
  outOfReach: { deg: number; lengthMm: number; says: 'too short' | 'too long' } | null
  /** the points that govern: wide open, the heaviest to a hand, the lightest, the worst at the hinge */
  governs: { open: StrutPoint; toOpen: StrutPoint; toShut: StrutPoint; hinge: StrutPoint }
  /** what closes it wide open, with its load or without, whichever is more, against what old struts hold in the cold. N·mm */
  closesOpenNmm: number
  holdsOpenNmm: number
  /** most that a hand must lift to open, cold and old; must pull to shut, hot and new. N */
  mostToOpenN: number
  mostToShutN: number
  /** from where it goes up by itself, empty and hot; null = never. Shut it pushes against its latch. degrees */
  liftsFromDeg: number | null
  atLatchN: number
  mostAtHingeN: number
}

const KELVIN = 273.15
const turn = ({ out, up }: InPlane, deg: number): InPlane => {
  const [c, s] = [Math.cos(radians(deg)), Math.sin(radians(deg))]
  return { out: out * c - up * s, up: out * s + up * c }
}
/** Moment of a force about the hinge, opening positive. */
const moment = (at: InPlane, f: { out: number; up: number }): number => at.out * f.up - at.up * f.out

/** Lever by which a mass shuts the leaf at an angle; less than 0 = it opens it. mm */
export const shutsByMm = (m: InPlane, deg: number, gravity: InPlane): number => -moment(turn(m, deg), gravity)

/** A strut's force: more as it is pushed in, by its maker's progression, and with temperature as a shut volume of gas (Gay-Lussac). N */
export const strutForceN = (
  g: Pick<StrutGiven, 'forceN' | 'progression' | 'extendedMm' | 'strokeMm'>,
  lengthMm: number,
  celsius: number,
): number => g.forceN * (1 + (g.progression - 1) * pushedIn(g, lengthMm)) * warmth(celsius)

const pushedIn = (g: Pick<StrutGiven, 'extendedMm' | 'strokeMm'>, lengthMm: number): number =>
  Math.max(0, Math.min(1, (g.extendedMm - lengthMm) / g.strokeMm))
/** What a shut volume of gas pushes by at a temperature, of its push at 20 °C (Gay-Lussac). */
export const warmth = (celsius: number): number => (KELVIN + celsius) / (KELVIN + 20)

/** Moments about the hinge over the whole way, degree by degree (statics): Σ m·g·arm that closes, n·F·arm that opens. */
export function strutCurve(g: StrutGiven): StrutCurve {
  const n = Math.max(1, Math.ceil(g.toDeg - g.fromDeg))
  const points = Array.from({ length: n + 1 }, (_, i) => pointAt(g, g.fromDeg + ((g.toDeg - g.fromDeg) * i) / n))
  const first = points[0]!
  const last = points[points.length - 1]!
  const bad = points.find((p) => p.lengthMm > g.extendedMm + 0.5 || p.lengthMm < g.extendedMm - g.strokeMm - 0.5)
  const lifts = points.find((p) => p.hand.light < 0)
  const most = (of: (p: StrutPoint) => number) => points.reduce((a, b) => (of(b) > of(a) ? b : a))
  const governs = { open: last, toOpen: most((p) => p.hand.heavy), toShut: most((p) => -p.hand.light), hinge: most((p) => p.hingeN) }
  return {
    points,
    governs,
    outOfReach: bad ? { deg: bad.deg, lengthMm: bad.lengthMm, says: bad.lengthMm > g.extendedMm ? 'too short' : 'too long' } : null,
    closesOpenNmm: Math.max(last.closes.empty, last.closes.loaded),
    holdsOpenNmm: last.opens.cold,
    mostToOpenN: Math.max(0, governs.toOpen.hand.heavy),
    mostToShutN: Math.max(0, -governs.toShut.hand.light),
    liftsFromDeg: lifts ? lifts.deg : null,
    atLatchN: Math.max(0, -first.hand.light),
    mostAtHingeN: governs.hinge.hingeN,
  }
}

function pointAt(g: StrutGiven, deg: number): StrutPoint {
  const end = turn(g.onLeaf, deg)
  const run = { out: end.out - g.onBody.out, up: end.up - g.onBody.up }
  const lengthMm = Math.hypot(run.out, run.up)
  const way = lengthMm > 0 ? { out: run.out / lengthMm, up: run.up / lengthMm } : { out: 0, up: 0 }
  const armMm = moment(end, way)
  const closing = (masses: Turning[]) => masses.reduce((s, m) => s + m.kg * G_M_S2 * shutsByMm(m, deg, g.gravity), 0)
  const opening = (celsius: number, kept: number) => g.count * strutForceN(g, lengthMm, celsius) * kept * armMm
  const closes = { empty: closing(g.empty), loaded: closing(g.loaded) }
  const opens = { cold: opening(g.coldC, g.kept), usual: opening(20, 1), hot: opening(g.hotC, 1) }
  const hotN = g.count * strutForceN(g, lengthMm, g.hotC)
  const push = { out: hotN * way.out, up: hotN * way.up }
  const bears = ({ out, up }: InPlane) => Math.hypot(push.out + out, push.up + up)
  const [empty, loaded] = [g.empty, g.loaded].map((masses) => {
    const n = masses.reduce((s, m) => s + m.kg, 0) * G_M_S2
    return { out: n * g.gravity.out, up: n * g.gravity.up }
  }) as [InPlane, InPlane]
  const weight = bears(empty) > bears(loaded) ? empty : loaded
  return {
    deg,
    lengthMm,
    armMm,
    pushedIn: pushedIn(g, lengthMm),
    closes,
    opens,
    // a load that stands out from the leaf helps it open past upright: neither load nor its absence may be forgotten
    hand: {
      heavy: (Math.max(closes.loaded, closes.empty) - opens.cold) / g.handOutMm,
      light: (Math.min(closes.empty, closes.loaded) - opens.hot) / g.handOutMm,
    },
    push,
    weight,
    hingeN: bears(weight),
  }
}

/** A size on the shelf. N, mm */
export type StrutSize = { id: string; forceN: number; extendedMm: number; strokeMm: number }
export type StrutChoice = { size: StrutSize; count: number; onLeaf: InPlane; onBody: InPlane; curve: StrutCurve }

/**
 * The best of the sizes there are and where to put their ends, by trying: what holds the leaf open old and cold with a tenth to spare and never runs out of
 * stroke, and of that what a hand feels least, opening and shutting. Null where none of them does.
 */
export function bestStruts(
  g: Omit<StrutGiven, 'count' | 'forceN' | 'extendedMm' | 'strokeMm' | 'onLeaf' | 'onBody'>,
  sizes: StrutSize[],
  reachMm: number,
): StrutChoice | null {
  const shares = [0.15, 0.25, 0.35, 0.45, 0.55, 0.65, 0.75]
  const depths = [20, 60, 110, 170, 240, 320]
  let best: (StrutChoice & { feels: number }) | null = null
  for (const size of sizes)
    for (const count of [1, 2])
      for (const leaf of shares)
        for (const body of shares)
          for (const below of depths) {
            const onLeaf = { out: leaf * reachMm, up: -15 }
            const onBody = { out: body * reachMm, up: -15 - below }
            const given = { ...g, ...size, count, onLeaf, onBody }
            // both ends of the way first: most places are out of reach there
            if (!within(given, g.fromDeg) || !within(given, g.toDeg)) continue
            const curve = strutCurve(given)
            if (curve.outOfReach || curve.holdsOpenNmm < curve.closesOpenNmm + 0.1 * Math.abs(curve.closesOpenNmm)) continue
            const feels = Math.max(curve.mostToOpenN, curve.mostToShutN)
            if (!best || feels < best.feels - 0.01) best = { size, count, onLeaf, onBody, curve, feels }
          }
  if (!best) return null
  const { feels: _, ...choice } = best
  return choice
}

function within(g: Pick<StrutGiven, 'onLeaf' | 'onBody' | 'extendedMm' | 'strokeMm'>, deg: number): boolean {
  const end = turn(g.onLeaf, deg)
  const long = Math.hypot(end.out - g.onBody.out, end.up - g.onBody.up)
  return long <= g.extendedMm && long >= g.extendedMm - g.strokeMm
}
