import type { Triple } from '../geometry/localAxes'

export type FrameSection = { A: number; Iy: number; Iz: number; J: number }
export type FrameMaterial = { E: number; G: number }

/**
 * Stiffness of a straight prismatic member in its own axes: 12 × 12, row by row; x y z and turns about x y z at its first end, then at its second.
 * N/mm, N, N·mm. Euler–Bernoulli (Przemieniecki, Theory of Matrix Structural Analysis, 5.6, without shear).
 */
export function localStiffness(L: number, { A, Iy, Iz, J }: FrameSection, { E, G }: FrameMaterial): Float64Array {
  const k = new Float64Array(144)
  const set = (i: number, j: number, v: number) => {
    k[i * 12 + j] = v
    k[j * 12 + i] = v
  }
  const pair = (a: number, b: number, v: number) => {
    set(a, a, v)
    set(b, b, v)
    set(a, b, -v)
  }
  pair(0, 6, (E * A) / L)
  pair(3, 9, (G * J) / L)
  // bending in x–y (Iz) and in x–z (Iy), where the turn runs the other way
  for (const [v, r, I, way] of [
    [1, 5, Iz, 1],
    [2, 4, Iy, -1],
  ] as const) {
    const [a, b, c] = [(12 * E * I) / L ** 3, (way * 6 * E * I) / L ** 2, (2 * E * I) / L]
    pair(v, v + 6, a)
    set(v, r, b)
    set(v, r + 6, b)
    set(v + 6, r, -b)
    set(v + 6, r + 6, -b)
    set(r, r, 2 * c)
    set(r + 6, r + 6, 2 * c)
    set(r, r + 6, c)
  }
  return k
}

/** A load between the ends, in the member's own axes: a force at a place, or a force a length over a stretch. N, N/mm, mm. */
export type SpanLoad = { force: Triple; at: number } | { perMm: Triple; from: number; to: number }

/** What the ends must carry of a load between them: the same work as the load does on the member's own shape functions. N, N·mm; written into `f`. */
export function endLoads(L: number, loads: SpanLoad[], f: Float64Array): void {
  f.fill(0)
  const put = (x: number, [fx, fy, fz]: Triple) => {
    const s = x / L
    const [n1, n2, n3, n4] = [1 - 3 * s * s + 2 * s ** 3, L * (s - 2 * s * s + s ** 3), 3 * s * s - 2 * s ** 3, L * (s ** 3 - s * s)]
    f[0]! += fx * (1 - s)
    f[6]! += fx * s
    f[1]! += fy * n1
    f[5]! += fy * n2
    f[7]! += fy * n3
    f[11]! += fy * n4
    f[2]! += fz * n1
    f[4]! -= fz * n2
    f[8]! += fz * n3
    f[10]! -= fz * n4
  }
  for (const load of loads) {
    if ('at' in load) put(load.at, load.force)
    else {
      // two Gauss points integrate the cubic shape functions exactly
      const [middle, half] = [(load.from + load.to) / 2, (load.to - load.from) / 2]
      const weighed = load.perMm.map((q) => q * half) as Triple
      for (const side of [-1, 1]) put(middle + (side * half) / Math.sqrt(3), weighed)
    }
  }
}

/** The same of what is spread evenly over all of it, N/mm, added to `f`: half at either end, and q·L²/12. */
export function evenEndLoads(L: number, qx: number, qy: number, qz: number, f: Float64Array): void {
  const x = (qx * L) / 2
  const y = (qy * L) / 2
  const z = (qz * L) / 2
  f[0]! += x
  f[6]! += x
  f[1]! += y
  f[7]! += y
  f[2]! += z
  f[8]! += z
  f[5]! += (y * L) / 6
  f[11]! -= (y * L) / 6
  f[4]! -= (z * L) / 6
  f[10]! += (z * L) / 6
}

/** Takes released ends out of a member: its stiffness and end loads as the joints feel them (Przemieniecki, 6.6). Changes both in place. */
export function release(k: Float64Array, f: Float64Array | null, released: number[]): void {
  for (const r of released) {
    const own = k[r * 12 + r]!
    if (own <= 0) continue
    const row = k.slice(r * 12, r * 12 + 12)
    for (let i = 0; i < 12; i++) {
      const share = k[i * 12 + r]! / own
      if (share === 0) continue
      if (f && i !== r) f[i]! -= share * f[r]!
      for (let j = 0; j < 12; j++) k[i * 12 + j]! -= share * row[j]!
    }
    for (let i = 0; i < 12; i++) {
      k[r * 12 + i] = 0
      k[i * 12 + r] = 0
    }
    if (f) f[r] = 0
  }
}

/** Forces and moments inside the member at x from its first end: tension, shears and bending about y and z, torque. */
export type Inside = { x: number; axial: number; shearY: number; shearZ: number; torque: number; momentY: number; momentZ: number }

/** What acts inside at x, from the forces on the first end (six from `e` on) and the loads up to there: equilibrium of the part cut off. */
export function insideAt(x: number, ends: Float64Array, e: number, loads: SpanLoad[]): Inside {
  let axial = -ends[e]!
  let shearY = ends[e + 1]!
  let shearZ = ends[e + 2]!
  let momentY = ends[e + 4]! + shearZ * x
  let momentZ = -ends[e + 5]! + shearY * x
  for (const load of loads) {
    const reached = 'at' in load ? (x > load.at ? 1 : 0) : Math.min(x, load.to) - Math.min(x, load.from)
    if (reached <= 0) continue
    const v = 'at' in load ? load.force : load.perMm
    const fy = v[1] * reached
    const fz = v[2] * reached
    const arm = 'at' in load ? x - load.at : x - (load.from + Math.min(x, load.to)) / 2
    axial -= v[0] * reached
    shearY += fy
    shearZ += fz
    momentZ += fy * arm
    momentY += fz * arm
  }
  return { x, axial, shearY, shearZ, torque: -ends[e + 3]!, momentY, momentZ }
}

/** Places where something inside can be greatest: ends, loads' ends, and where a shear passes through nothing. */
export function telling(L: number, ends: Float64Array, at: number, loads: SpanLoad[]): number[] {
  if (!loads.length) return [0, L]
  const [only] = loads
  if (loads.length === 1 && only && !('at' in only) && only.from === 0 && only.to === L) {
    // spread evenly over all of it: each shear passes through nothing at most once, at V / q
    const out = [0]
    for (const axis of [1, 2] as const) {
      const x = -ends[at + axis]! / only.perMm[axis]
      if (x > 0 && x < L) out.push(x)
    }
    out.push(L)
    return out
  }
  const breaks = [0, L]
  for (const l of loads) {
    if ('at' in l) breaks.push(l.at)
    else breaks.push(l.from, l.to)
  }
  breaks.sort((a, b) => a - b)
  const out = [0]
  for (let i = 1; i < breaks.length; i++) {
    const [a, b] = [breaks[i - 1]!, breaks[i]!]
    if (b - a < 1e-9) continue
    const inset = Math.min(1e-6, (b - a) / 4)
    const s = insideAt(a + inset, ends, at, loads)
    const e = insideAt(b - inset, ends, at, loads)
    if (s.shearY * e.shearY < 0) out.push(a + ((b - a) * s.shearY) / (s.shearY - e.shearY))
    if (s.shearZ * e.shearZ < 0) out.push(a + ((b - a) * s.shearZ) / (s.shearZ - e.shearZ))
    // just before a force as well as just after it
    if (b < L) out.push(b - inset, b)
  }
  out.push(L)
  return out
}
