import { developedLengthMm } from '../geometry/centreLine'
import type { Die } from './workshop'

/**
 * What trial bends taught of a die: spring-back as a share of the bend (mean of (pulled − came) / came), its least and most in degrees of a 90° bend, and the
 * radius that its measured gains come from. Null where nothing was tried: the shop pulls a trial piece first.
 */
export type Learned = { trials: number; last: string; share: number; leastDeg: number; mostDeg: number; radiusMm: number | null }

export function learned(die: Die): Learned | null {
  if (!die.trials.length) return null
  const shares = die.trials.map((t) => (t.pulledDeg - t.cameDeg) / t.cameDeg)
  const radii = die.trials.flatMap((t) => {
    if (t.cutMm === null || t.legAMm === null || t.legBMm === null) return []
    const r = radiusFromGain(t.cameDeg, t.legAMm + t.legBMm - t.cutMm)
    return r === null ? [] : [r]
  })
  return {
    trials: die.trials.length,
    last:
      die.trials
        .map((t) => t.on)
        .sort()
        .at(-1) ?? '',
    share: mean(shares),
    leastDeg: 90 * Math.min(...shares),
    mostDeg: 90 * Math.max(...shares),
    radiusMm: radii.length ? mean(radii) : null,
  }
}

const mean = (list: number[]): number => list.reduce((s, v) => s + v, 0) / list.length

/** The radius whose gain at this turn is what was measured: R = gain / (2·tan(A/2) − A). mm; null where a gain of nothing or less says nothing */
export function radiusFromGain(angleDeg: number, gainMm: number): number | null {
  const a = (angleDeg * Math.PI) / 180
  // the gain of a bend of radius 1, by the one developed length
  const far = 1000
  const unitGain =
    2 * far -
    developedLengthMm(
      [
        { x: far, y: 0, z: 0 },
        { x: 0, y: 0, z: 0 },
        { x: -far * Math.cos(a), y: far * Math.sin(a), z: 0 },
      ],
      [1],
    )
  return gainMm > 0 && unitGain > 1e-9 ? gainMm / unitGain : null
}

/** What to pull to so that it comes back to the angle wanted. degrees; null where nothing was tried */
export const pullToDeg = (die: Die | null, angleDeg: number): number | null => {
  const l = die && learned(die)
  return l ? angleDeg * (1 + l.share) : null
}

/** The die for a tube of that outside and radius, nearest first; null where the shop has none. */
export const dieFor = (dies: Die[], tubeMm: number, radiusMm: number): Die | null =>
  dies.find((d) => Math.abs(d.tubeMm - tubeMm) < 0.3 && Math.abs(d.radiusMm - radiusMm) < 1) ?? null
