import { z } from 'zod'
import { profileOf } from '../../catalogue/profiles'
import { lengthBetween as mm, roundId } from '../choices'

export const basketFloors = ['open', 'mesh', 'slats'] as const

/** A basket over the roof: two runners on feet, cross tubes saddled between them, a bent hoop at each end and bars along the sides. mm, vehicle axes */
export const BasketParams = z.object({
  mountId: z.string().default(''),
  /** where its feet stand along the vehicle */
  footXMm: z.array(z.number().min(-5000).max(8000)).min(2, 'two pairs of feet at least').max(10, 'ten pairs of feet at most'),
  /** runners past the first and the last foot */
  pastMm: mm(0, 600).default(120),
  footHeightMm: mm(0, 400).default(60),
  runnerProfileId: roundId.default('round-42x3-steel'),
  crossProfileId: roundId.default('round-32x2-steel'),
  hoopProfileId: roundId.default('round-32x2-steel'),
  sideProfileId: roundId.default('round-25x2-steel'),
  /** centre-line radius of the die; null = nobody has chosen one, and then nothing bent has a length */
  bendRadiusMm: mm(20, 1000).nullable().default(null),
  /** runner's middle to the middle of a hoop's top */
  sideMm: mm(80, 900).default(260),
  /** hoops lean outward, ahead and behind */
  frontLeanDeg: mm(-30, 45).default(12),
  rearLeanDeg: mm(-30, 45).default(0),
  crossTubes: z.number().int().min(2, 'two cross tubes at least').max(24, 'twenty-four cross tubes at most').default(6),
  sideBars: z.boolean().default(true),
  floor: z.enum(basketFloors).default('mesh'),
  /** a hoop ahead of the front one that carries lamps */
  shell: z.boolean().default(false),
  shellAheadMm: mm(60, 500).default(190),
  lamps: z.number().int().min(0).max(12, 'twelve lamps at most').default(0),
  lampMm: mm(40, 400).default(180),
  lampDeepMm: mm(20, 300).default(90),
  lampGapMm: mm(0, 300).default(20),
  lampKg: z.number().min(0).max(20).nullable().default(null),
  lampPriceMinor: z.number().int().min(0).max(10_000_000).nullable().default(null),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type BasketParams = z.infer<typeof BasketParams>

export const outsideMm = (profileId: string): number => {
  const { shape } = profileOf(profileId)
  return shape.kind === 'round' ? shape.outsideDiameterMm : 0
}
