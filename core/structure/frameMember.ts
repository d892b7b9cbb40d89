import { localAxes, type Triple } from '../geometry/localAxes'
import { type FrameMaterial, type FrameSection, localStiffness, release } from './element'
import { placeOf, type Sparse } from './sparse'

export type Six<T> = [T, T, T, T, T, T]
/** Place in mm; `fixed` and `springs` (N/mm, N·mm/rad) along and about global x y z. */
export type FrameNode = { id: string; x: number; y: number; z: number; fixed: Six<boolean>; springs?: Six<number> }
/** Section in mm², mm⁴; material in MPa; roll in degrees. `releases`: what an end does not pass on, in the member's own axes. `offsets`: rigid arms from node to end, global mm. */
export type FrameMember = {
  id: string
  from: string
  to: string
  section: FrameSection
  material: FrameMaterial
  roll: number
  releases?: { from: Six<boolean>; to: Six<boolean> }
  offsets?: { from: Triple; to: Triple }
}
/** Loads in global axes: N and N·mm at nodes; N/mm along members, over all of it or a stretch; N at a place from its first end. */
export type FrameLoads = {
  nodes: { node: string; force: Triple; moment: Triple }[]
  members: { member: string; uniform?: Triple; from?: number; to?: number; points?: { at: number; force: Triple }[] }[]
  /** what is spread evenly over all of each member, N/mm in global axes: three a member, in the order of the frame's members */
  perMm?: Float64Array
}

/** A member made ready: its length and axes, the rigid arms at its ends, its stiffness with and without what is released, and where it stands in the frame. */
export type Built = {
  length: number
  axes: [Triple, Triple, Triple]
  arms: [Triple, Triple]
  nodes: readonly [number, number]
  k: Float64Array
  whole: Float64Array
  released: number[]
  dofs: Int32Array
}

export function buildMember(m: FrameMember, nodes: FrameNode[], [a, b]: readonly [number, number], dofOf: Int32Array): Built {
  const end = (n: FrameNode, o: Triple): Triple => [n.x + o[0], n.y + o[1], n.z + o[2]]
  const [oa, ob] = [m.offsets?.from ?? ([0, 0, 0] as Triple), m.offsets?.to ?? ([0, 0, 0] as Triple)]
  const [p, q] = [end(nodes[a]!, oa), end(nodes[b]!, ob)]
  const length = Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2])
  const axes = localAxes(p, q, m.roll)
  const released = [
    ...(m.releases?.from ?? []).flatMap((on, d) => (on ? [d] : [])),
    ...(m.releases?.to ?? []).flatMap((on, d) => (on ? [d + 6] : [])),
  ]
  const whole = localStiffness(length, m.section, m.material)
  const k = released.length ? whole.slice() : whole
  release(k, null, released)
  const dofs = new Int32Array(12)
  for (let d = 0; d < 6; d++) {
    dofs[d] = dofOf[a * 6 + d]!
    dofs[d + 6] = dofOf[b * 6 + d]!
  }
  return { length, axes, arms: [oa, ob], nodes: [a, b], k, whole, released, dofs }
}

/** The six movements of an end in the member's own axes, from its node's: turns carry the rigid arm along (u + θ × o). */
export function toEnd(b: Built, e: 0 | 1, u: Float64Array, at: number, out: Float64Array): void {
  const o = b.arms[e]
  const turnX = u[at + 3]!
  const turnY = u[at + 4]!
  const turnZ = u[at + 5]!
  const x = u[at]! + turnY * o[2] - turnZ * o[1]
  const y = u[at + 1]! + turnZ * o[0] - turnX * o[2]
  const z = u[at + 2]! + turnX * o[1] - turnY * o[0]
  const own = e * 6
  for (let i = 0; i < 3; i++) {
    const r = b.axes[i]!
    out[own + i] = r[0] * x + r[1] * y + r[2] * z
    out[own + 3 + i] = r[0] * turnX + r[1] * turnY + r[2] * turnZ
  }
}

/** What a node feels of the forces on one end, global: the rigid arm turns a force into a moment as well (m + o × f). Adds to `out`. */
export function toNode(b: Built, e: 0 | 1, f: Float64Array, from: number, out: Float64Array, at: number): void {
  const o = b.arms[e]
  const r0 = b.axes[0]
  const r1 = b.axes[1]
  const r2 = b.axes[2]
  const own = from + e * 6
  const x = r0[0] * f[own]! + r1[0] * f[own + 1]! + r2[0] * f[own + 2]!
  const y = r0[1] * f[own]! + r1[1] * f[own + 1]! + r2[1] * f[own + 2]!
  const z = r0[2] * f[own]! + r1[2] * f[own + 1]! + r2[2] * f[own + 2]!
  out[at]! += x
  out[at + 1]! += y
  out[at + 2]! += z
  out[at + 3]! += r0[0] * f[own + 3]! + r1[0] * f[own + 4]! + r2[0] * f[own + 5]! + o[1] * z - o[2] * y
  out[at + 4]! += r0[1] * f[own + 3]! + r1[1] * f[own + 4]! + r2[1] * f[own + 5]! + o[2] * x - o[0] * z
  out[at + 5]! += r0[2] * f[own + 3]! + r1[2] * f[own + 4]! + r2[2] * f[own + 5]! + o[0] * y - o[1] * x
}

/**
 * Its stiffness in global axes, 12 × 12 row by row. In its own axes it couples only what pulls, what twists and what bends in either plane (also with ends
 * released), so each of the sixteen 3 × 3 blocks is a sum of two or three outer products of its axes; rigid arms then carry turns along.
 */
export function globalStiffness({ k, axes, arms }: Built): Float64Array {
  const g = new Float64Array(144)
  const outer = (v: number, a: Triple, b: Triple, row: number, column: number) => {
    if (v === 0) return
    for (let i = 0; i < 3; i++) {
      const va = v * a[i]!
      const at = (row + i) * 12 + column
      g[at]! += va * b[0]
      g[at + 1]! += va * b[1]
      g[at + 2]! += va * b[2]
    }
  }
  const [, y, z] = axes
  for (let r = 0; r < 12; r += 6)
    for (let c = 0; c < 12; c += 6) {
      for (let d = 0; d < 3; d++) {
        const axis = axes[d]!
        outer(k[(r + d) * 12 + c + d]!, axis, axis, r, c)
        outer(k[(r + 3 + d) * 12 + c + 3 + d]!, axis, axis, r + 3, c + 3)
      }
      outer(k[(r + 1) * 12 + c + 5]!, y, z, r, c + 3)
      outer(k[(r + 2) * 12 + c + 4]!, z, y, r, c + 3)
      outer(k[(r + 5) * 12 + c + 1]!, z, y, r + 3, c)
      outer(k[(r + 4) * 12 + c + 2]!, y, z, r + 3, c)
    }
  for (const e of [0, 1] as const) {
    const [x, y, z] = arms[e]
    if (!(x || y || z)) continue
    const n = e * 6
    // θ × o, added to the columns of the turns and then to their rows
    for (const [step, across] of [
      [1, 12],
      [12, 1],
    ] as const)
      for (let i = 0; i < 12; i++) {
        const at = i * across + n * step
        const [p, q, r] = [g[at]!, g[at + step]!, g[at + 2 * step]!]
        g[at + 3 * step]! += y * r - z * q
        g[at + 4 * step]! += z * p - x * r
        g[at + 5 * step]! += x * q - y * p
      }
  }
  return g
}

/** What a member adds to the frame's matrix, and where each of it stands there. */
export type Placed = { values: Float64Array; at: Int32Array }
export function placed(matrix: Sparse, b: Built): Placed {
  const g = globalStiffness(b)
  const values = new Float64Array(78)
  const at = new Int32Array(78)
  let count = 0
  for (let j = 0; j < 12; j++) {
    if (b.dofs[j]! < 0) continue
    // the ways of a node stand one after another in a column, so each is looked for after the last
    let last = -1
    for (let i = 0; i <= j; i++) {
      if (b.dofs[i]! < 0) continue
      last = placeOf(matrix, b.dofs[i]!, b.dofs[j]!, last)
      at[count] = last
      values[count++] = g[i * 12 + j]!
    }
  }
  return { values: values.subarray(0, count), at: at.subarray(0, count) }
}
export function addPlaced(matrix: Sparse, { values, at }: Placed): void {
  for (let i = 0; i < at.length; i++) matrix.values[at[i]!]! += values[i]!
}

/** The forces on a member's two ends under their movements in its own axes, added to twelve numbers of `out`: only what is coupled is multiplied. */
export function addEndForces(k: Float64Array, u: Float64Array, out: Float64Array, at: number): void {
  for (let i = 0; i < 4; i++) {
    const [a, b] = [PAIRS[2 * i]!, PAIRS[2 * i + 1]!]
    out[at + a]! += k[a * 12 + a]! * u[a]! + k[a * 12 + b]! * u[b]!
  }
  for (let i = 0; i < 8; i++) {
    const first = i & 4
    const row = BENDING[i]! * 12
    const [a, b, c, d] = [BENDING[first]!, BENDING[first + 1]!, BENDING[first + 2]!, BENDING[first + 3]!]
    out[at + BENDING[i]!]! += k[row + a]! * u[a]! + k[row + b]! * u[b]! + k[row + c]! * u[c]! + k[row + d]! * u[d]!
  }
}
/** Pulling and twisting: each way with the same way of the other end. */
const PAIRS = Int32Array.of(0, 6, 6, 0, 3, 9, 9, 3)
/** Bending in its two planes: across and about at one end, then at the other. */
const BENDING = Int32Array.of(1, 5, 7, 11, 2, 4, 8, 10)
