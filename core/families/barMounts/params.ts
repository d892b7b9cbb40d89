import { z } from 'zod'
import { materials } from '../../catalogue/materials'
import { boxId, lengthBetween as mm } from '../choices'

export const carriedThings = ['awning', 'jack', 'boards', 'can', 'lamp bar', 'ladder'] as const

/** Something hung beside a rack on folded brackets, one at the end of each bar: of the piece below, or of bars of its own. mm */
export const BarMountsParams = z.object({
  what: z.enum(carriedThings).default('awning'),
  side: z.enum(['left', 'right']).default('left'),
  lengthMm: mm(150, 4000).default(2000),
  deepMm: mm(20, 600).default(130),
  highMm: mm(20, 600).default(130),
  /** an awning: how far it reaches when it is open, whether its outer edge stands on pegged legs, and the wind its maker lets it stand. null = not known; mm, km/h */
  opensMm: mm(300, 5000).nullable().default(null),
  legs: z.boolean().default(true),
  windRatedKmh: z.number().min(5).max(150).nullable().default(null),
  /** as weighed, with all that stays on it; null = nobody did. kg */
  massKg: z.number().min(0.1).max(120).nullable().default(null),
  /** the client's own, which he brings: not bought, and not priced */
  theirs: z.boolean().default(false),
  priceMinor: z.number().int().min(0).max(100_000_000).nullable().default(null),
  /** its rear end behind the middle of the rear bar */
  behindMm: mm(-2000, 2000).default(300),
  /** bars of its own, where it stands on no other piece */
  mountId: z.string().max(40).default(''),
  footXMm: z.array(z.number().min(-5000).max(8000)).min(2, 'two bars at least').max(6, 'six bars at most').default([0, 900]),
  footHeightMm: mm(0, 400).default(60),
  pastMm: mm(40, 400).default(120),
  barProfileId: boxId.default('rect-50x30x3-steel'),
  /** folded brackets: the leg on the bar, how far it reaches past the bar's end, the leg that the thing is bolted to */
  hangs: z.enum(['down', 'up']).default('down'),
  legMm: mm(40, 300).default(90),
  outMm: mm(10, 400).default(20),
  dropMm: mm(30, 400).default(90),
  wideMm: mm(25, 200).default(60),
  leg: z.enum(['over', 'under']).default('over'),
  thicknessMm: mm(2, 6).default(4),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type BarMountsParams = z.infer<typeof BarMountsParams>
