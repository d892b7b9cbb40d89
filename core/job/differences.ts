import { pathText } from '../issue/faults'
import type { Job } from './job'

export type Difference = { where: string; mine: string; theirs: string }

/** Where two versions of a job differ, value by value, with the path as people write it. */
export function differences(mine: Job, theirs: Job): Difference[] {
  const out: Difference[] = []
  compare(mine, theirs, [], out)
  return out
}

function compare(a: unknown, b: unknown, path: PropertyKey[], out: Difference[]): void {
  if (Object.is(a, b)) return
  if (a && b && typeof a === 'object' && typeof b === 'object' && Array.isArray(a) === Array.isArray(b)) {
    const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>]
    for (const key of new Set([...Object.keys(x), ...Object.keys(y)]))
      compare(x[key], y[key], [...path, Array.isArray(a) ? Number(key) : key], out)
    return
  }
  out.push({ where: pathText(path), mine: text(a), theirs: text(b) })
}

const text = (value: unknown): string => {
  const words =
    value === undefined ? 'not there' : value === null ? 'unknown' : typeof value === 'object' ? JSON.stringify(value) : String(value)
  return words.length > 60 ? `${words.slice(0, 57)}…` : words
}
