import { type BoltGrade, type BoltSize, boltGrades, boltSizes } from '../catalogue/bolts'
import { type Figure, figure } from '../figure/figure'

const PARTIAL = 1.25 // γM2, EN 1993-1-8 table 2.1
const SOURCE = 'EN 1993-1-8, table 3.4, γM2 = 1.25, over the load factor'

const tensionOf = ({ fu, As, γM2, γQ }: { fu: number; As: number; γM2: number; γQ: number }): number => (0.9 * fu * As) / (γM2 * γQ)
const shearOf = ({ αv, fu, As, γM2, γQ }: { αv: number; fu: number; As: number; γM2: number; γQ: number }): number =>
  (αv * fu * As) / (γM2 * γQ)

/** The two figures below as plain numbers, for where they are compared by the thousand. N */
export function boltMayN(size: BoltSize, grade: BoltGrade, loadFactor: number): { tensionN: number; shearN: number } {
  const key = `${size} ${grade} ${loadFactor}`
  const known = may.get(key)
  if (known) return known
  const [{ stressAreaMm2 }, { tensileMPa, shearShare }] = [boltSizes[size], boltGrades[grade]]
  const common = { fu: tensileMPa, As: stressAreaMm2, γM2: PARTIAL, γQ: loadFactor }
  const found = { tensionN: tensionOf(common), shearN: shearOf({ ...common, αv: shearShare }) }
  may.set(key, found)
  return found
}
/** A shop has few sizes and one load factor. */
const may = new Map<string, { tensionN: number; shearN: number }>()

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
      with: {
        fu: [tensileMPa, 'MPa', 'tensile strength'],
        As: [stressAreaMm2, 'mm²', 'stress area'],
        γM2: [PARTIAL, '', 'partial factor'],
        γQ: [loadFactor, '', 'load factor'],
      },
    },
    tensionOf,
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
      with: {
        αv: [shearShare, '', 'share in shear, threads in the plane'],
        fu: [tensileMPa, 'MPa', 'tensile strength'],
        As: [stressAreaMm2, 'mm²', 'stress area'],
        γM2: [PARTIAL, '', 'partial factor'],
        γQ: [loadFactor, '', 'load factor'],
      },
    },
    shearOf,
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

/**
 * What a bolt may push towards the end of a wall before it tears out: two shear planes from the hole to the end in each wall it passes through,
 * 0.6·fu·2·(e − d0/2)·t·walls / Ω, Ω = 2.0 (AISC 360-16, J3.10 and J4.3, block shear without a tension plane). N; 0 where the hole meets the end.
 */
export const tearOutN = (v: { size: BoltSize; sheetTensileMPa: number; thicknessMm: number; endMm: number; walls: number }): number =>
  (0.6 * v.sheetTensileMPa * 2 * Math.max(0, v.endMm - (boltSizes[v.size].diameterMm + 1) / 2) * v.thicknessMm * v.walls) / 2

/** Tension and shear together: Fv/Fv,R + Ft/(1.4·Ft,R), and tension alone; the greater counts. 1 = all of it. */
export const boltTogether = (tensionN: number, shearN: number, mayTensionN: number, mayShearN: number): number =>
  Math.max(tensionN / mayTensionN, shearN / mayShearN + tensionN / (1.4 * mayTensionN))

/** Preload and torque: F = 0.75·Sp·As, T = K·F·d (Shigley, 10th ed., 8-7 and 8-9; K 0.2 dry, 0.15 oiled). N, N·m. */
export function boltPreload(size: BoltSize, grade: BoltGrade, oiled: boolean): { preloadN: number; torqueNm: number } {
  const { diameterMm, stressAreaMm2 } = boltSizes[size]
  const preloadN = 0.75 * boltGrades[grade].proofMPa * stressAreaMm2
  return { preloadN, torqueNm: ((oiled ? 0.15 : 0.2) * preloadN * diameterMm) / 1000 }
}
