import type { BarNestingInput } from './barNesting'
import type { Kind, Pattern } from './patterns'

export type Stock = BarNestingInput['stock'][number]
export type Part = BarNestingInput['parts'][number]
export type Problem = { kinds: Kind[]; partKinds: number[]; stock: Stock[]; rooms: number[]; shortCost: number; step: number }
export type Column = { stock: number; pattern: Pattern }
export type Use = Column & { count: number }
export type Found = { uses: Use[]; cost: number; lowerBound: number; closed: boolean }

/** Every pattern is listed up to this many, and of those worth having this many. */
export const FULL_LIST = 1500
export const VALUABLE_LIST = 6000
/** Less time than this is not worth a search of its own. */
export const LEAST_SEARCH_MS = 250

/** A bound raised to the next multiple of the step that all prices share. */
export const raised = (bound: number, step: number): number => (step > 0 ? Math.ceil(bound / step - 1e-6) * step : bound)

/** One list of columns over all stock, or null when it would be longer than `most`. Equal stock shares its patterns. */
export function listAll<T extends number>(keys: T[], patternsFor: (key: T) => Pattern[] | null, most: number): Column[] | null {
  const columns: Column[] = []
  const known = new Map<T, Pattern[]>()
  for (const [stock, key] of keys.entries()) {
    const patterns = known.get(key) ?? patternsFor(key)
    if (!patterns) return null
    known.set(key, patterns)
    for (const pattern of patterns) columns.push({ stock, pattern })
    if (columns.length > most) return null
  }
  return columns
}
