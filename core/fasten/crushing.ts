import type { Shape } from '../catalogue/section'

/**
 * What a tube's wall bears under a clamp or foot of a length before it crushes. N.
 * Rectangular: two webs yielding over the bearing length and 5·r, 2·t·(b + 5·r)·fy / Ω with Ω = 1.5 (AISC 360-16, J10.2 and K1 for hollow sections).
 * Round: a ring squeezed between two lines, M = F·R/π per length (Roark, 8th ed., table 9.2, case 1) against the wall's t²/4 over the bearing length
 * and one diameter. Solid shapes do not crush: null. Slotted extrusion: only its maker knows: undefined.
 */
export function wallBearsN(shape: Shape, bearingMm: number, yieldMPa: number): number | null | undefined {
  const safety = 1.5
  switch (shape.kind) {
    case 'rectangular':
      return (2 * shape.wallMm * (bearingMm + 5 * shape.outsideRadiusMm) * yieldMPa) / safety
    case 'round': {
      const radius = (shape.outsideDiameterMm - shape.wallMm) / 2
      const length = bearingMm + shape.outsideDiameterMm
      return (Math.PI * yieldMPa * (shape.wallMm ** 2 / 4) * length) / radius / safety
    }
    case 'angle':
      return (shape.thicknessMm * (bearingMm + 2.5 * shape.thicknessMm) * yieldMPa) / safety
    case 'channel':
      return (shape.webMm * (bearingMm + 2.5 * shape.flangeMm) * yieldMPa) / safety
    case 'flat':
      return null
    case 'slotted':
      return undefined
  }
}
