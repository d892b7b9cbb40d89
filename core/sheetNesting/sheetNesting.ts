import { z } from 'zod'
import { areaMm2 } from '../geometry/polygon'
import { turns } from '../geometry/quarterTurn'
import { eachOwnId } from '../nesting/eachOwnId'

const id = z.string().min(1).max(80)
const side = z.number().positive('must be more than 0').max(20_000)
const point = z.tuple([z.number().min(-20_000).max(20_000), z.number().min(-20_000).max(20_000)])
export const SheetNestingInput = z
  .object({
    sheets: z
      .array(
        z.object({
          id,
          width: side,
          height: side,
          price: z.number().min(0).max(1e9).optional(),
          quantity: z.number().int().min(0).max(1000).nullable(),
        }),
      )
      .min(1, 'give at least one sheet')
      .max(100),
    parts: z
      .array(
        z
          .object({
            id,
            width: side.optional(),
            height: side.optional(),
            outline: z.array(point).min(3, 'an outline has three corners or more').max(2000).optional(),
            /** large ones, in which other parts may lie; in the outline's own coordinates */
            cutOuts: z.array(z.array(point).min(3).max(500)).max(50).optional(),
            quantity: z.number().int().min(0).max(2000),
            mayRotate: z.boolean().default(true),
          })
          .refine((p) => p.outline !== undefined || (p.width !== undefined && p.height !== undefined), {
            path: ['width'],
            message: 'give width and height, or an outline',
          }),
      )
      .max(1000),
    gap: z.number().min(0).max(200),
    edge: z.number().min(0).max(1000),
    timeLimitMs: z.number().int().min(1).max(60_000).default(3000),
  })
  .superRefine((v, ctx) => eachOwnId(v, 'sheets', ctx, { pieces: 2000, plan: 'nest' }))
export type SheetNestingInput = z.infer<typeof SheetNestingInput>

export const SheetNestingOutput = z.object({
  sheets: z.array(
    z.object({
      sheetId: z.string(),
      /** x, y = lower left corner of its box as it lies; rotated = its box lies across; turn = how far it is turned to the left, degrees */
      placements: z.array(z.object({ partId: z.string(), x: z.number(), y: z.number(), rotated: z.boolean(), turn: z.literal(turns) })),
    }),
  ),
  unplaced: z.array(z.object({ partId: z.string(), quantity: z.number(), reason: z.string() })),
  cost: z.number(),
  utilisation: z.number(),
})
export type SheetNesting = z.infer<typeof SheetNestingOutput>

/** A sheet's price: what the shop pays, or its area in m² where none is given. */
export const sheetPrice = (s: SheetNestingInput['sheets'][number]): number => s.price ?? (s.width * s.height) / 1e6

/** The box that a part takes on a sheet, and its true area. mm, mm² */
export function boxOfPart(p: SheetNestingInput['parts'][number]): { width: number; height: number; areaMm2: number } {
  if (!p.outline) return { width: p.width ?? 0, height: p.height ?? 0, areaMm2: (p.width ?? 0) * (p.height ?? 0) }
  const [xs, ys] = [p.outline.map(([x]) => x), p.outline.map(([, y]) => y)]
  return {
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
    areaMm2: areaMm2(p.outline.map(([x, y]) => ({ x, y }))),
  }
}
