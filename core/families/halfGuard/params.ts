import { z } from 'zod'
import { lengthBetween as mm, roundId } from '../choices'

/** A low guard over the front of a bed that narrows: a bent hoop on two base tubes that follow the rails, with a stay behind each leg. mm */
export const HalfGuardParams = z.object({
  /** the front of its base behind the front wall of the bed, and how far back it runs */
  frontGapMm: mm(0, 1500).default(60),
  baseMm: mm(300, 3000).default(900),
  /** hoop behind the front of the base */
  hoopBehindMm: mm(20, 1500).default(80),
  /** how far inside the middle of the rail the base tubes lie */
  insideMm: mm(-60, 200).default(0),
  /** middle of the base tubes to the middle of the hoop's top */
  heightMm: mm(120, 900).default(320),
  /** centre-line radius of the die; null = nobody has chosen one, and then nothing bent has a length */
  bendRadiusMm: mm(20, 1000).nullable().default(null),
  /** where the stays meet the legs, and how far back they stand */
  stayUpMm: mm(40, 700).default(150),
  stayBackMm: mm(60, 2000).default(240),
  /** cross tubes low between the legs: something to lean the load on */
  lowBars: z.number().int().min(0).max(4, 'four at most').default(1),
  baseProfileId: roundId.default('round-42x3-steel'),
  hoopProfileId: roundId.default('round-42x3-steel'),
  stayProfileId: roundId.default('round-32x2-steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type HalfGuardParams = z.infer<typeof HalfGuardParams>
