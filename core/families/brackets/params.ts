import { z } from 'zod'
import { type BoltSize, boltSizeNames } from '../../catalogue/bolts'
import { materials } from '../../catalogue/materials'
import { lengthBetween as mm } from '../choices'
import { inRow, PatternSchema } from '../pattern'

export const forms = ['flat', 'angle', 'step', 'clamp'] as const
/** The six ways of the vehicle. */
export const ways = ['ahead', 'behind', 'left', 'right', 'up', 'down'] as const
export type Way = (typeof ways)[number]

const bolt = z.enum(boltSizeNames as [BoltSize, ...BoltSize[]])

/** Brackets of one form in a row on a bar of the piece below or on a place of the vehicle, and what is bolted to them. mm, degrees */
export const BracketsParams = z.object({
  form: z.enum(forms).default('angle'),
  /** which tube of the piece below, empty = the first; else which place of the vehicle, and its side */
  onMember: z.string().max(120).default(''),
  placeId: z.string().max(40).default(''),
  side: z.enum(['left', 'right']).default('left'),
  /** the face of a tube they lie on, and which way each runs from its bolts */
  face: z.enum(ways).default('up'),
  runs: z.enum(ways).default('down'),
  /** from the first end of what they stand on */
  atMm: z.array(z.number().min(0).max(8000)).min(1, 'one bracket at least').max(12, 'twelve brackets at most').default([200, 800]),
  /** on a wall: over its line */
  upMm: mm(-500, 3000).default(0),
  /** the leg on what they stand on, the leg that holds; outside */
  padMm: mm(20, 400).default(50),
  holdMm: mm(20, 600).default(60),
  /** an angle: how far it is folded; a step: how far its web leans over, and how far it steps */
  angleDeg: z.number().min(15).max(120).default(90),
  webDeg: z.number().min(15).max(90).default(90),
  stepMm: mm(1, 300).default(60),
  /** a clamp: its legs, and what lines it each side, with washers */
  legMm: mm(20, 300).default(80),
  liningMm: mm(0, 15).default(2),
  wideMm: mm(20, 400).default(70),
  thicknessMm: mm(1.5, 12).default(4),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('steel'),
  /** right through a tube, or into rivet nuts in its wall */
  fixed: z.enum(['through', 'rivet nut']).default('through'),
  /** heads of the bolts on what it stands on are sunk into the sheet */
  sunk: z.boolean().default(false),
  boltOne: bolt.default('M8'),
  boltOther: bolt.default('M8'),
  one: PatternSchema.default(inRow(2, 40, 9, 'across')),
  other: PatternSchema.default(inRow(2, 40, 9, 'across')),
  /** a flat one: how the second pattern lies over the first */
  turned: z.enum(['0', '90', '180', '270']).default('0'),
  shiftXMm: mm(-1500, 1500).default(0),
  shiftYMm: mm(-1500, 1500).default(0),
  /** what it holds lies on the side of the sheet away from what it stands on, or on that side */
  lies: z.enum(['over', 'under']).default('over'),
  name: z.string().max(60).default(''),
  lengthMm: mm(20, 5000).default(800),
  deepMm: mm(10, 2000).default(200),
  highMm: mm(10, 2000).default(200),
  /** as weighed, with all that stays on it; null = nobody did. kg */
  massKg: z.number().min(0.01).max(400).nullable().default(null),
  /** the client's own, which he brings: not bought, and not priced */
  theirs: z.boolean().default(false),
  priceMinor: z.number().int().min(0).max(100_000_000).nullable().default(null),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type BracketsParams = z.infer<typeof BracketsParams>
