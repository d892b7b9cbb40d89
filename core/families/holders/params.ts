import { z } from 'zod'
import { boxId, lengthBetween as mm, roundId } from '../choices'

/** Upright sockets in a row on a bar: clamped by collars to a tube of the piece below, or to a bar of their own across the bed. mm, degrees */
export const HoldersParams = z.object({
  /** which tube of the piece below; empty = the first that runs across */
  onMember: z.string().max(120).default(''),
  /** a bar of their own: behind the front of the rails */
  behindMm: mm(60, 4000).default(500),
  barProfileId: boxId.default('square-40x3-steel'),
  count: z.number().int().min(1, 'one socket at least').max(16, 'sixteen sockets at most').default(5),
  /** from each end of the bar to the first socket */
  insetMm: mm(20, 1000).default(120),
  /** a pitch to be kept, laid out from the middle; null = even from end to end */
  pitchMm: mm(40, 1500).nullable().default(null),
  socketProfileId: roundId.default('round-42x3-steel'),
  socketMm: mm(80, 900).default(260),
  /** leaning back from upright */
  tiltDeg: z.number().min(-45).max(60).default(15),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type HoldersParams = z.infer<typeof HoldersParams>
