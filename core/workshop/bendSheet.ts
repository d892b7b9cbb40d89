import { profileOf } from '../catalogue/profiles'
import { cross, dot, minus, unit, type Vec3 } from '../geometry/vec3'
import { type BentTube, perDegreeMm } from '../tube/bend'
import type { TubePart } from '../tube/tubeParts'
import { dieFor, learned, pullToDeg } from './learned'
import type { Die, Workshop } from './workshop'

/** One bend as the person at the bender needs it. mm, degrees */
export type BendStep = {
  number: number
  /** where the tube is marked: where the bend begins, from the end that is held first */
  markMm: number
  endMarkMm: number
  angleDeg: number
  /** null = nobody has tried this die: pull a trial bend first */
  pullToDeg: number | null
  rotationDeg: number
  /** what one degree changes at the far end */
  perDegreeMm: number
}
export type BendSheet = {
  cutMm: number
  radiusMm: number
  die: Die | null
  /** 'first' = marks run from the first end as drawn, 'second' = turned round, because the other way would strike */
  from: 'first' | 'second'
  steps: BendStep[]
  straightsMm: number[]
  /** how far what is already formed hangs under the tool at worst, and why the order is what it is */
  hangsMm: number
  order: string
  gainMm: number
  spreadDeg: [number, number] | null
}

/** The bend sheet of a part against the shop's dies; null for what is not bent or cannot be. */
export function bendSheet(part: TubePart, w: Workshop): BendSheet | null {
  const { bent, member } = part
  if (!bent?.bends.length) return null
  const { shape } = profileOf(member.profileId)
  const radiusMm = bent.bends[0]!.radiusMm
  const die = shape.kind === 'round' ? dieFor(w.dies, shape.outsideDiameterMm, radiusMm) : null
  const taught = die && learned(die)
  const [ahead, back] = [bent, turnedRound(bent)]
  const [one, two] = [hangsMm(member.path), hangsMm([...member.path].reverse())]
  const strikes = one > w.benderHeightMm && two < one
  const tube = strikes ? back : ahead
  const total = tube.cutLengthMm
  return {
    cutMm: total,
    radiusMm,
    die,
    from: strikes ? 'second' : 'first',
    straightsMm: tube.straightsMm,
    hangsMm: strikes ? two : one,
    order: strikes
      ? `from the other end: from the first it would hang {${Math.round(one)}} under the tool, and the tool stands {${w.benderHeightMm}} above the floor`
      : one > w.benderHeightMm
        ? `either way it hangs {${Math.round(one)}} under the tool, which stands {${w.benderHeightMm}} above the floor: turn it over at the bend, or raise the bender`
        : 'in the order of the marks: nothing that is formed reaches the floor',
    gainMm: tube.bends.reduce((s, b) => s + b.gainMm, 0),
    spreadDeg: taught ? [taught.leastDeg, taught.mostDeg] : null,
    steps: tube.bends.map((b, i) => ({
      number: i + 1,
      markMm: b.startMm,
      endMarkMm: b.endMm,
      angleDeg: b.angleDeg,
      pullToDeg: pullToDeg(die, b.angleDeg),
      rotationDeg: b.rotationDeg,
      perDegreeMm: perDegreeMm(total - b.endMm),
    })),
  }
}

/** The same tube made from its other end. A rotation told from the other end keeps its sense: both the way along it and the order of planes turn round. */
export function turnedRound(t: BentTube): BentTube {
  const bends = [...t.bends].reverse()
  return {
    cutLengthMm: t.cutLengthMm,
    straightsMm: [...t.straightsMm].reverse(),
    bends: bends.map((b, i) => ({
      ...b,
      startMm: t.cutLengthMm - b.endMm,
      endMm: t.cutLengthMm - b.startMm,
      rotationDeg: i === 0 ? 0 : bends[i - 1]!.rotationDeg,
    })),
  }
}

/**
 * How far what is already formed hangs below the tube while a later bend is made on a bender whose plane is level and that always bends the same way: the
 * formed corners against the axis of that bend. mm
 */
export function hangsMm(path: Vec3[]): number {
  let worst = 0
  for (let k = 2; k < path.length - 1; k++) {
    const [before, at, after] = [path[k - 1]!, path[k]!, path[k + 1]!]
    const axis = unit(cross(unit(minus(at, before)), unit(minus(after, at))))
    for (const formed of path.slice(0, k)) worst = Math.max(worst, -dot(minus(formed, at), axis))
  }
  return worst
}

/** A rotation in words, as it is seen looking along the tube from the end that is held. */
export const rotateText = (deg: number): string =>
  Math.abs(deg) < 0.05
    ? 'no'
    : Math.abs(Math.abs(deg) - 180) < 0.05
      ? 'half a turn, 180°'
      : `${Math.abs(deg).toFixed(1)}° ${deg > 0 ? 'clockwise' : 'anticlockwise'} as seen from behind`
