import { z } from 'zod'

const mm = (min: number, max: number) => z.number().min(min).max(max).nullable().default(null)
const kg = z.number().min(0).max(5000).nullable().default(null)

/**
 * A bought or found rack, box, carrier or frame, entered by measure: what it weighs and where, the box it fills, the lines it carries things on, and what its
 * maker rates. Null = nobody measured or asked. x forward of the rear axle, mm.
 */
export const ThereParams = z.object({
  name: z.string().trim().max(80).default(''),
  /** the place of the vehicle it stands on */
  where: z.string().max(60).default(''),
  massKg: kg,
  /** its centre of mass: along the vehicle, left of the middle, above the ground */
  xMm: mm(-20_000, 20_000),
  yMm: z.number().min(-3000).max(3000).default(0),
  zMm: mm(0, 5000),
  /** the box it fills */
  fromXMm: mm(-20_000, 20_000),
  toXMm: mm(-20_000, 20_000),
  widthMm: mm(1, 5000),
  bottomZMm: mm(0, 5000),
  topZMm: mm(0, 6000),
  /** bars, slots or trays across it on which things lie, and the height of their tops; empty = nothing lies on it */
  barsXMm: z.array(z.number().min(-20_000).max(20_000)).max(20, 'twenty at most').default([]),
  barsZMm: mm(0, 6000),
  holds: z.boolean().default(false),
  ratedKg: kg,
  ratedBy: z.string().max(120).default(''),
  /** somebody drilled, cut or welded it since it left its maker: then it has no rating */
  altered: z.boolean().default(false),
  feet: z.number().int().min(1).max(12).nullable().default(null),
  /** in a receiver: the pin along the vehicle, and its centre of mass and rear end behind that */
  pinXMm: mm(-20_000, 0),
  behindMm: mm(-2000, 5000),
  endBehindMm: mm(1, 5000),
  /** what hangs on it for good */
  loads: z
    .array(
      z.object({
        name: z.string().min(1, 'say what it is').max(80),
        massKg: z.number().min(0).max(2000).nullable().default(null),
        behindMm: z.number().min(-2000).max(5000).nullable().default(null),
        zMm: z.number().min(0).max(5000).nullable().default(null),
      }),
    )
    .max(20)
    .default([]),
})
export type ThereParams = z.infer<typeof ThereParams>
