import { z } from 'zod'
import { materials } from '../../catalogue/materials'
import { lengthBetween as mm } from '../choices'

/** A chest of folded sheet across the bed: one sheet for floor, front and back, two ends, a lid, dividers, on folded bearers. mm */
export const ChestParams = z.object({
  placeId: z.string().max(60).default('bed.floor'),
  /** behind the front end of what it stands on */
  frontMm: mm(0, 6000).default(60),
  /** outside, along the vehicle, across it, and from its own floor to its rim */
  lengthMm: mm(200, 3000).default(520),
  widthMm: mm(200, 2400).default(1050),
  heightMm: mm(120, 1200).default(420),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('al5052h32'),
  thicknessMm: z.number().min(0.8).max(6).default(2),
  /** rim folded in round the opening, and the lid's skirt round it */
  rimMm: mm(8, 80).default(22),
  skirtMm: mm(10, 150).default(35),
  dividers: z.number().int().min(0).max(8).default(1),
  bearers: z.number().int().min(2, 'two bearers at least').max(16, 'sixteen bearers at most').default(7),
  bearerHeightMm: mm(15, 120).default(25),
  /** ends and dividers welded in, or bolted through their flanges; or flat dividers that stand in slots of the floor until they are welded */
  build: z.enum(['welded', 'bolted', 'slotted']).default('welded'),
  tabs: z.number().int().min(2, 'two tabs at least: one alone turns').max(8, 'eight tabs at most').default(2),
  tabMm: mm(10, 150).default(30),
  /** slots are longer and wider by so much: without any no tab goes in */
  allowanceMm: mm(0.1, 2).default(0.5),
  latches: z.number().int().min(1, 'one latch at least').max(4, 'four latches at most').default(2),
  /** what its maker lets one latch hold; null = nobody knows. N */
  latchN: z.number().min(0).max(20_000).nullable().default(null),
  /** number of the key, so that a lost one can be had again; empty = no lock */
  keyNumber: z.string().trim().max(20).default(''),
  finish: z.enum(['raw', 'painted', 'powder']).default('raw'),
})
export type ChestParams = z.infer<typeof ChestParams>
