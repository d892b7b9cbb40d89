import { z } from 'zod'

/** Over the top, or the way a direct strap keeps the item from going. */
export const strapWays = ['over', 'forward', 'rear', 'left', 'right'] as const
export type StrapWay = (typeof strapWays)[number]

const StrapSchema = z.object({
  /** working load limit as on its label; null = nobody read it */
  wllKg: z.number().min(0).max(20_000).nullable(),
  anchorId: z.string().max(90).nullable(),
  angleDeg: z.number().min(0).max(90),
  way: z.enum(strapWays),
  /** where along the item, forward of its middle; null = nobody said */
  atMm: z.number().min(-10_000).max(10_000).nullable().default(null),
})

/** How one item is held: by straps, or by bolts of its own mount. */
export const SecuringSchema = z.object({
  by: z.enum(['straps', 'bolts']),
  /** something in front keeps it from sliding forward */
  blockedForward: z.boolean().default(false),
  /** what that holds; null = nobody knows. N */
  blockHoldsN: z.number().min(0).max(1e6).nullable().default(null),
  friction: z.number().min(0.05).max(1).nullable().default(null),
  straps: z.array(StrapSchema).max(20).default([]),
  /** bolts of its own mount, by size and how many in all; null = nobody counted them */
  bolts: z
    .object({
      size: z.enum(['M5', 'M6', 'M8', 'M10', 'M12', '1/4-20', '5/16-18', '3/8-16', '1/2-13']),
      count: z.number().int().min(1).max(60),
    })
    .nullable()
    .default(null),
})
export type Securing = z.infer<typeof SecuringSchema>
