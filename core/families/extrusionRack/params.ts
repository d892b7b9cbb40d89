import { z } from 'zod'
import { profiles } from '../../catalogue/profiles'
import { lengthBetween as mm } from '../choices'

export const slottedProfiles = profiles.filter((p) => p.shape.kind === 'slotted')
const slotted = z.string().refine((id) => slottedProfiles.some((p) => p.id === id), 'is no slotted extrusion of the catalogue')

/** A rack of slotted extrusion: two side bars on feet, crossbars between them on corner brackets or by their tapped ends, a stop across the front. mm */
export const ExtrusionParams = z.object({
  mountId: z.string().default(''),
  footXMm: z.array(mm(-5000, 8000)).min(2, 'two pairs of feet at least').max(10, 'ten pairs of feet at most'),
  pastMm: mm(0, 600).default(120),
  footHeightMm: mm(0, 400).default(60),
  beamProfileId: slotted.default('slotted-40x40-al6063t5'),
  crossProfileId: slotted.default('slotted-40x40-al6063t5'),
  crosses: z.number().int().min(2, 'two crossbars at least').max(24).default(4),
  /** how a crossbar is held: by a bracket in each corner, or by a bolt through the side bar into its tapped end, with a pin against turning */
  held: z.enum(['brackets', 'tapped ends']).default('brackets'),
  /** a bar across the front, on top of the side bars, that sheets lie against */
  stop: z.boolean().default(true),
})
export type ExtrusionParams = z.infer<typeof ExtrusionParams>
