import { z } from 'zod'

/** Holes of one side of a part, from any corner of their own; `name` = the bought part they are of, or what somebody calls them. mm */
export const PatternSchema = z.object({
  name: z.string().max(120).default(''),
  holes: z
    .array(
      z.object({ xMm: z.number().min(-5000).max(5000), yMm: z.number().min(-5000).max(5000), diameterMm: z.number().min(0.5).max(200) }),
    )
    .min(1, 'one hole at least')
    .max(24, 'twenty-four holes at most'),
})
export type Pattern = z.infer<typeof PatternSchema>

/** A row of holes along a bracket, or across it. mm */
export const inRow = (count: number, pitchMm: number, diameterMm: number, lies: 'along' | 'across'): Pattern => ({
  name: '',
  holes: Array.from({ length: count }, (_, i) =>
    lies === 'along' ? { xMm: i * pitchMm, yMm: 0, diameterMm } : { xMm: 0, yMm: i * pitchMm, diameterMm },
  ),
})
