import { withReading } from '../measure/settle'
import type { Sourced } from '../vehicle/vehicle'

type Merge = { merged: unknown; clashes: string[] }

/**
 * Two versions of one document that began from the same base, put together value by value: what only one side changed is taken from that
 * side. Where both changed the same value to different things the path is a clash, and the caller must ask. Lists whose items carry an
 * `id` are matched by it; a measure that both took keeps the readings of both; other lists are one value each.
 */
export function mergeChanges(base: unknown, mine: unknown, theirs: unknown, path = ''): Merge {
  if (same(mine, theirs) || same(base, theirs)) return { merged: mine, clashes: [] }
  if (same(base, mine)) return { merged: theirs, clashes: [] }
  if (isMeasure(mine) && isMeasure(theirs)) {
    // both measured it: their readings stand, mine are added as if taken after
    const added = mine.readings.filter((m) => !theirs.readings.some((t) => same(m, t)))
    if (added.length) return { merged: added.reduce(withReading, theirs), clashes: [] }
  }
  if (isRecord(base) && isRecord(mine) && isRecord(theirs)) {
    const clashes: string[] = []
    const merged: Record<string, unknown> = {}
    for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
      const part = mergeChanges(base[key], mine[key], theirs[key], path ? `${path}.${key}` : key)
      if (part.merged !== undefined) merged[key] = part.merged
      clashes.push(...part.clashes)
    }
    return { merged, clashes }
  }
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(theirs)) {
    if ([base, mine, theirs].every(haveIds)) return mergeById(base as Identified[], mine as Identified[], theirs as Identified[], path)
  }
  return { merged: mine, clashes: [path || 'the whole'] }
}

type Identified = { id: string }
const haveIds = (list: unknown[]): boolean => list.every((x) => isRecord(x) && typeof x.id === 'string')

function mergeById(base: Identified[], mine: Identified[], theirs: Identified[], path: string): Merge {
  const find = (list: Identified[], id: string) => list.find((x) => x.id === id)
  const clashes: string[] = []
  const order = [...mine.map((m) => m.id), ...theirs.map((t) => t.id).filter((id) => !find(mine, id))]
  const merged = order.flatMap((id): unknown[] => {
    const [b, m, t] = [find(base, id), find(mine, id), find(theirs, id)]
    if (!m && b && same(b, t)) return []
    if (!t && b && same(b, m)) return []
    const part = mergeChanges(b, m, t, `${path}.${id}`)
    clashes.push(...part.clashes)
    return part.merged === undefined ? [] : [part.merged]
  })
  return { merged, clashes }
}

const isMeasure = (x: unknown): x is Sourced => isRecord(x) && Array.isArray(x.readings) && 'method' in x
const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x)

function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((x, i) => same(x, b[i]))
  if (isRecord(a) && isRecord(b)) {
    const keys = Object.keys(a)
    return keys.length === Object.keys(b).length && keys.every((k) => k in b && same(a[k], b[k]))
  }
  return false
}
