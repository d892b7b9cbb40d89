import { z } from 'zod'

const mm = z.number().min(-5000).max(5000).nullable().default(null)
/** An end of a strut: out from the hinge along the shut leaf, and below it (the way it opens is above). mm, null = not chosen */
const EndSchema = z.object({ outMm: mm, belowMm: mm }).prefault({})

/** Gas struts under one thing that turns. What nobody knows is null, and then nothing is said of them. */
export const StrutsSchema = z.object({
  /** what they hold: a lid of a piece, a hatch or cover of the vehicle */
  moverId: z.string().min(1).max(80),
  count: z.number().int().min(1).max(8).default(2),
  partId: z.string().max(60).nullable().default(null),
  /** pushed out at 20 °C, as its label says. N */
  forceN: z.number().min(1).max(20_000).nullable().default(null),
  extendedMm: z.number().min(20).max(3000).nullable().default(null),
  strokeMm: z.number().min(5).max(2000).nullable().default(null),
  onLeaf: EndSchema,
  onBody: EndSchema,
  /** a leaf of the vehicle itself: what it weighs, and how far out its middle is. A lid of a piece is weighed by its parts */
  leafKg: z.number().min(0).max(500).nullable().default(null),
  leafOutMm: mm,
})
export type Struts = z.infer<typeof StrutsSchema>
export const newStruts = (moverId: string): Struts => StrutsSchema.parse({ moverId })
