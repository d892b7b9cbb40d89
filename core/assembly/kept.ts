import type { Assembly } from './assembly'

/** An assembly never changes, and every load case asks again: what was found for a part of it is kept with it. */
export function kept<Part extends object, T>(find: (part: Part, a: Assembly) => T): (part: Part, a: Assembly) => T {
  const all = new WeakMap<Assembly, Map<Part, { found: T }>>()
  return (part, a) => {
    const own = all.get(a) ?? new Map<Part, { found: T }>()
    all.set(a, own)
    const known = own.get(part) ?? { found: find(part, a) }
    own.set(part, known)
    return known.found
  }
}
