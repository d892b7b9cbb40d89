import type { SourcedKey } from './vehicle'

/** What a figure of a vehicle can be at all, in mm or kg. Not what is usual: what lies outside is a slip of the hand. The shop's own. */
export type Range = { min: number; max: number }

const place: Range = { min: -20_000, max: 20_000 }
const rating: Range = { min: 0, max: 50_000 }

export const fieldRanges: Record<SourcedKey, Range> = {
  wheelbaseMm: { min: 500, max: 15_000 },
  trackWidthMm: { min: 300, max: 4000 },
  lengthMm: { min: 500, max: 20_000 },
  widthMm: { min: 300, max: 4000 },
  heightMm: { min: 300, max: 6000 },
  rearOverhangMm: { min: 0, max: 10_000 },
  centreOfMassHeightMm: { min: 50, max: 4000 },
  roofFromXMm: place,
  roofToXMm: place,
  roofWidthFrontMm: { min: 50, max: 4000 },
  roofWidthRearMm: { min: 50, max: 4000 },
  roofHeightMm: { min: 200, max: 6000 },
  kerbFrontKg: { min: 0, max: 30_000 },
  kerbRearKg: { min: 0, max: 30_000 },
  occupantsKg: { min: 0, max: 30_000 },
  roofMovingKg: rating,
  roofParkedKg: rating,
  footDownKg: rating,
  footUpKg: rating,
  barKg: rating,
  tyreKg: rating,
  tongueKg: rating,
  carrierKg: rating,
  grossKg: rating,
  frontAxleKg: rating,
  rearAxleKg: rating,
}
