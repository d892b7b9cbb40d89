import { z } from 'zod'
import { materials } from '../../catalogue/materials'
import { type Drawn, DrawnSchema } from '../../sheet/drawn'
import { lengthBetween as mm } from '../choices'

/** How long and how high it may be. mm */
export const SIZES: { lengthMm: [number, number]; heightMm: [number, number] } = { lengthMm: [200, 4000], heightMm: [120, 2400] }
export const splits = ['one', 'overlap', 'strap', 'jog'] as const
/** A flat panel on the ribs of a van or the back wall of a cab, with a field of slots, in one part or in two. mm */
const fields = z.object({
  placeId: z.string().max(60).default('van.rib'),
  side: z.enum(['left', 'right']).default('left'),
  /** its first edge from the first end of the wall: the rear end, or the left one of a cab */
  fromMm: mm(0, 6000).default(100),
  lengthMm: mm(...SIZES.lengthMm).default(1200),
  /** its lower edge above the floor */
  lowMm: mm(0, 2000).default(400),
  heightMm: mm(...SIZES.heightMm).default(600),
  /** how far the body comes in below a straight upper edge and over a straight lower one, at even places from its first end; none = straight */
  topMm: z.array(mm(0, 2000)).max(15, 'fifteen places at most').default([]),
  bottomMm: z.array(mm(0, 2000)).max(15, 'fifteen places at most').default([]),
  /** rows of screws one over the other; and how many in a row where the wall has no ribs to say it */
  rows: z.number().int().min(2, 'two rows of screws at least').max(8).default(3),
  columns: z.number().int().min(2, 'two in a row at least').max(12).default(4),
  /** middle of the outer screws from its edges */
  edgeMm: mm(10, 100).default(25),
  /** its back off the line of the ribs; and the gap to the body at each row from the lowest, where that was measured */
  standOffMm: mm(0, 200).default(15),
  gapsMm: z.array(mm(0, 300)).max(8, 'one gap to a row').default([]),
  /** how far a body's own hole was off, the worst of each vehicle that it shall fit; none = as far as the shop's rule says */
  offMm: z.array(mm(0, 30)).max(20, 'twenty vehicles at most').default([]),
  holes: z.enum(['round', 'along', 'up']).default('round'),
  washerMm: mm(10, 60).default(18),
  /** the field: 0 = none. Long, wide, from middle to middle along and up, and what is left whole round the edges */
  slotMm: mm(0, 300).default(40),
  slotWideMm: mm(3, 40).default(8),
  pitchMm: mm(10, 500).default(65),
  rowPitchMm: mm(10, 500).default(40),
  marginMm: mm(10, 300).default(45),
  split: z.enum(splits).default('one'),
  /** where the second part begins, from its first edge; how far the two lie over each other; bolts down the seam */
  splitMm: mm(60, 3900).default(600),
  lapMm: mm(20, 120).default(40),
  seamBolts: z.number().int().min(2, 'two bolts at least').max(20).default(4),
  /** what the shop lets hang on it, and how far that stands out; null = nobody has tried it */
  hangKg: z.number().min(0).max(500).nullable().default(null),
  reachMm: mm(30, 500).default(200),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('al5052h32'),
  thicknessMm: z.number().min(0.8).max(6).default(2),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
  /** its edge and cut-outs from a drawing made elsewhere: then that is its length and height */
  drawn: DrawnSchema.nullable().default(null),
})
const sizeOf = ({ outline }: Drawn): { lengthMm: number; heightMm: number } => ({
  lengthMm: Math.max(...outline.map((q) => q.x)),
  heightMm: Math.max(...outline.map((q) => q.y)),
})
export const PanelParams = fields
  .superRefine((p, ctx) => {
    if (!p.drawn) return
    const { lengthMm, heightMm } = sizeOf(p.drawn)
    const [long, high] = [SIZES.lengthMm, SIZES.heightMm]
    if (lengthMm < long[0] || lengthMm > long[1] || heightMm < high[0] || heightMm > high[1])
      ctx.addIssue({
        code: 'custom',
        path: ['drawn'],
        message: `a panel is {${long[0]}} to {${long[1]}} long and {${high[0]}} to {${high[1]}} high: this drawing is {${Math.round(lengthMm)}} by {${Math.round(heightMm)}}`,
      })
  })
  .transform((p) => (p.drawn ? { ...p, ...sizeOf(p.drawn) } : p))
export type PanelParams = z.infer<typeof PanelParams>
