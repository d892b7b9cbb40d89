import { type Limit, missingFor } from './limit'

/** What nobody knows yet, and every limit that cannot be assessed for lack of it. */
export type HeldUp = { missing: string[]; limits: Limit[] }

/** Limits in their order, those that lack the very same figures put together where the first of them stands: one line says what is missing, once. */
export function heldUp(limits: Limit[]): (Limit | HeldUp)[] {
  const lacks = (l: Limit): string | null => (l.state === 'unknown' && missingFor(l).length ? missingFor(l).join('\n') : null)
  const told = new Set<string>()
  return limits.flatMap((l): (Limit | HeldUp)[] => {
    const key = lacks(l)
    if (key === null) return [l]
    if (told.has(key)) return []
    told.add(key)
    const same = limits.filter((o) => lacks(o) === key)
    return same.length > 1 ? [{ missing: missingFor(l), limits: same }] : [l]
  })
}
