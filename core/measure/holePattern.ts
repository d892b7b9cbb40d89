import { degrees, type Radians } from '../quantity/units'

type Point = { xMm: number; yMm: number }
export type HolePatternFit = {
  shiftXMm: number
  shiftYMm: number
  turnDeg: number
  offsetsMm: number[]
  /** the same, along x and y */
  offsets: Point[]
  worstMm: number
  holeMm: number
  washerMm: number
}

const MOST_TURN = (5 * Math.PI) / 180 // a bracket turned further than this is another bracket
/** A washer must bear on metal all round the hole: this much beyond its edge, a share of the bolt. Shop's own. */
const SEAT_SHARE = 0.5

/**
 * Where a drilled part must lie over the vehicle's own crooked holes so that the worst hole is off by the least, and the smallest common hole
 * and washer that then seats every bolt. mm, degrees. For a given turn the best shift is the centre of the smallest circle round the offsets
 * (Welzl 1991); the turn is found by golden section on a fine scan. Hole = d + 2·(e + t), e the worst offset, t the tolerance of the measured places.
 */
export function fitHolePattern(v: { partHoles: Point[]; vehicleHoles: Point[]; boltMm: number; toleranceMm: number }): HolePatternFit {
  const at = (turn: number) => {
    const offsets = v.partHoles.map((p, i) => ({
      xMm: v.vehicleHoles[i]!.xMm - (p.xMm * Math.cos(turn) - p.yMm * Math.sin(turn)),
      yMm: v.vehicleHoles[i]!.yMm - (p.xMm * Math.sin(turn) + p.yMm * Math.cos(turn)),
    }))
    return { offsets, ...smallestCircle(offsets) }
  }
  const steps = 200
  let best = 0
  for (let i = -steps; i <= steps; i++) if (at((MOST_TURN * i) / steps).radiusMm < at(best).radiusMm - 1e-12) best = (MOST_TURN * i) / steps
  let [low, high] = [best - MOST_TURN / steps, best + MOST_TURN / steps]
  const ratio = (Math.sqrt(5) - 1) / 2
  for (let k = 0; k < 60; k++) {
    const [a, b] = [high - ratio * (high - low), low + ratio * (high - low)]
    if (at(a).radiusMm <= at(b).radiusMm) high = b
    else low = a
  }
  const turn = (low + high) / 2
  const fit = at(turn)
  const offsetsMm = fit.offsets.map((o) => Math.hypot(o.xMm - fit.centre.xMm, o.yMm - fit.centre.yMm))
  const holeMm = v.boltMm + 2 * (fit.radiusMm + v.toleranceMm)
  return {
    shiftXMm: fit.centre.xMm,
    shiftYMm: fit.centre.yMm,
    turnDeg: degrees(turn as Radians),
    offsetsMm,
    offsets: fit.offsets.map((o) => ({ xMm: o.xMm - fit.centre.xMm, yMm: o.yMm - fit.centre.yMm })),
    worstMm: fit.radiusMm,
    holeMm,
    washerMm: holeMm + 2 * SEAT_SHARE * v.boltMm,
  }
}

/** The smallest circle round some points, by trying every pair and triple that could carry it. mm. */
export function smallestCircle(points: Point[]): { centre: Point; radiusMm: number } {
  const holds = (c: Point, r: number) => points.every((p) => Math.hypot(p.xMm - c.xMm, p.yMm - c.yMm) <= r + 1e-7)
  const first = points[0] ?? { xMm: 0, yMm: 0 }
  let best: { centre: Point; radiusMm: number } | null = points.length < 2 ? { centre: first, radiusMm: 0 } : null
  const offer = (centre: Point, radiusMm: number) => {
    if ((!best || radiusMm < best.radiusMm) && holds(centre, radiusMm)) best = { centre, radiusMm }
  }
  for (const [i, a] of points.entries())
    for (const [j, b] of points.entries()) {
      if (j <= i) continue
      offer({ xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 }, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) / 2)
      for (const c of points.slice(j + 1)) {
        const centre = circumcentre(a, b, c)
        if (centre) offer(centre, Math.hypot(a.xMm - centre.xMm, a.yMm - centre.yMm))
      }
    }
  return best ?? { centre: first, radiusMm: 0 }
}

function circumcentre(a: Point, b: Point, c: Point): Point | null {
  const d = 2 * (a.xMm * (b.yMm - c.yMm) + b.xMm * (c.yMm - a.yMm) + c.xMm * (a.yMm - b.yMm))
  if (Math.abs(d) < 1e-9) return null
  const square = (p: Point) => p.xMm ** 2 + p.yMm ** 2
  const [a2, b2, c2] = [square(a), square(b), square(c)]
  return {
    xMm: (a2 * (b.yMm - c.yMm) + b2 * (c.yMm - a.yMm) + c2 * (a.yMm - b.yMm)) / d,
    yMm: (a2 * (c.xMm - b.xMm) + b2 * (a.xMm - c.xMm) + c2 * (b.xMm - a.xMm)) / d,
  }
}
