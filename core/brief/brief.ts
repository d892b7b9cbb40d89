import { z } from 'zod'
import { CargoSchema, uses } from './cargo'
import { AskedSchema } from './intake'

export const loadClasses = {
  light: { name: 'Light', mostKg: 50, means: 'a board, poles, a box now and then' },
  medium: { name: 'Medium', mostKg: 120, means: 'ladders, cases and an awning most weeks' },
  heavy: { name: 'Heavy', mostKg: 300, means: 'working loads every day' },
} as const
export type LoadClass = keyof typeof loadClasses

const money = z.number().int().min(0).max(100_000_000).nullable()
/** What the client asked for. Nothing computed. Money in minor units. */
export const BriefSchema = z.object({
  clientName: z.string().max(120).default(''),
  contact: z.string().max(200).default(''),
  vehicleUse: z.string().max(500).default(''),
  loadClass: z.enum(['light', 'medium', 'heavy']).nullable().default(null),
  /** the kinds of use that the load class was agreed for; what is not among them was not agreed */
  agreedUses: z.array(z.enum(uses)).max(uses.length).default(['goods']),
  howOften: z.enum(['now and then', 'weekly', 'daily']).default('weekly'),
  road: z.enum(['road', 'rough track']).default('road'),
  speedKmh: z.number().min(0).max(250).nullable().default(null),
  /** every height the vehicle must pass under, with the load on */
  passages: z
    .array(z.object({ name: z.string().max(80), heightMm: z.number().min(500).max(10_000).nullable() }))
    .max(20)
    .default([]),
  budgetMinor: money.default(null),
  readyMadeMinor: money.default(null),
  readyMadeNote: z.string().max(200).default(''),
  someoneStands: z.boolean().default(false),
  /** someone climbs up by a bar's end and leans out from it */
  someoneClimbs: z.boolean().default(false),
  /** snow or standing water on what lies flat while parked, kg on a square metre; 0 = none is reckoned with */
  snowKgM2: z.number().min(0).max(600).default(0),
  /** what was asked at intake, by question */
  asked: AskedSchema.default({}),
  cargo: z.array(CargoSchema).max(60).default([]),
})
export type Brief = z.infer<typeof BriefSchema>
