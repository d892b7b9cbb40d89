/** Tensile stress areas, mm²: ISO 898-1 table 5 and ASME B1.1 (UNC). Nominal diameters in mm. */
export const boltSizes = {
  M5: { diameterMm: 5, stressAreaMm2: 14.2 },
  M6: { diameterMm: 6, stressAreaMm2: 20.1 },
  M8: { diameterMm: 8, stressAreaMm2: 36.6 },
  M10: { diameterMm: 10, stressAreaMm2: 58 },
  M12: { diameterMm: 12, stressAreaMm2: 84.3 },
  M16: { diameterMm: 16, stressAreaMm2: 157 },
  '1/4-20': { diameterMm: 6.35, stressAreaMm2: 20.5 },
  '5/16-18': { diameterMm: 7.94, stressAreaMm2: 33.8 },
  '3/8-16': { diameterMm: 9.53, stressAreaMm2: 50 },
  '1/2-13': { diameterMm: 12.7, stressAreaMm2: 91.5 },
} as const
export type BoltSize = keyof typeof boltSizes
export const boltSizeNames = Object.keys(boltSizes) as [BoltSize, ...BoltSize[]]

/** Tensile strength and proof stress, MPa; share of it that counts in shear with threads in the plane. ISO 898-1, ISO 3506-1, SAE J429; EN 1993-1-8 table 3.4, EN 1993-1-4, 6.2. */
export const boltGrades = {
  '4.6': { tensileMPa: 400, proofMPa: 225, shearShare: 0.6, source: 'ISO 898-1' },
  '8.8': { tensileMPa: 800, proofMPa: 580, shearShare: 0.6, source: 'ISO 898-1' },
  '10.9': { tensileMPa: 1000, proofMPa: 830, shearShare: 0.5, source: 'ISO 898-1' },
  '12.9': { tensileMPa: 1200, proofMPa: 970, shearShare: 0.5, source: 'ISO 898-1' },
  'A2-70': { tensileMPa: 700, proofMPa: 450, shearShare: 0.5, source: 'ISO 3506-1' },
  'A4-80': { tensileMPa: 800, proofMPa: 600, shearShare: 0.5, source: 'ISO 3506-1' },
  'grade 5': { tensileMPa: 827, proofMPa: 586, shearShare: 0.6, source: 'SAE J429' },
  'grade 8': { tensileMPa: 1034, proofMPa: 827, shearShare: 0.5, source: 'SAE J429' },
} as const
export type BoltGrade = keyof typeof boltGrades
/** The grade that the shop's own joints are made and reckoned with: stainless. */
export const SHOP_GRADE = 'A2-70' satisfies BoltGrade
export const boltGradeNames = Object.keys(boltGrades) as [BoltGrade, ...BoltGrade[]]

/** The hole that takes a rivet nut of a size: what most makers of open steel ones ask for. The shop's own; the sheet of the maker says. mm */
export const rivetNutHoleMm: Partial<Record<BoltSize, number>> = { M5: 7, M6: 9, M8: 11, M10: 13 }

/** Whether metal is too thin for a thread of its own, so that a rivet nut is set in it: under so many diameters. The shop's own */
const THREADED_D = 0.8
export const isThin = (wallMm: number, size: BoltSize): boolean => wallMm < THREADED_D * boltSizes[size].diameterMm

/** Lengths that are sold, ISO 4014 and 4017. mm */
const LENGTHS_MM = [
  16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 220, 240, 260, 280, 300,
]
const LONGEST_MM = Math.max(...LENGTHS_MM)
/** Two washers, a lock nut and two threads past it, in diameters: the shop's own, near ISO 7089 and 7040. */
export const BEYOND_STACK = 2.2

/** The shortest bolt sold that goes through a stack and still takes washers and lock nut. mm; the longest where none is long enough. */
export const boltLengthMm = (size: BoltSize, stackMm: number): number => {
  const needed = stackMm + BEYOND_STACK * boltSizes[size].diameterMm
  return LENGTHS_MM.find((l) => l >= needed) ?? LONGEST_MM
}
