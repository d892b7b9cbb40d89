/** The one of which most is asked, the first of equals; each is asked once. null = there is none. */
export function greatest<T>(among: readonly T[], of: (one: T) => number): T | null {
  let [best, most]: [T | null, number] = [null, Number.NEGATIVE_INFINITY]
  for (const one of among) {
    const size = of(one)
    if (best === null || size > most) [best, most] = [one, size]
  }
  return best
}
