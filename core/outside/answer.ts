import { z } from 'zod'

/** Work and metal that is asked for outside the shop. */
export const outsideKinds = ['merchant', 'coater', 'laser'] as const
export type OutsideKind = (typeof outsideKinds)[number]
export const outsideNames: Record<OutsideKind, string> = { merchant: 'Steel merchant', coater: 'Powder coater', laser: 'Laser service' }

const measure = z.number().min(0).max(1e9)
/** One thing asked for: how much of it, and what decides whether it can be done. mm, mm², kg; `cutMm` and `pierces` for each piece. */
export const AskedLineSchema = z.object({
  key: z.string().min(1).max(160),
  name: z.string().max(200),
  unit: z.enum(['mm', 'mm²', 'piece']),
  quantity: measure,
  massKg: measure,
  longMm: measure,
  wideMm: measure,
  thickMm: measure.default(0),
  leastHoleMm: measure.nullable().default(null),
  cutMm: measure.default(0),
  pierces: measure.default(0),
})
export type AskedLine = z.infer<typeof AskedLineSchema>

export const AskedSchema = z.object({
  kind: z.enum(outsideKinds),
  lines: z.array(AskedLineSchema).min(1, 'one line at least').max(400, '400 lines at most'),
})
export type Asked = z.infer<typeof AskedSchema>

/** What came back: a price and days for each line, or what is wrong with it; a line with a fault has no price. Minor units. */
export const OutsideAnswerSchema = AskedSchema.extend({
  on: z.iso.date('write the date as 2026-12-24'),
  answers: z
    .array(
      z.object({
        key: z.string().max(160),
        minor: z.number().int().min(0).max(1e9).nullable(),
        days: z.number().int().min(0).max(365).nullable(),
        faults: z.array(z.string().max(200)).max(10),
      }),
    )
    .max(400),
  /** nobody outside said it: it came from a stand-in of ours */
  simulated: z.literal(true),
  /** price and days count in the quote and in the days */
  used: z.boolean().default(false),
})
export type OutsideAnswer = z.infer<typeof OutsideAnswerSchema>
