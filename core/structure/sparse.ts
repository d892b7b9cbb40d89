/**
 * A symmetric matrix with few entries: what it was given by columns from the top to the diagonal (`start`, `rows`, `values`), and once it is
 * factorised L below its diagonal (`columns`, `filled` entries of each, `below`, `factors`) and D.
 */
export type Sparse = {
  size: number
  start: Int32Array
  rows: Int32Array
  values: Float64Array
  columns: Int32Array
  filled: Int32Array
  below: Int32Array
  factors: Float64Array
  pivots: Float64Array
}

const EMPTY = { columns: new Int32Array(), filled: new Int32Array(), below: new Int32Array(), factors: new Float64Array() }

/** Room for every pair of indices that meet in one of `elements`, and for the whole diagonal. Indices below 0 are held and left out. */
export function sparse(size: number, elements: Int32Array[]): Sparse {
  const meeting: number[][] = Array.from({ length: size }, () => [])
  elements.forEach((dofs, e) => {
    for (const d of dofs) if (d >= 0) meeting[d]!.push(e)
  })
  const start = new Int32Array(size + 1)
  const rows: number[] = []
  const seenFrom = new Int32Array(size).fill(-1)
  for (let j = 0; j < size; j++) {
    rows.push(j)
    seenFrom[j] = j
    for (const e of meeting[j]!)
      for (const i of elements[e]!)
        if (i >= 0 && i < j && seenFrom[i] !== j) {
          seenFrom[i] = j
          rows.push(i)
        }
    start[j + 1] = rows.length
  }
  return { size, start, rows: Int32Array.from(rows), values: new Float64Array(rows.length), ...EMPTY, pivots: new Float64Array(size) }
}

/** Where entry (i, j) stands, i ≤ j or not; the two meet in an element. Whoever looks for the next one says where the last stood, and saves the search. */
export function placeOf(m: Sparse, i: number, j: number, after = -1): number {
  const row = Math.min(i, j)
  const column = Math.max(i, j)
  let p = after + 1
  if (!(p > m.start[column]! && p < m.start[column + 1]! && m.rows[p] === row)) {
    p = m.start[column]!
    while (m.rows[p] !== row) p++
  }
  return p
}
export function addTo(m: Sparse, i: number, j: number, value: number): void {
  m.values[placeOf(m, i, j)]! += value
}

/** The same matrix with room for the same entries, all of them nothing yet. */
export const emptied = (m: Sparse): Sparse => ({
  ...m,
  ...EMPTY,
  values: new Float64Array(m.values.length),
  pivots: new Float64Array(m.size),
})

/** A pivot this small beside its own diagonal before elimination has nothing left to hold it. */
const NOTHING_LEFT = 1e-11

/**
 * L·D·Lᵀ, row by row along the elimination tree (Davis 2005, Algorithm 849: a concise sparse Cholesky factorization package). Returns the index of
 * the first pivot that has nothing left to hold it, or null when the matrix is positive definite.
 */
export function factorise(m: Sparse): number | null {
  const { size, start, rows, values, pivots } = m
  const parent = new Int32Array(size).fill(-1)
  const seenFrom = new Int32Array(size)
  const columns = new Int32Array(size + 1)
  for (let k = 0; k < size; k++) {
    seenFrom[k] = k
    for (let p = start[k]!; p < start[k + 1]!; p++) {
      for (let i = rows[p]!; seenFrom[i] !== k; i = parent[i]!) {
        if (parent[i] === -1) parent[i] = k
        columns[i + 1]!++
        seenFrom[i] = k
      }
    }
  }
  for (let k = 0; k < size; k++) columns[k + 1]! += columns[k]!
  const below = new Int32Array(columns[size]!)
  const factors = new Float64Array(columns[size]!)
  const filled = new Int32Array(size)
  Object.assign(m, { columns, below, factors, filled })

  const row = new Float64Array(size)
  const pattern = new Int32Array(size)
  const path = new Int32Array(size)
  seenFrom.fill(-1)
  for (let k = 0; k < size; k++) {
    let top = size
    seenFrom[k] = k
    for (let p = start[k]!; p < start[k + 1]!; p++) {
      row[rows[p]!] = values[p]!
      let long = 0
      for (let i = rows[p]!; seenFrom[i] !== k; i = parent[i]!) {
        path[long++] = i
        seenFrom[i] = k
      }
      while (long > 0) pattern[--top] = path[--long]!
    }
    const before = row[k]!
    for (; top < size; top++) takeOut(m, row, pattern[top]!, k)
    const pivot = row[k]!
    pivots[k] = pivot
    row[k] = 0
    if (!(pivot > NOTHING_LEFT * Math.abs(before)) || before <= 0) return k
  }
  return null
}

/** Takes unknown i out of row k: the row's other entries and its diagonal, and the factor kept below i. By itself, as a compiler makes it fast after a few rows. */
function takeOut({ columns, below, factors, filled, pivots }: Sparse, row: Float64Array, i: number, k: number): void {
  const g = row[i]!
  row[i] = 0
  const end = columns[i]! + filled[i]!
  for (let p = columns[i]!; p < end; p++) row[below[p]!]! -= factors[p]! * g
  const l = g / pivots[i]!
  row[k]! -= l * g
  below[end] = k
  factors[end] = l
  filled[i]!++
}

/** Solves L·y = b in place: where b is nothing but in a few rows, so is most of y. */
export function halfSolved({ size, columns, below, factors }: Sparse, b: Float64Array): void {
  for (let j = 0; j < size; j++) {
    const known = b[j]!
    if (known !== 0) for (let p = columns[j]!; p < columns[j + 1]!; p++) b[below[p]!]! -= factors[p]! * known
  }
}

/** Solves L·D·Lᵀ·x = b in place. */
export function backSubstitute(m: Sparse, b: Float64Array): void {
  halfSolved(m, b)
  const { size, columns, below, factors, pivots } = m
  for (let j = size - 1; j >= 0; j--) {
    let x = b[j]! / pivots[j]!
    for (let p = columns[j]!; p < columns[j + 1]!; p++) x -= factors[p]! * b[below[p]!]!
    b[j] = x
  }
}

/** How the structure moves where pivot j has nothing to hold it: Lᵀ·z = eⱼ over what was eliminated before. */
export function freeMotion({ size, columns, filled, below, factors }: Sparse, j: number): Float64Array {
  const z = new Float64Array(size)
  z[j] = 1
  for (let c = j - 1; c >= 0; c--) {
    let moved = 0
    for (let p = columns[c]!; p < columns[c]! + filled[c]!; p++) moved -= factors[p]! * z[below[p]!]!
    z[c] = moved
  }
  return z
}

/** Numbering that fills in little: of what is left, always a node with fewest neighbours (minimum degree, Tinney & Walker 1967). */
export function numberNodes(neighbours: number[][]): number[] {
  const joined = neighbours.map((list, i) => new Set(list.filter((n) => n !== i)))
  const byDegree: number[][] = []
  const wait = (n: number) => {
    byDegree[joined[n]!.size] ??= []
    byDegree[joined[n]!.size]!.push(n)
  }
  for (let n = joined.length - 1; n >= 0; n--) wait(n)
  const done = new Uint8Array(joined.length)
  const order: number[] = []
  for (let degree = 0; order.length < joined.length; ) {
    const n = byDegree[degree]?.pop()
    if (n === undefined) degree++
    // its degree may have changed since it was put here: it waits elsewhere too
    else if (!done[n] && joined[n]!.size === degree) {
      done[n] = 1
      order.push(n)
      const left = [...joined[n]!]
      for (const a of left) {
        joined[a]!.delete(n)
        for (const b of left) if (b !== a) joined[a]!.add(b)
      }
      for (const a of left) wait(a)
      if (left.length) degree = Math.max(0, Math.min(degree, ...left.map((a) => joined[a]!.size)))
    }
  }
  return order
}
