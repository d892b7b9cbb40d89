import { z } from 'zod'
import { boxId, lengthBetween as mm } from '../choices'

/** A ladder rack over bed and cab: gates of two posts and a bar on base rails, rails along their tops that run out over the cab, a brace between gates. mm */
export const LadderParams = z.object({
  frontGapMm: mm(0, 1500).default(60),
  baseMm: mm(400, 4000).default(1350),
  insideMm: mm(-40, 300).default(0),
  gates: z.number().int().min(2, 'two gates at least').max(5, 'five gates at most').default(2),
  /** rail or edge to the top of the bars */
  heightMm: mm(250, 2200).default(900),
  /** top rails ahead of the front gate, over the cab */
  overCabMm: mm(0, 2200).default(900),
  pastRearMm: mm(0, 600).default(80),
  braces: z.boolean().default(true),
  baseProfileId: boxId.default('square-50x4-steel'),
  profileId: boxId.default('square-40x3-steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type LadderParams = z.infer<typeof LadderParams>
