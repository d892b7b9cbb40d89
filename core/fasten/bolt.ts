import { type Figure, figure, input } from '../figure/figure'

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
export const boltGradeNames = Object.keys(boltGrades) as [BoltGrade, ...BoltGrade[]]

const PARTIAL = 1.25 // γM2, EN 1993-1-8 table 2.1
const SOURCE = 'EN 1993-1-8, table 3.4, γM2 = 1.25, over the load factor'

/** What one bolt may take in tension: 0.9·fu·As / (γM2·γQ). N. `loadFactor` = what unfactored loads are multiplied by (EN 1990, 1.5). */
export function boltTension(size: BoltSize, grade: BoltGrade, loadFactor: number): Figure {
  const { stressAreaMm2 } = boltSizes[size]
  const { tensileMPa, source } = boltGrades[grade]
  return figure(
    {
      id: 'bolt.tension',
      name: `${size} ${grade} in tension`,
      unit: 'N',
      formula: 'F = 0.9·fu·As / (γM2·γQ)',
      source: `${SOURCE}; ${source}`,
      with: [
        input('fu', 'tensile strength', tensileMPa, 'MPa'),
        input('As', 'stress area', stressAreaMm2, 'mm²'),
        input('γM2', 'partial factor', PARTIAL, ''),
        input('γQ', 'load factor', loadFactor, ''),
      ],
    },
    () => (0.9 * tensileMPa * stressAreaMm2) / (PARTIAL * loadFactor),
  )
}

/** What one bolt may take in shear with its threads in the plane: αv·fu·As / (γM2·γQ). N. */
export function boltShear(size: BoltSize, grade: BoltGrade, loadFactor: number): Figure {
  const { stressAreaMm2 } = boltSizes[size]
  const { tensileMPa, shearShare, source } = boltGrades[grade]
  return figure(
    {
      id: 'bolt.shear',
      name: `${size} ${grade} in shear`,
      unit: 'N',
      formula: 'F = αv·fu·As / (γM2·γQ)',
      source: `${SOURCE}; ${source}`,
      with: [
        input('αv', 'share in shear, threads in the plane', shearShare, ''),
        input('fu', 'tensile strength', tensileMPa, 'MPa'),
        input('As', 'stress area', stressAreaMm2, 'mm²'),
        input('γM2', 'partial factor', PARTIAL, ''),
        input('γQ', 'load factor', loadFactor, ''),
      ],
    },
    () => (shearShare * tensileMPa * stressAreaMm2) / (PARTIAL * loadFactor),
  )
}

/** Hole bearing of a sheet: k1·αb·fu·d·t / (γM2·γQ), from the distances of the hole to the edge along and across the force. N; d0 = d + 1. */
export function holeBearing(v: {
  size: BoltSize
  grade: BoltGrade
  sheetTensileMPa: number
  thicknessMm: number
  endMm: number
  edgeMm: number
  loadFactor: number
}): number {
  const d = boltSizes[v.size].diameterMm
  const d0 = d + 1
  const alpha = Math.min(v.endMm / (3 * d0), boltGrades[v.grade].tensileMPa / v.sheetTensileMPa, 1)
  const k1 = Math.max(0, Math.min((2.8 * v.edgeMm) / d0 - 1.7, 2.5))
  return (k1 * alpha * v.sheetTensileMPa * d * v.thicknessMm) / (PARTIAL * v.loadFactor)
}

/** Tension and shear together: Fv/Fv,R + Ft/(1.4·Ft,R), and tension alone; the greater counts. 1 = all of it. */
export const boltTogether = (tensionN: number, shearN: number, mayTensionN: number, mayShearN: number): number =>
  Math.max(tensionN / mayTensionN, shearN / mayShearN + tensionN / (1.4 * mayTensionN))

/** Preload and torque: F = 0.75·Sp·As, T = K·F·d (Shigley, 10th ed., 8-7 and 8-9; K 0.2 dry, 0.15 oiled). N, N·m. */
export function boltPreload(size: BoltSize, grade: BoltGrade, oiled: boolean): { preloadN: number; torqueNm: number } {
  const { diameterMm, stressAreaMm2 } = boltSizes[size]
  const preloadN = 0.75 * boltGrades[grade].proofMPa * stressAreaMm2
  return { preloadN, torqueNm: ((oiled ? 0.15 : 0.2) * preloadN * diameterMm) / 1000 }
}

/** Lengths that are sold, ISO 4014 and 4017. mm */
const LENGTHS_MM = [
  16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 220, 240, 260, 280, 300,
]
/** Two washers, a lock nut and two threads past it, in diameters: the shop's own, near ISO 7089 and 7040. */
const BEYOND_STACK = 2.2

/** The shortest bolt sold that goes through a stack and still takes washers and lock nut. mm; the longest where none is long enough. */
export const boltLengthMm = (size: BoltSize, stackMm: number): number => {
  const needed = stackMm + BEYOND_STACK * boltSizes[size].diameterMm
  return LENGTHS_MM.find((l) => l >= needed) ?? LENGTHS_MM[LENGTHS_MM.length - 1]
}
