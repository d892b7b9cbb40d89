/** A symmetric matrix kept column by column from its first entry to its diagonal. */
export type Skyline = { size: number; first: Int32Array; at: Int32Array; values: Float64Array }

/** Room for every pair in `couples` (indices that meet in one element); what lies between is filled in by elimination. */
export function skyline(size: number, elements: Int32Array[]): Skyline {
  const first = Int32Array.from({ length: size }, (_, j) => j)
  for (const dofs of elements) {
    let least = size
    for (const d of dofs) if (d >= 0 && d < least) least = d
    for (const d of dofs) if (d >= 0 && least < first[d]!) first[d] = least
  }
  const at = new Int32Array(size)
  let used = 0
  for (let j = 0; j < size; j++) {
    at[j] = used - first[j]!
    used += j - first[j]! + 1
  }
  return { size, first, at, values: new Float64Array(used) }
}

/** Adds to entry (i, j), i ≤ j or not. */
export function addTo(m: Skyline, i: number, j: number, value: number): void {
  if (i <= j) m.values[m.at[j]! + i]! += value
  else m.values[m.at[i]! + j]! += value
}

/** Σ a[p + k]·b[q + k] for k in [from, to): four at a time, which is what keeps the processor busy. */
function dot(a: Float64Array, p: number, b: Float64Array, q: number, from: number, to: number): number {
  let s0 = 0
  let s1 = 0
  let s2 = 0
  let s3 = 0
  let k = from
  for (; k + 3 < to; k += 4) {
    s0 += a[p + k]! * b[q + k]!
    s1 += a[p + k + 1]! * b[q + k + 1]!
    s2 += a[p + k + 2]! * b[q + k + 2]!
    s3 += a[p + k + 3]! * b[q + k + 3]!
  }
  for (; k < to; k++) s0 += a[p + k]! * b[q + k]!
  return s0 + s1 + s2 + s3
}

/** A pivot this small beside its own diagonal before elimination has nothing left to hold it. */
const NOTHING_LEFT = 1e-11

/**
 * L·D·Lᵀ in place, by columns (Bathe, Finite Element Procedures, 2nd ed., 8.2.3). Returns the index of the first pivot that has nothing left to
 * hold it, or null when the matrix is positive definite.
 */
export function factorise(m: Skyline): number | null {
  const { size, first, at, values } = m
  for (let j = 0; j < size; j++) {
    const [top, column] = [first[j]!, at[j]!]
    const before = values[column + j]!
    for (let i = top + 1; i < j; i++) {
      values[column + i]! -= dot(values, at[i]!, values, column, Math.max(first[i]!, top), i)
    }
    let pivot = before
    for (let i = top; i < j; i++) {
      const g = values[column + i]!
      const l = g / values[at[i]! + i]!
      pivot -= l * g
      values[column + i] = l
    }
    values[column + j] = pivot
    if (!(pivot > NOTHING_LEFT * Math.abs(before)) || before <= 0) return j
  }
  return null
}

/** Solves L·D·Lᵀ·x = b in place. */
export function backSubstitute(m: Skyline, b: Float64Array): void {
  const { size, first, at, values } = m
  for (let j = 0; j < size; j++) {
    b[j]! -= dot(values, at[j]!, b, 0, first[j]!, j)
  }
  for (let j = 0; j < size; j++) b[j]! /= values[at[j]! + j]!
  for (let j = size - 1; j >= 0; j--) {
    const column = at[j]!
    const known = b[j]!
    if (known !== 0) for (let k = first[j]!; k < j; k++) b[k]! -= values[column + k]! * known
  }
}

/** How the structure moves where pivot j has nothing to hold it: Lᵀ·z = eⱼ over what was eliminated before. */
export function freeMotion(m: Skyline, j: number): Float64Array {
  const z = new Float64Array(m.size)
  z[j] = 1
  for (let c = j; c >= 0; c--) if (z[c] !== 0) for (let k = m.first[c]!; k < c; k++) z[k]! -= m.values[m.at[c]! + k]! * z[c]!
  return z
}

/** Numbering that keeps neighbours near each other: reverse Cuthill–McKee (1969), each part of the graph from a node of least degree. */
export function numberNodes(neighbours: number[][]): number[] {
  const order: number[] = []
  const seen = new Uint8Array(neighbours.length)
  const byDegree = neighbours.map((_, i) => i).sort((a, b) => neighbours[a]!.length - neighbours[b]!.length)
  for (const start of byDegree) {
    if (seen[start]) continue
    seen[start] = 1
    const queue = [start]
    for (let q = 0; q < queue.length; q++) {
      order.push(queue[q]!)
      const next = neighbours[queue[q]!]!.filter((n) => !seen[n]).sort((a, b) => neighbours[a]!.length - neighbours[b]!.length)
      for (const n of next) {
        seen[n] = 1
        queue.push(n)
      }
    }
  }
  return order.reverse()
}
