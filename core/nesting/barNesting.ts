import { z } from 'zod'
import { eachOwnId } from './eachOwnId'

const id = z.string().min(1).max(80)
const length = z.number().positive().max(100_000)
export const BarNestingInput = z
  .object({
    parts: z.array(z.object({ id, length, quantity: z.number().int().min(0).max(2000) })).max(1000),
    stock: z
      .array(
        z.object({ id, length, price: z.number().min(0).max(1e9).optional(), quantity: z.number().int().min(0).max(10_000).nullable() }),
      )
      .min(1, 'give at least one stock length')
      .max(300),
    kerf: z.number().min(0).max(50),
    endTrim: z.number().min(0).max(5000),
    timeLimitMs: z.number().int().min(1).max(120_000).default(10_000),
  })
  .superRefine((v, ctx) => eachOwnId(v, 'stock', ctx, { pieces: 5000, plan: 'plan' }))
export type BarNestingInput = z.infer<typeof BarNestingInput>

export const NestedBar = z.object({
  stockId: z.string(),
  length: z.number(),
  cuts: z.array(z.object({ partId: z.string(), length: z.number() })),
  remnant: z.number(),
})
export const BarNestingOutput = z.object({
  bars: z.array(NestedBar),
  unplaced: z.array(z.object({ partId: z.string(), quantity: z.number(), reason: z.string() })),
  cost: z.number(),
  lowerBound: z.number(),
  proven: z.boolean(),
})
export type NestedBar = z.infer<typeof NestedBar>
export type BarNesting = z.infer<typeof BarNestingOutput>

/** A bar's price: what the shop pays, or its length where no price is given. */
export const priceOf = (stock: { price?: number; length: number }): number => stock.price ?? stock.length

/** Usable length with room for the kerf that the last cut would not need, so that n parts fit when Σ (length + kerf) ≤ room. */
export const roomOf = (stockLength: number, input: Pick<BarNestingInput, 'kerf' | 'endTrim'>): number =>
  stockLength - 2 * input.endTrim + input.kerf
export const FIT_TOLERANCE_MM = 1e-6

/** What is left of a bar after its cuts: length − 2·trim − Σ lengths − kerf·(n − 1), never below zero. */
export const remnantOf = (stockLength: number, cuts: { length: number }[], input: Pick<BarNestingInput, 'kerf' | 'endTrim'>): number =>
  Math.max(0, stockLength - 2 * input.endTrim - cuts.reduce((s, c) => s + c.length, 0) - input.kerf * Math.max(0, cuts.length - 1))

export const barNestingExample: z.input<typeof BarNestingInput> = {
  parts: [
    { id: 'crossbar', length: 1565, quantity: 4 },
    { id: 'side rail', length: 2370, quantity: 2 },
  ],
  stock: [
    { id: '6 m', length: 6000, price: 5400, quantity: null },
    { id: '3 m', length: 3000, price: 2950, quantity: null },
    { id: 'offcut', length: 1640, price: 0, quantity: 1 },
  ],
  kerf: 3,
  endTrim: 5,
  timeLimitMs: 5000,
}
