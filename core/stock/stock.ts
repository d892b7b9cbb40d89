import { z } from 'zod'
import { materials } from '../catalogue/materials'
import { profiles } from '../catalogue/profiles'
import type { Rules } from '../rules/rules'

/** How an offcut looks. An unknown alloy is never planned into a rack: its strength is not known. */
export const grades = ['clean', 'coated', 'galvanised', 'pitted', 'unknown alloy'] as const
export type Grade = (typeof grades)[number]

const id = z.string().min(1).max(60)
const profileId = z.string().refine((p) => profiles.some((q) => q.id === p), 'is not in the profile catalogue: choose one listed there')
/** Shorter is swarf, not stock. */
export const LEAST_STOCK_MM = 1
const lengthMm = z.number().min(LEAST_STOCK_MM, 'must be 1 mm or more').max(20_000, 'must be 20 m or less')

/** A length the merchant sells, any number of them. Price of one bar in minor units; null = not known yet, and then never planned. */
export const SaleLengthSchema = z.object({ id, profileId, lengthMm, priceMinor: z.number().int().min(0).max(100_000_000).nullable() })
/** A piece on the shop's own rack. */
export const RemnantSchema = z.object({
  id,
  profileId,
  lengthMm,
  quantity: z.number().int().min(0).max(10_000),
  grade: z.enum(grades),
  place: z.string().max(80).default(''),
  note: z.string().max(200).default(''),
})
/** A sheet that was begun: the largest rectangle that is left of it. mm */
export const SheetOffcutSchema = z.object({
  id,
  materialId: z.string().refine((m) => materials.some((q) => q.id === m), 'is no metal of the catalogue'),
  thicknessMm: z.number().min(0.3, 'must be 0.3 mm or more').max(25, 'must be 25 mm or less'),
  lengthMm,
  widthMm: lengthMm,
  quantity: z.number().int().min(0).max(1000),
  grade: z.enum(grades),
  place: z.string().max(80).default(''),
  note: z.string().max(200).default(''),
})
const document = z.object({
  sale: z.array(SaleLengthSchema).max(2000),
  remnants: z.array(RemnantSchema).max(5000),
  sheets: z.array(SheetOffcutSchema).max(2000).default([]),
})
/** The whole rack: every line has an id of its own, for a plan names what it uses by it. */
export const StockSchema = document.superRefine(eachItsOwn)
/** The same where it comes in from outside: an unknown key is a fault. */
export const StockEdgeSchema = document.strict().superRefine(eachItsOwn)

function eachItsOwn(stock: z.infer<typeof document>, ctx: z.RefinementCtx): void {
  const seen = new Map<string, string>()
  for (const shelf of ['sale', 'remnants', 'sheets'] as const)
    stock[shelf].forEach((row, i) => {
      const twin = seen.get(row.id)
      if (twin)
        ctx.addIssue({ code: 'custom', path: [shelf, i, 'id'], message: `“${row.id}” is the id of ${twin} too: give it one of its own` })
      seen.set(row.id, shelf === 'sale' ? 'a length on sale' : shelf === 'sheets' ? 'a begun sheet' : 'another offcut')
    })
}

export type SaleLength = z.infer<typeof SaleLengthSchema>
export type Remnant = z.infer<typeof RemnantSchema>
export type SheetOffcut = z.infer<typeof SheetOffcutSchema>
export type Stock = z.infer<typeof StockSchema>

/** What it costs to make an offcut fit for use, minor units; null = not to be used. */
export function preparationMinor(grade: Grade, rules: Rules): number | null {
  if (grade === 'clean') return 0
  if (grade === 'coated') return Math.round(rules.stripCoatedEach * 100)
  if (grade === 'galvanised') return Math.round(rules.bareZincEach * 100)
  if (grade === 'pitted') return Math.round(rules.dressPittedEach * 100)
  return null
}

/** An id that none of the rows has. */
export function freshId(prefix: string, taken: { id: string }[]): string {
  let n = 1
  while (taken.some((t) => t.id === `${prefix}${n}`)) n++
  return `${prefix}${n}`
}

/** Every row of the rack, whatever it is: ids are one another's. */
export const rowsOf = (s: Stock): { id: string }[] => [...s.sale, ...s.remnants, ...s.sheets]
