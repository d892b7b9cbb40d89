import { z } from 'zod'

const mm = (most: number) => z.number().positive('must be more than 0').max(most)
/** A strip that was folded once and measured: what it was cut to, and how long both legs came out, outside, to where the outer faces would meet. mm, degrees of turn */
export const FoldTrialSchema = z.object({
  on: z.iso.date('write the date as 2026-12-24'),
  materialId: z.string().min(1).max(60),
  thicknessMm: mm(20),
  /** inside, as the tool leaves it */
  radiusMm: mm(100),
  angleDeg: z.number().min(5).max(175),
  blankMm: mm(5000),
  legAMm: mm(5000),
  legBMm: mm(5000),
  by: z.string().max(80).default(''),
})
export type FoldTrial = z.infer<typeof FoldTrialSchema>
export const MOST_FOLD_TRIALS = 400
