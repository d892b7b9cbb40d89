import { materialOf } from '../catalogue/materials'
import { massPerMetre, profileOf, profiles } from '../catalogue/profiles'
import type { Remnant, SaleLength, SheetOffcut, Stock } from './stock'

const MM_ON_SALE = { steel: [6000, 3000], stainless: [6000, 3000], aluminium: [5000, 2500] } as const
/** The merchant asks more per metre for a short bar. Simulated price list of our own. */
const SHORT_BAR_FACTOR = 1.12

const sale: SaleLength[] = profiles.flatMap((p) => {
  const material = materialOf(p.materialId)
  return MM_ON_SALE[material.group].map((lengthMm, i) => ({
    id: `${p.id}@${lengthMm}`,
    profileId: p.id,
    lengthMm,
    priceMinor: Math.round((((massPerMetre(p.id) * lengthMm) / 1000) * material.pricePerKgMinor * (i ? SHORT_BAR_FACTOR : 1)) / 10) * 10,
  }))
})

const remnant = (profileId: string, lengthMm: number, quantity: number, grade: Remnant['grade'], place: string, note = ''): Remnant => {
  profileOf(profileId)
  return { id: `${profileId}#${lengthMm}`, profileId, lengthMm, quantity, grade, place, note }
}

/** Skerry Quay's own rack behind the shop. */
const remnants: Remnant[] = [
  remnant('square-40x3-al6063t6', 1690, 1, 'clean', 'rack 2, upper', 'left from the sail loft job'),
  remnant('square-40x3-al6063t6', 940, 2, 'clean', 'rack 2, upper'),
  remnant('square-40x3-al6063t6', 2210, 1, 'unknown alloy', 'rack 2, floor', 'came with the building; no mark on it'),
  remnant('square-30x2-al6063t6', 1460, 1, 'coated', 'rack 2, lower', 'old white powder'),
  remnant('round-25x2-steel', 3150, 1, 'pitted', 'rack 1, lower', 'stood by the slip door all winter'),
  remnant('rect-30x60x2-steel', 1320, 1, 'clean', 'rack 1, upper'),
  remnant('square-40x3-steel', 1705, 2, 'clean', 'rack 1, upper'),
  remnant('slotted-40x40-al6063t5', 1180, 3, 'clean', 'rack 3'),
]

/** What leans at the wall behind the table. */
const sheets: SheetOffcut[] = [
  {
    ...{ id: 'sheet-1', materialId: 'al5052h32', thicknessMm: 2, lengthMm: 1180, widthMm: 705, quantity: 1, grade: 'clean' },
    ...{ place: 'wall, left', note: 'left from a drawer carcass' },
  },
  {
    ...{ id: 'sheet-2', materialId: 'steel', thicknessMm: 3, lengthMm: 640, widthMm: 410, quantity: 2, grade: 'pitted' },
    ...{ place: 'wall, right', note: '' },
  },
  {
    ...{ id: 'sheet-3', materialId: 'al5052h32', thicknessMm: 2, lengthMm: 900, widthMm: 480, quantity: 1, grade: 'unknown alloy' },
    ...{ place: 'wall, left', note: 'no film, no mark' },
  },
]

export const demoStock: Stock = { sale, remnants, sheets }
