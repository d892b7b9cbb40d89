import { z } from 'zod'
import { lengthBetween as mm, anyId as profileId } from '../choices'

/** A carrier in the receiver: a tongue, a beam behind it, and trays across, each for one bicycle, or all of them for a box. mm behind the pin */
export const CarrierParams = z.object({
  carries: z.enum(['bicycles', 'box']).default('bicycles'),
  tongueProfileId: profileId.default('square-50x4-steel'),
  trayProfileId: profileId.default('square-40x3-steel'),
  firstBehindMm: mm(150, 1500).default(420),
  pitchMm: mm(120, 600).default(240),
  trays: z.number().int().min(1, 'one tray at least').max(4, 'four trays at most').default(2),
  trayLengthMm: mm(300, 2200).default(1200),
  riseMm: mm(0, 600).default(0),
  /** the mast that bicycles lean on, above the trays */
  mastMm: mm(300, 1400).default(900),
  strapPoints: z.boolean().default(true),
  /** working load of one strap point, by its maker; null = nobody knows, and then it is no anchor with a rating. N */
  strapPointN: z.number().min(0).max(50_000).nullable().default(null),
  folds: z.boolean().default(false),
  antiSway: z.boolean().default(true),
  build: z.enum(['welded', 'bolted']).default('welded'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type CarrierParams = z.infer<typeof CarrierParams>
