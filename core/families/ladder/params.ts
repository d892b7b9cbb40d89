import { z } from 'zod'
import { boxId, lengthBetween as mm, roundId } from '../choices'

/** A ladder behind the vehicle: two bent rails from a bar on the roof down to the bumper, rungs even between them. mm */
export const LadderParams = z.object({
  /** its middle, to the left of the vehicle's */
  asideMm: mm(-900, 900).default(450),
  wideMm: mm(200, 600).default(340),
  /** rails behind the rear end of the vehicle */
  standOffMm: mm(40, 300).default(80),
  /** straight up from the bumper, before the rail leans out */
  kneeUpMm: mm(60, 500).default(180),
  firstRungMm: mm(200, 900).default(620),
  /** no two rungs stand farther apart; they are even between the first and the last */
  mostPitchMm: mm(180, 400).default(300),
  /** for good; folded up about hinges for the road; or lifted off its hooks, and then it lies somewhere else */
  kind: z.enum(['fixed', 'hinged', 'removable']).default('fixed'),
  /** hinges above the bumper */
  hingeUpMm: mm(80, 1500).default(620),
  /** what one hinge, one latch or one hook holds by its maker; null = nobody knows. N */
  hingeN: z.number().min(0).max(50_000).nullable().default(null),
  latchN: z.number().min(0).max(50_000).nullable().default(null),
  stow: z.enum(['on the rack', 'in the vehicle', 'left behind']).default('in the vehicle'),
  railProfileId: roundId.default('round-32x2-steel'),
  rungProfileId: roundId.default('round-25x2-steel'),
  /** centre-line radius of the die; null = nobody knows, and then there is no cut length */
  bendRadiusMm: mm(30, 400).nullable().default(96),
  /** a bar of its own where it stands on no other piece */
  mountId: z.string().max(40).default(''),
  barXMm: mm(-5000, 8000).default(-700),
  footHeightMm: mm(0, 400).default(60),
  barProfileId: boxId.default('square-40x3-steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type LadderParams = z.infer<typeof LadderParams>
