import { z } from 'zod'
import { materials } from '../../catalogue/materials'
import { profiles } from '../../catalogue/profiles'
import { boxId, lengthBetween as mm } from '../choices'

export const flats = profiles.filter((p) => p.shape.kind === 'flat')
const flatId = z.string().refine((id) => flats.some((p) => p.id === id), 'is no flat bar of the catalogue')

/** Flat strips lengthwise, let down over crossbars, on folded legs that lean inwards, with a band round the edge. mm, degrees */
export const LatticeParams = z.object({
  mountId: z.string().default(''),
  /** a crossbar on a pair of legs at each */
  footXMm: z.array(mm(-5000, 8000)).min(2, 'two crossbars at least').max(10, 'ten crossbars at most'),
  /** folded legs: seat to underside of the crossbar, how far they lean in from upright, pads, width, sheet */
  riseMm: mm(30, 400).default(90),
  leanDeg: z.number().min(0).max(60).default(15),
  padMm: mm(30, 200).default(60),
  topMm: mm(30, 250).default(80),
  legWideMm: mm(30, 200).default(80),
  thicknessMm: mm(2, 10).default(6),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('steel'),
  /** how a leg holds its bar: welded under it, or bolted from below into rivet nuts */
  legs: z.enum(['welded', 'rivet nuts']).default('welded'),
  barProfileId: boxId.default('square-30x2-steel'),
  /** bars past the outer edge of their legs */
  pastMm: mm(0, 400).default(40),
  strips: z.number().int().min(2, 'two strips at least').max(24, 'twenty-four strips at most').default(6),
  stripProfileId: flatId.default('flat-30x5-steel'),
  /** strips past the end bars; how deep they are let over a bar, and how much wider than the bar */
  endMm: mm(0, 600).default(180),
  notchMm: mm(2, 40).default(12),
  playMm: mm(0, 5).default(1),
  band: z.boolean().default(true),
  bandProfileId: flatId.default('flat-40x8-steel'),
  /** centre-line radius of the band's corners; null = nobody named one, and then it has no length */
  cornerMm: mm(20, 400).nullable().default(90),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type LatticeParams = z.infer<typeof LatticeParams>
