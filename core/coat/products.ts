import { z } from 'zod'
import { coldFactor } from './coat'

const hours = z.number().min(0).max(1000)
const degrees = z.number().min(-20).max(60)
export const coatMetals = ['steel', 'stainless', 'aluminium'] as const

/** A coat that the shop puts on itself, with its primer, as its maker's sheet has it: on what, how long between coats and until it carries, at which temperature, and the least one it cures at. h, °C, m²/l */
export const CoatProductSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().max(80),
  metals: z.array(z.enum(coatMetals)).max(3).default(['steel']),
  recoatHours: hours.default(12),
  cureHours: hours.default(72),
  sheetC: degrees.default(20),
  leastC: degrees.default(10),
  /** null = its sheet was not looked up */
  m2PerL: z.number().positive().max(100).nullable().default(null),
  /** what a litre costs, minor units; null = not asked yet */
  perLMinor: z.number().int().min(0).max(1_000_000).nullable().default(null),
  /** what must lie under it */
  beneath: z.string().max(120).default(''),
})
export type CoatProduct = z.infer<typeof CoatProductSchema>

/** How a product behaves in the room as it is: hours, how many times as long as its sheet says, and whether it cures there at all. */
export type InRoom = { recoatHours: number; cureHours: number; times: number; tooCold: boolean }
export function inRoom(p: CoatProduct, roomC: number | null, doublesC: number): InRoom {
  if (roomC === null) return { recoatHours: p.recoatHours, cureHours: p.cureHours, times: 1, tooCold: false }
  // below its least temperature nothing is known: the room is warmed to it first
  const times = coldFactor(p.sheetC, Math.max(roomC, p.leastC), doublesC)
  return { recoatHours: p.recoatHours * times, cureHours: p.cureHours * times, times, tooCold: roomC < p.leastC }
}

/** The first product on the list for each metal; a metal that none is made for has null. */
export const productsFor = (
  metals: CoatProduct['metals'],
  list: readonly CoatProduct[],
): { metal: CoatProduct['metals'][number]; product: CoatProduct | null }[] =>
  metals.map((metal) => ({ metal, product: list.find((p) => p.metals.includes(metal)) ?? null }))
