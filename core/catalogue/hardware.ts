/** What small parts cost each, minor units. The shop's own figures; a name that is not listed has no price, and the quote says so. */
const PRICES: [RegExp, number][] = [
  [/^Bolt M6/, 90],
  [/^Bolt M8/, 140],
  [/^Bolt M10/, 190],
  [/^Bolt M12/, 260],
  [/^wedge/, 480],
  [/^pin and clip/, 900],
  [/^Lock nut/, 35],
  [/^End cap/, 60],
  [/^T-nut/, 220],
  [/^sealing washer/, 80],
  [/^rubber-lined jaw/, 260],
  [/^clamp band/, 310],
  [/^backing plate/, 420],
  [/^gasket/, 150],
  [/^sealant/, 120],
]

export const hardwarePriceMinor = (name: string): number | null => PRICES.find(([pattern]) => pattern.test(name))?.[1] ?? null
