import { degrees, type Radians } from '../quantity/units'

export type TaperInput = {
  lengthMm: number
  rearWidthMm: number
  frontWidthMm: number
  diagonalAMm: number | null
  diagonalBMm: number | null
  toleranceMm: number
}
export type Taper = {
  /** how much narrower the rear is than the front; negative when the front is the narrower */
  totalMm: number
  perSideMm: number
  perSideDeg: number
  /** diagonal of the same shape if it is square to its middle line */
  squareDiagonalMm: number
  /** how far the rear edge lies to one side of the front one; null without both diagonals */
  skewMm: number | null
  /** length that the diagonals ask for, less the length measured; null without both */
  lengthMisfitMm: number | null
  square: boolean | null
  agrees: boolean | null
  say: string
}

/**
 * A four-sided bed or roof from two widths, the length along its middle and both diagonals. mm and degrees.
 * Diagonals of a trapezium of parallel widths a, b a distance L apart whose middles lie s off: d² = L² + ((a + b)/2 ± s)², so
 * s = (dA² − dB²) / (2·(a + b)) and L² = (dA² + dB²)/2 − ((a + b)/2)² − s² (Pythagoras). A diagonal misses by up to twice the tolerance of
 * one reading before it counts, for widths and length carry theirs as well.
 */
export function taper(v: TaperInput): Taper {
  const totalMm = v.frontWidthMm - v.rearWidthMm
  const half = (v.frontWidthMm + v.rearWidthMm) / 2
  const base = {
    totalMm,
    perSideMm: totalMm / 2,
    perSideDeg: degrees(Math.atan2(totalMm / 2, v.lengthMm) as Radians),
    squareDiagonalMm: Math.hypot(v.lengthMm, half),
  }
  const shape =
    Math.abs(totalMm) <= 2 * v.toleranceMm
      ? 'as wide in front as behind'
      : totalMm > 0
        ? `narrower at the rear, ${mm(totalMm)} in all, ${mm(totalMm / 2)} a side`
        : `narrower at the front, ${mm(-totalMm)} in all, ${mm(-totalMm / 2)} a side`
  if (v.diagonalAMm === null || v.diagonalBMm === null)
    return {
      ...base,
      skewMm: null,
      lengthMisfitMm: null,
      square: null,
      agrees: null,
      say: `${shape}; take both diagonals to know whether it is square`,
    }
  const skewMm = (v.diagonalAMm ** 2 - v.diagonalBMm ** 2) / (4 * half)
  const lengthSquared = (v.diagonalAMm ** 2 + v.diagonalBMm ** 2) / 2 - half ** 2 - skewMm ** 2
  const lengthMisfitMm = lengthSquared > 0 ? Math.sqrt(lengthSquared) - v.lengthMm : -v.lengthMm
  const square = Math.abs(v.diagonalAMm - v.diagonalBMm) <= 2 * v.toleranceMm
  const agrees = Math.abs(lengthMisfitMm) <= 3 * v.toleranceMm
  const say = !agrees
    ? `${shape}; widths, length and diagonals contradict each other by ${mm(Math.abs(lengthMisfitMm))}: take the length again first`
    : square
      ? `${shape}; square`
      : `${shape}; out of square, the rear lies ${mm(Math.abs(skewMm))} to one side`
  return { ...base, skewMm, lengthMisfitMm, square, agrees, say }
}

const mm = (v: number): string => `{${Math.round(v * 10) / 10}}`

/** A chain of partial lengths against the overall one. mm. The chain's error is the worst case of its parts'. */
export function chainMisfit(
  partsMm: number[],
  overallMm: number,
  toleranceMm: number,
): { sumMm: number; misfitMm: number; agrees: boolean } {
  const sumMm = partsMm.reduce((s, p) => s + p, 0)
  const misfitMm = sumMm - overallMm
  return { sumMm, misfitMm, agrees: Math.abs(misfitMm) <= toleranceMm * (partsMm.length + 1) + 1e-9 }
}

/**
 * A lean from two heights and the offsets at them instead of a finder: tan θ = Δoffset / Δheight; by θ the part moves L·cos θ·π/180 a degree.
 * `errorDeg` is the worst case when each of the four readings is off by its tolerance.
 */
export function angleFromOffsets(v: {
  lowerHeightMm: number
  lowerOffsetMm: number
  upperHeightMm: number
  upperOffsetMm: number
  toleranceMm: number
}): { angleDeg: number; errorDeg: number; offsetPerDegreeMm: number } {
  const [rise, run] = [v.upperHeightMm - v.lowerHeightMm, v.upperOffsetMm - v.lowerOffsetMm]
  const angle = Math.atan2(run, rise)
  const worst = Math.max(
    ...[-1, 1].flatMap((a) => [-1, 1].map((b) => Math.abs(Math.atan2(run + 2 * a * v.toleranceMm, rise + 2 * b * v.toleranceMm) - angle))),
  )
  return {
    angleDeg: degrees(angle as Radians),
    errorDeg: degrees(worst as Radians),
    offsetPerDegreeMm: (rise / Math.cos(angle) ** 2) * (Math.PI / 180),
  }
}
