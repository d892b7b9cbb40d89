import { localAxes, type Triple } from '../geometry/localAxes'
import { type FrameMaterial, type FrameSection, localStiffness, release } from './element'
import { addTo, type Sparse } from './sparse'

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

const UNITS = Array.from({ length: 6 }, (_, d) => Float64Array.from({ length: 6 }, (_, i) => (i === d ? 1 : 0)))

/** Bᵀ·k·B, column by column: move one node by one unit, see what both nodes feel. */
export function addMember(matrix: Sparse, b: Built): void {
  const [u, f, felt] = [new Float64Array(12), new Float64Array(12), new Float64Array(12)]
  for (let j = 0; j < 12; j++) {
    if (b.dofs[j]! < 0) continue
    const e = j < 6 ? 0 : 1
    u.fill(0)
    toEnd(b, e, UNITS[j % 6]!, 0, u)
    for (let i = 0; i < 12; i++) {
      let sum = 0
      for (let l = e * 6; l < e * 6 + 6; l++) sum += b.k[i * 12 + l]! * u[l]!
      f[i] = sum
    }
    felt.fill(0)
    toNode(b, 0, f, 0, felt, 0)
    toNode(b, 1, f, 0, felt, 6)
    // the ways of a node stand one after another in a column, so each is looked for after the last
    let after = -1
    for (let i = 0; i <= j; i++) if (b.dofs[i]! >= 0 && felt[i] !== 0) after = addTo(matrix, b.dofs[i]!, b.dofs[j]!, felt[i]!, after)
  }
}
