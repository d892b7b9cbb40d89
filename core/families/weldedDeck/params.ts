import { z } from 'zod'
import { boxId, lengthBetween as mm } from '../choices'

/** A welded deck over the roof: two beams on feet, cross members between them, boards over all of it. mm, vehicle axes */
export const DeckParams = z.object({
  mountId: z.string().default(''),
  footXMm: z.array(mm(-5000, 8000)).min(2, 'two pairs of feet at least').max(10, 'ten pairs of feet at most'),
  pastMm: mm(0, 600).default(150),
  footHeightMm: mm(0, 400).default(60),
  beamProfileId: boxId.default('square-40x3-steel'),
  crossProfileId: boxId.default('square-30x2-steel'),
  crosses: z.number().int().min(2, 'two cross members at least').max(24).default(5),
  boards: z.boolean().default(true),
  boardMm: mm(20, 400).default(95),
  boardThickMm: mm(6, 60).default(20),
  boardGapMm: mm(0, 100).default(8),
  /** dry; wet wood is counted by the rule of the shop */
  woodKgM3: z.number().min(200).max(1500).default(520),
  boardPriceMinorM: z.number().int().min(0).max(1_000_000).default(420),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type DeckParams = z.infer<typeof DeckParams>
