import { z } from 'zod'
import { demoSuppliers, SupplierSchema } from '../purchase/suppliers'
import { demoCalendar } from '../schedule/demoCalendar'
import { ShopCalendarSchema } from '../schedule/shopCalendar'
import { demoWorkshop, WorkshopSchema } from '../workshop/workshop'

export const paperSizes = ['A4', 'A3', 'Letter', 'Tabloid'] as const
export type PaperSize = (typeof paperSizes)[number]

/** What the shop sets once: how it is called on its sheets, what it prints on, and the units that a new job begins in. */
export const ShopSchema = z.object({
  name: z.string().trim().max(80).default(''),
  address: z.string().trim().max(160).default(''),
  paper: z.enum(paperSizes).default('A4'),
  units: z.enum(['metric', 'inch']).default('metric'),
  /** how its money is called on its sheets; empty = it knows its own */
  currency: z.string().trim().max(8).default(''),
  /** what it can do itself */
  workshop: WorkshopSchema.default(() => WorkshopSchema.parse({})),
  /** who sells what, and how soon it is here */
  suppliers: z.array(SupplierSchema).max(60, '60 suppliers at most').default([]),
  /** who works in it and when */
  calendar: ShopCalendarSchema.default(() => ShopCalendarSchema.parse({})),
})
export type Shop = z.infer<typeof ShopSchema>
/** What of the shop the order and the days of work hang on. */
export type PlannedShop = Pick<Shop, 'workshop' | 'suppliers' | 'calendar'>

/** The shop that the demonstration's jobs belong to. */
export const demoShop: Shop = {
  name: 'Skerry Quay outfitters',
  address: 'The old boat shed, Skerry Quay',
  paper: 'A4',
  units: 'metric',
  currency: '',
  workshop: demoWorkshop,
  suppliers: demoSuppliers,
  calendar: demoCalendar,
}
