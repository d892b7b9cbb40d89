import { z } from 'zod'

export const needKinds = ['sections', 'sheet', 'feet', 'accessories', 'small parts', 'coats'] as const
export type NeedKind = (typeof needKinds)[number]

/** Who sells what, and how long it takes from the order until it is here. */
export const SupplierSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().max(80),
  gives: z.array(z.enum(needKinds)).max(needKinds.length).default([]),
  leadDays: z.number().int().min(0).max(365).default(3),
})
export type Supplier = z.infer<typeof SupplierSchema>

/** The one who brings it soonest; null = nobody entered sells it. */
export const supplierOf = (kind: NeedKind, suppliers: readonly Supplier[]): Supplier | null =>
  suppliers.filter((s) => s.gives.includes(kind)).reduce<Supplier | null>((a, b) => (a === null || b.leadDays < a.leadDays ? b : a), null)

export type Lead = { days: number; kind: NeedKind | null; from: string | null }
/** What takes longest of several kinds, days; where nobody is entered for one, it takes what the shop reckons with. */
export const longestLead = (kinds: NeedKind[], suppliers: readonly Supplier[], usualDays: number): Lead =>
  kinds
    .map((kind): Lead => {
      const s = supplierOf(kind, suppliers)
      return { days: s?.leadDays ?? usualDays, kind, from: s?.name || null }
    })
    .reduce((a, b) => (b.days > a.days ? b : a), { days: kinds.length ? 0 : usualDays, kind: null, from: null })

/** Made up, as everything of the demonstration. */
export const demoSuppliers: Supplier[] = [
  { id: 'supplier-1', name: 'Anvil Lane metals', gives: ['sections', 'sheet'], leadDays: 3 },
  { id: 'supplier-2', name: 'The bolt loft', gives: ['small parts', 'coats'], leadDays: 2 },
  { id: 'supplier-3', name: 'Farshore fittings', gives: ['feet', 'accessories'], leadDays: 9 },
]
