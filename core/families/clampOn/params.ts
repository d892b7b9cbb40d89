import { z } from 'zod'
import { type BoltSize, boltSizeNames } from '../../catalogue/bolts'
import { materials } from '../../catalogue/materials'
import { boxId, lengthBetween as mm, roundId } from '../choices'

export const packs = ['skis', 'boards', 'paddles', 'tools'] as const
const bolt = z.enum(boltSizeNames as [BoltSize, ...BoltSize[]])

/** A padded jaw over each bar: two pairs of ears clamped on the bar, a padded tube between their tops that the pack is held down by. mm */
export const ClampOnParams = z.object({
  what: z.enum(packs).default('skis'),
  /** the first of the bars of the piece below that it goes on, empty = the first; and how many */
  onMember: z.string().max(120).default(''),
  jaws: z.number().int().min(1, 'one jaw at least').max(6, 'six jaws at most').default(2),
  /** its middle from the bar's first end */
  atMm: mm(0, 8000).default(500),
  /** the pack as it lies, and the padding over and under it as it is pressed */
  packThickMm: mm(5, 400).default(90),
  packWideMm: mm(40, 1600).default(320),
  padMm: mm(0, 60).default(12),
  /** ears: what lines them at the bar, with washers, each side; sheet and width */
  liningMm: mm(0, 15).default(2),
  earMm: mm(2, 10).default(5),
  earWideMm: mm(20, 120).default(40),
  materialId: z
    .string()
    .refine((id) => materials.some((m) => m.id === id), 'is no metal of the catalogue')
    .default('steel'),
  tubeProfileId: roundId.default('round-25x2-steel'),
  bolt: bolt.default('M8'),
  /** bars of its own, where it stands on no other piece */
  mountId: z.string().max(40).default(''),
  footXMm: z.array(z.number().min(-5000).max(8000)).min(1, 'one bar at least').max(6, 'six bars at most').default([0, 900]),
  footHeightMm: mm(0, 400).default(60),
  pastMm: mm(40, 400).default(120),
  barProfileId: boxId.default('rect-50x30x3-steel'),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type ClampOnParams = z.infer<typeof ClampOnParams>
