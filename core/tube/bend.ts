import { cross, dot, minus, size, unit, type Vec3 } from '../geometry/vec3'
import { Impossible } from '../issue/impossible'
import { degrees, type Radians } from '../quantity/units'

/** A turn smaller than this is no bend; one nearer to doubling back than this has no tangents that meet. degrees */
const LEAST_DEG = 0.05
const MOST_DEG = 179

/** One bend of a tube. `startMm`, `endMm`: its tangent points along the straight tube from its first end. `gainMm`: what the arc saves against the two legs. */
export type TubeBend = {
  angleDeg: number
  /** how far the plane of bending turns from the bend before, right-handed about the way the tube runs; 0 for the first */
  rotationDeg: number
  radiusMm: number
  setbackMm: number
  arcMm: number
  gainMm: number
  startMm: number
  endMm: number
}
export type BentTube = { cutLengthMm: number; straightsMm: number[]; bends: TubeBend[] }

/**
 * A tube bent through points where its straight legs' centre lines meet: arc = R·A, set-back = R·tan(A/2), gain = 2·set-back − arc (Machinery's Handbook,
 * arcs and their tangents), marks to each tangent point. mm, degrees. Throws `Impossible` where a point is no bend, doubles back, or a leg is shorter than
 * the set-backs at its ends.
 */
export function bendTube(points: Vec3[], radiiMm: number[]): BentTube {
  if (points.length < 2) throw new Impossible('a tube needs two ends: give two points or more')
  const legs = points.slice(1).map((p, i) => minus(p, points[i]!))
  legs.forEach((leg, i) => {
    if (size(leg) < 1e-6) throw new Impossible(`points ${i + 1} and ${i + 2} are one place: leave one out`)
  })
  const turns = legs.slice(1).map((leg, i) => turnBetween(legs[i]!, leg, i))
  const setbacks = turns.map((turn, i) => {
    const radius = radiiMm[i]
    if (!radius || radius <= 0) throw new Impossible(`bend ${i + 1} has no radius: choose a die, or type its centre-line radius`)
    return radius * Math.tan(turn / 2)
  })
  const straightsMm = legs.map((leg, i) => {
    const left = size(leg) - (setbacks[i - 1] ?? 0) - (setbacks[i] ?? 0)
    if (left < -1e-9)
      throw new Impossible(
        `leg ${i + 1} is ${size(leg).toFixed(1)} mm and its bends take ${(size(leg) - left).toFixed(1)} mm of it: move the points apart, or use a smaller radius`,
      )
    return Math.max(0, left)
  })
  let at = straightsMm[0]!
  const bends = turns.map((turn, i): TubeBend => {
    const [radiusMm, setbackMm] = [radiiMm[i]!, setbacks[i]!]
    const arcMm = radiusMm * turn
    const startMm = at
    at += arcMm + straightsMm[i + 1]!
    return {
      angleDeg: degrees(turn as Radians),
      rotationDeg: i === 0 ? 0 : planeTurn(legs[i - 1]!, legs[i]!, legs[i + 1]!),
      radiusMm,
      setbackMm,
      arcMm,
      gainMm: 2 * setbackMm - arcMm,
      startMm,
      endMm: startMm + arcMm,
    }
  })
  return { cutLengthMm: at, straightsMm, bends }
}

function turnBetween(a: Vec3, b: Vec3, i: number): number {
  const turn = Math.atan2(size(cross(a, b)), dot(a, b))
  const deg = degrees(turn as Radians)
  if (deg < LEAST_DEG) throw new Impossible(`point ${i + 2} lies in line with its neighbours, so there is no bend: leave it out`)
  if (deg > MOST_DEG)
    throw new Impossible(`the tube doubles back on itself at point ${i + 2}: a U needs two bends with a straight between them`)
  return turn
}

/** From the plane of legs a, b to the plane of legs b, c, about b. −180 … 180 degrees */
function planeTurn(a: Vec3, b: Vec3, c: Vec3): number {
  const [one, two] = [unit(cross(a, b)), unit(cross(b, c))]
  const turned = degrees(Math.atan2(dot(cross(one, two), unit(b)), dot(one, two)) as Radians)
  return Math.abs(turned) < 1e-9 ? 0 : turned <= -180 + 1e-9 ? 180 : turned
}

/**
 * A tube that turns two ways at one place is one bend in a leaning plane: cos A = cos a·cos b for a turn a about one axis and then b about the axis square to
 * it (spherical law of cosines); its plane leans from the first turn’s by what the leg after both turns shows. degrees
 */
export function compoundBend(firstDeg: number, secondDeg: number): { angleDeg: number; planeDeg: number } {
  const [a, b] = [(firstDeg * Math.PI) / 180, (secondDeg * Math.PI) / 180]
  // the leg after both: turned up by a in the first plane, then across by b
  const leg = { x: Math.cos(a) * Math.cos(b), y: Math.sin(b), z: Math.sin(a) * Math.cos(b) }
  return {
    angleDeg: degrees(Math.acos(Math.max(-1, Math.min(1, leg.x))) as Radians),
    planeDeg: degrees(Math.atan2(leg.y, leg.z) as Radians),
  }
}

/** How far the end of a leg swings for each degree that its bend is off. mm per degree (arc of a circle) */
export const perDegreeMm = (legMm: number): number => (legMm * Math.PI) / 180
