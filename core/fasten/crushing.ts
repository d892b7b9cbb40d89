import type { Shape } from '../catalogue/section'

const SAFETY = 1.5 // Ω, AISC 360-16, J10.2 and K2

/**
 * What a tube's wall bears under a clamp or foot of a length before it crushes. N.
 * Rectangular: two webs yielding over the bearing length and 5·r, 2·t·(b + 5·r)·fy / Ω (AISC 360-16, J10.2, for two webs).
 * Round: a ring squeezed between two lines, M = F·R/π per length (Roark, 8th ed., table 9.2, case 1) against the wall's t²/4 over the bearing length
 * and one diameter. Solid shapes do not crush: null. Slotted extrusion: only its maker knows: undefined.
 */
export function wallBearsN(shape: Shape, bearingMm: number, yieldMPa: number): number | null | undefined {
  switch (shape.kind) {
    case 'rectangular':
      return (2 * shape.wallMm * (bearingMm + 5 * shape.outsideRadiusMm) * yieldMPa) / SAFETY
    case 'round': {
      const radius = (shape.outsideDiameterMm - shape.wallMm) / 2
      const length = bearingMm + shape.outsideDiameterMm
      return (Math.PI * yieldMPa * (shape.wallMm ** 2 / 4) * length) / radius / SAFETY
    }
    case 'angle':
      return (shape.thicknessMm * (bearingMm + 2.5 * shape.thicknessMm) * yieldMPa) / SAFETY
    case 'channel':
      return (shape.webMm * (bearingMm + 2.5 * shape.flangeMm) * yieldMPa) / SAFETY
    case 'flat':
      return null
    case 'slotted':
      return undefined
  }
}

/**
 * What an empty tube bears of a bolt tightened through both its walls before they cave in under the washer. N. Rectangular: yield lines round a
 * square of the washer's side on a wall of width b, fy·t²·(2·η/(1 − β) + 4/√(1 − β)) / Ω with β = η = washer/b (the branch on a chord, CIDECT 3, 2nd
 * ed., and AISC 360-16, K3). Round: the ring of `wallBearsN` under the washer. Open and solid shapes do not cave in: null; slotted: its nut holds it, null.
 */
export function tubeBearsBoltN(shape: Shape, washerMm: number, yieldMPa: number): number | null {
  if (shape.kind === 'round') return wallBearsN(shape, washerMm, yieldMPa) ?? null
  if (shape.kind !== 'rectangular') return null
  const flatMm = shape.widthMm - shape.wallMm
  const share = Math.min(0.85, washerMm / flatMm)
  return (yieldMPa * shape.wallMm ** 2 * ((2 * share) / (1 - share) + 4 / Math.sqrt(1 - share))) / SAFETY
}

/** How much of a section is left for bending up and down where bolts go through top and bottom: 1 − n·d0·t·2·((h − t)/2)² / I. 1 = all of it. */
export function leftBesideHoles(v: {
  secondMomentMm4: number
  heightMm: number
  wallMm: number
  holeMm: number
  holesAcross: number
}): number {
  const lost = v.holesAcross * v.holeMm * v.wallMm * 2 * ((v.heightMm - v.wallMm) / 2) ** 2
  return Math.max(0.01, 1 - lost / v.secondMomentMm4)
}
