import { z } from 'zod'
import { SheetOffcutSchema } from '../stock/stock'
import { SheetNestingOutput } from './sheetNesting'

const mm = z.number().min(0).max(20_000)
/** One metal and thickness as it was accepted: by which marks its parts are known again, and how they lie on which sheets. mm, minor units */
const AcceptedGroupSchema = z.object({
  materialId: z.string().max(40),
  thicknessMm: mm,
  parts: z.array(z.string().max(40)).max(1000),
  sheets: z
    .array(
      z.object({ id: z.string().max(80), width: mm, height: mm, price: z.number().min(0).max(1e9), offcut: SheetOffcutSchema.nullable() }),
    )
    .max(200),
  nest: SheetNestingOutput,
})
/** Nests that were accepted: screen, prints and programs keep to them while their parts are the same, whatever else comes onto the rack. */
export const AcceptedSheetsSchema = z.object({
  on: z.iso.date('write the date as 2026-12-24'),
  /** they are cut, and the rack has what is left */
  cut: z.boolean().default(false),
  /** why, although a limit was over or not assessed */
  reason: z.string().max(500).default(''),
  groups: z.array(AcceptedGroupSchema).max(100),
})
export type AcceptedSheets = z.infer<typeof AcceptedSheetsSchema>
