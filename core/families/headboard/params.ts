import { z } from 'zod'
import { boxId, lengthBetween as mm } from '../choices'

export const boardFills = ['mesh', 'slats', 'open'] as const
/** A headboard at the front of a tray or bed: posts on base rails along its edges, bars and mesh between, a stay behind each post, a sheet that rolls down. mm */
export const HeadboardParams = z.object({
  frontGapMm: mm(0, 1500).default(40),
  baseMm: mm(300, 3000).default(900),
  insideMm: mm(-40, 300).default(20),
  /** edge of the tray to the top of the board */
  heightMm: mm(200, 2000).default(900),
  midBars: z.number().int().min(0).max(5, 'five at most').default(1),
  stayUpMm: mm(80, 1600).default(520),
  stayBackMm: mm(80, 2500).default(600),
  fill: z.enum(boardFills).default('mesh'),
  /** a sheet rolled up on the top bar: down it is a sail */
  sheet: z.boolean().default(false),
  baseProfileId: boxId.default('square-50x4-steel'),
  postProfileId: boxId.default('square-40x3-steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('painted'),
})
export type HeadboardParams = z.infer<typeof HeadboardParams>
