import { z } from 'zod'
import { type Figure, FigureSchema, figure } from '../figure/figure'

export const limitStates = ['clear', 'near', 'over', 'unknown'] as const
/** What a limit belongs to: the vehicle as a whole, what hangs in its receiver, the rack, or one thing carried. */
export const limitGroups = ['vehicle', 'hitch', 'rack', 'cargo'] as const
/** One thing that may not be exceeded. `ratio` = used / allowed; null when either is unknown, and unknown never passes. */
export const LimitSchema = z.object({
  id: z.string(),
  name: z.string(),
  group: z.enum(limitGroups),
  unit: z.enum(['mm', 'gauge', 'kg', 'N', 'N·mm', 'MPa', 'km/h', '°', '']),
  used: FigureSchema,
  allowed: FigureSchema,
  ratio: z.number().nullable(),
  state: z.enum(limitStates),
  /** drawn part that governs, and the piece it is about; null = the whole */
  ref: z.string().nullable(),
  pieceId: z.string().nullable(),
  caution: z.string().nullable(),
})
export type Limit = z.infer<typeof LimitSchema>

type Given = Omit<Limit, 'ratio' | 'state' | 'ref' | 'caution' | 'pieceId'> & {
  ref?: string | null
  pieceId?: string | null
  caution?: string
  nearRatio: number
  invert?: boolean
}

/** Builds a limit. `invert` for a floor instead of a ceiling: the figure must stay above what is allowed. */
export function limit({ nearRatio, invert, ref = null, pieceId = null, caution, ...given }: Given): Limit {
  const [used, allowed] = [given.used.value, given.allowed.value]
  const ratio = used === null || allowed === null ? null : invert ? quotient(allowed, used) : quotient(used, allowed)
  return { ...given, ref, pieceId, caution: caution ?? null, ratio, state: stateOf(ratio, nearRatio) }
}

/** Used over allowed. Where nothing is allowed, nothing used is 0 and anything at all is 99: it compares, and is never NaN. */
export const quotient = (top: number, bottom: number): number => (bottom > 0 ? Math.max(0, top / bottom) : top > 0 ? 99 : 0)

/** A share of something that may be used up whole. */
export const allOfIt = (id: string, source: string, name = 'All of it'): Figure =>
  figure({ id, name, unit: '', formula: '1', source, with: {} }, () => 1)

export const stateOf = (ratio: number | null, nearRatio: number): Limit['state'] =>
  ratio === null || Number.isNaN(ratio) ? 'unknown' : ratio > 1 + 1e-9 ? 'over' : ratio >= nearRatio ? 'near' : 'clear'

/** Governing first: over, then unknown, then near, then clear, each by ratio. */
export const governingFirst = (limits: Limit[]): Limit[] => {
  const rank = { over: 0, unknown: 1, near: 2, clear: 3 }
  return [...limits].sort((a, b) => rank[a.state] - rank[b.state] || (b.ratio ?? 0) - (a.ratio ?? 0))
}

/** What a limit still needs before it can be assessed. */
export const missingFor = (l: Limit): string[] => [...new Set([...l.used.missing, ...l.allowed.missing])]

/** One name for one limit of a job: several pieces have a strength each. */
export const limitKey = (l: Pick<Limit, 'id' | 'pieceId'>): string => (l.pieceId === null ? l.id : `${l.pieceId}/${l.id}`)
