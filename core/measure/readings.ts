/** What several readings of one quantity say together. Same unit in as out. */
export type ReadingSummary = { mean: number; spread: number; deviation: number | null; agree: boolean; takeAgain: number | null }

/**
 * Mean, spread (greatest less least) and sample standard deviation s = √(Σ(x − x̄)² / (n − 1)) of repeat readings (JCGM 100:2008, 4.2).
 * Two readings agree when they differ by no more than their tolerances together; `takeAgain` is the index of the one farthest from the
 * median when they do not. Null for an empty list.
 */
export function summariseReadings(readings: { value: number; tolerance: number }[]): ReadingSummary | null {
  if (!readings.length) return null
  const values = readings.map((r) => r.value)
  const mean = values.reduce((s, v) => s + v, 0) / values.length
  const spread = Math.max(...values) - Math.min(...values)
  const deviation = values.length > 1 ? Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / (values.length - 1)) : null
  const agree = readings.every((a, i) =>
    readings.slice(i + 1).every((b) => Math.abs(a.value - b.value) <= a.tolerance + b.tolerance + 1e-9),
  )
  const sorted = [...values].sort((a, b) => a - b)
  const median = (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2
  const farthest = values.reduce(
    (worst, v, i) => (Math.abs(v - median) > Math.abs(values[worst]! - median) + 1e-9 ? i : worst),
    values.length - 1,
  )
  return { mean, spread, deviation, agree, takeAgain: agree ? null : farthest }
}

/** Error of a sum of measured lengths: worst case Σ|t|, and likely √Σt² (root-sum-square, JCGM 100:2008, 5.1). */
export const combinedTolerance = (tolerances: number[]): { worst: number; likely: number } => ({
  worst: tolerances.reduce((s, t) => s + Math.abs(t), 0),
  likely: Math.sqrt(tolerances.reduce((s, t) => s + t * t, 0)),
})
