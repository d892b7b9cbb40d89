import { z } from 'zod'
import { materials } from '../../catalogue/materials'
import { lengthBetween as mm } from '../choices'

/** Drawers side by side under a deck, pulled out over the tailgate: a folded carcass, a folded tray and a front each, on bought slides. mm */
export const DrawersParams = z.object({
  placeId: z.string().max(60).default('bed.floor'),
  /** front of its carcass behind the front end of the floor */
  frontMm: mm(0, 4000).default(100),
  lengthMm: mm(300, 2600).default(1100),
  widthMm: mm(200, 2200).default(1000),
  heightMm: mm(90, 700).default(260),
  count: z.number().int().min(1, 'one drawer at least').max(4, 'four drawers at most').default(2),
  /** room that a slide takes on each side of its drawer, by its maker */
  slideGapMm: mm(5, 40).default(13),
  travelMm: mm(100, 2600).default(1000),
  /** what a pair of slides carries, and what it weighs; null = nobody knows */
  slideKg: z.number().min(0).max(1000).nullable().default(null),
  slidePairKg: z.number().min(0).max(60).nullable().default(null),
  /** what its maker lets the lock of a shut drawer hold; null = nobody knows. N */
  latchN: z.number().min(0).max(20_000).nullable().default(null),
  /** what the lock holds that keeps a drawer out once it is pulled right out; 0 = it has none, null = nobody knows. N */
  outLockN: z.number().min(0).max(20_000).nullable().default(null),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('al5052h32'),
  thicknessMm: z.number().min(0.8).max(6).default(2),
  /** ribs folded under the deck over each bay, the first under its rear edge; and how deep they are */
  ribs: z.number().int().min(1, 'one rib at least, under the rear edge').max(12).default(5),
  ribMm: mm(10, 60).default(25),
  finish: z.enum(['raw', 'painted', 'powder']).default('raw'),
})
export type DrawersParams = z.infer<typeof DrawersParams>
