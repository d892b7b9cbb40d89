import type { Triple } from '../geometry/localAxes'
import { endLoads, evenEndLoads, type Inside, insideAt, release, type SpanLoad, telling } from './element'
import { addEndForces, type Built, type FrameLoads, type FrameMember, type FrameNode, toEnd, toNode } from './frameMember'
import { backSubstitute, type Sparse } from './sparse'

export type FrameResult = {
  displacements: { node: string; translation: Triple; rotation: Triple }[]
  reactions: { node: string; force: Triple; moment: Triple }[]
  members: { id: string; maxMoment: number; maxShear: number; axial: number }[]
}

/** Numbers of a row of what acts inside a member: x, axial, shear y, shear z, torque, moment y, moment z. */
export const ROW = 7
/** Section moduli, mm³: where bending both ways adds up to the most, |My|/Wy + |Mz|/Wz, is looked at as well. */
export type Moduli = { wyMm3: number; wzMm3: number }
export type Rows = { rows: Float64Array; count: number }
const shared: Rows = { rows: new Float64Array(ROW * 32), count: 0 }
/** The shared rows, empty and with room for so many. */
function rowsFor(count: number): Rows {
  if (shared.rows.length < count * ROW) shared.rows = new Float64Array(2 * count * ROW)
  shared.count = 0
  return shared
}

/** One case solved: movements and end forces are worked out, what lies inside a member only when asked for. Indices as given to `buildFrame`. */
export type Solved = {
  /** global: mm along x y z, radians about them */
  movement: (node: number) => Float64Array
  /** one of its three: 0 along x, 1 along y, 2 along z. mm */
  movedMm: (node: number, axis: 0 | 1 | 2) => number
  /**
   * The middle of a member, global, mm: Hermite's cubic through how its ends go and turn, and q·L⁴/384EI of what is spread evenly over it. For a member whose
   * ends pass on all and which nothing else lies on. 0 along x, 1 along y, 2 along z.
   */
  middleMm: (member: number, axis: 0 | 1 | 2) => number
  /** what holds the node up, global N and N·mm; zeros where nothing holds it */
  reaction: (node: number) => Float64Array
  /** forces and moments at the places of a member where one of them can be greatest, and at those asked for as well. mm from its first end */
  inside: (member: number, also?: readonly number[]) => Inside[]
  /** the same as rows of `ROW` numbers in the order of `Inside`, for what asks at ten thousand places; the next that asks writes over them */
  insideRows: (member: number, also: readonly number[], both?: Moduli) => Rows
  /** the same at the second end of a member alone */
  atEnd: (member: number) => Inside
  /** what `together` adds up */
  state: State
}
/**
 * Movements and holding forces, six a node; end forces, twelve a member; what is spread evenly over all of a member, three a member, N/mm in its own axes; and
 * what else lies between its ends. Each worked out once it is asked for.
 */
type State = {
  moved: () => Float64Array
  held: () => Float64Array
  ends: () => Float64Array
  even: () => Float64Array
  /** null where nothing else lies on any member */
  otherOn: ((member: number) => SpanLoad[]) | null
}

/** A frame made ready: its factorised stiffness, and where each node, member and way of moving stands in it. */
export type Ready = {
  nodes: FrameNode[]
  built: Built[]
  matrix: Sparse
  index: Map<string, number>
  memberAt: Map<string, number>
  dofOf: Int32Array
}

export function solveCase({ nodes, built, matrix, index, memberAt, dofOf }: Ready, loads: FrameLoads): Solved {
  const { even, other } = spanLoads(built, memberAt, loads)
  const applied = new Float64Array(nodes.length * 6)
  for (const l of loads.nodes) {
    const n = (index.get(l.node) ?? 0) * 6
    for (let d = 0; d < 3; d++) {
      applied[n + d]! += l.force[d]!
      applied[n + 3 + d]! += l.moment[d]!
    }
  }
  // what the nodes feel, at the places of their ways in the matrix
  const solution = new Float64Array(matrix.size)
  for (let i = 0; i < dofOf.length; i++) if (dofOf[i]! >= 0) solution[dofOf[i]!] = applied[i]!
  // twelve end forces a member: first what the loads between the ends put there, then all of it; where nothing lies between ends there is nothing to begin with
  const between = loads.members.length || loads.perMm ? new Float64Array(built.length * 12) : null
  if (between) {
    const f = new Float64Array(12)
    const felt = new Float64Array(12)
    for (let i = 0; i < built.length; i++) {
      const b = built[i]!
      if (!loadedBetween(even, other[i] ?? NONE, i, b.length, f)) continue
      if (b.released.length) release(b.whole.slice(), f, b.released)
      felt.fill(0)
      toNode(b, 0, f, 0, felt, 0)
      toNode(b, 1, f, 0, felt, 6)
      for (let d = 0; d < 12; d++) {
        between[i * 12 + d] = -f[d]!
        if (b.dofs[d]! >= 0) solution[b.dofs[d]!]! += felt[d]!
      }
    }
  }
  backSubstitute(matrix, solution)

  const moved = new Float64Array(nodes.length * 6)
  for (let i = 0; i < dofOf.length; i++) if (dofOf[i]! >= 0) moved[i] = solution[dofOf[i]!]!
  // end forces, and what fixed ways hold, are worked out once somebody asks: many cases want the movements only
  const ends = once(() => {
    const out = between ?? new Float64Array(built.length * 12)
    const u = new Float64Array(12)
    for (let i = 0; i < built.length; i++) {
      const b = built[i]!
      toEnd(b, 0, moved, b.nodes[0] * 6, u)
      toEnd(b, 1, moved, b.nodes[1] * 6, u)
      addEndForces(b.k, u, out, i * 12)
    }
    return out
  })
  const held = once(() => {
    const out = applied.map((v) => -v)
    built.forEach((b, i) => {
      toNode(b, 0, ends(), i * 12, out, b.nodes[0] * 6)
      toNode(b, 1, ends(), i * 12, out, b.nodes[1] * 6)
    })
    return out
  })
  return solvedFrom(nodes, built, {
    moved: () => moved,
    held,
    ends,
    even: () => even,
    otherOn: other.length ? (m) => other[m] ?? NONE : null,
  })
}
const NONE: SpanLoad[] = []
function once<T>(of: () => T): () => T {
  let known: T | null = null
  return () => {
    known ??= of()
    return known
  }
}

/** What the ends must carry of all that lies between them, written into `f`; false where nothing does. */
function loadedBetween(even: Float64Array, other: SpanLoad[], m: number, length: number, f: Float64Array): boolean {
  const qx = even[3 * m]!
  const qy = even[3 * m + 1]!
  const qz = even[3 * m + 2]!
  if (!(other.length || qx || qy || qz)) return false
  endLoads(length, other, f)
  evenEndLoads(length, qx, qy, qz, f)
  return true
}

/** All that lies between a member's ends. */
function spansOf(even: Float64Array, other: SpanLoad[], m: number, length: number): SpanLoad[] {
  const perMm: Triple = [even[3 * m]!, even[3 * m + 1]!, even[3 * m + 2]!]
  if (!(perMm[0] || perMm[1] || perMm[2])) return other
  const all: SpanLoad = { perMm, from: 0, to: length }
  return other.length ? [all, ...other] : [all]
}

const endsOf = new Float64Array(12)
export function solvedFrom(nodes: FrameNode[], built: Built[], state: State): Solved {
  return {
    state,
    movement: (n) => state.moved().slice(n * 6, n * 6 + 6),
    movedMm: (n, axis) => state.moved()[n * 6 + axis]!,
    middleMm: (m, axis) => {
      const b = built[m]!
      const moved = state.moved()
      const even = state.even()
      toEnd(b, 0, moved, b.nodes[0] * 6, endsOf)
      toEnd(b, 1, moved, b.nodes[1] * 6, endsOf)
      const u = endsOf
      const L = b.length
      // 4·EI/L stands on the diagonal of what turns
      const sinks = (q: number, turn: 4 | 5) => (q * L ** 3) / (96 * b.whole[turn * 13]!)
      const along = (u[0]! + u[6]!) / 2
      const y = (u[1]! + u[7]!) / 2 + (L / 8) * (u[5]! - u[11]!) + sinks(even[3 * m + 1]!, 5)
      const z = (u[2]! + u[8]!) / 2 - (L / 8) * (u[4]! - u[10]!) + sinks(even[3 * m + 2]!, 4)
      return b.axes[0][axis] * along + b.axes[1][axis] * y + b.axes[2][axis] * z
    },
    reaction: (n) => {
      const { fixed, springs } = nodes[n]!
      const out = new Float64Array(6)
      // a free way without a spring holds nothing: what is left there is rounding
      for (let d = 0; d < 6; d++) {
        if (fixed[d]) out[d] = state.held()[n * 6 + d]!
        else {
          const stiff = springs?.[d] ?? 0
          if (stiff) out[d] = -stiff * state.moved()[n * 6 + d]!
        }
      }
      return out
    },
    inside: (m, also) => {
      const ends = state.ends()
      const loaded = spansOf(state.even(), state.otherOn?.(m) ?? NONE, m, built[m]!.length)
      const places = telling(built[m]!.length, ends, m * 12, loaded)
      if (also) places.push(...also)
      return places.map((x) => insideAt(x, ends, m * 12, loaded))
    },
    insideRows: (m, also, both) => {
      const ends = state.ends()
      const even = state.even()
      const other = state.otherOn?.(m) ?? NONE
      const { length } = built[m]!
      const e = m * 12
      if (other.length) {
        const loaded = spansOf(even, other, m, length)
        const places = [...telling(length, ends, e, loaded), ...also]
        const out = rowsFor(places.length)
        places.forEach((x, k) => {
          const i = insideAt(x, ends, e, loaded)
          out.rows.set([i.x, i.axial, i.shearY, i.shearZ, i.torque, i.momentY, i.momentZ], k * ROW)
        })
        out.count = places.length
        return out
      }
      // nothing but what is spread evenly: the usual member
      const out = rowsFor(6 + also.length)
      const { rows } = out
      const qx = even[3 * m]!
      const qy = even[3 * m + 1]!
      const qz = even[3 * m + 2]!
      out.count = 2 + also.length
      rows[0] = 0
      rows[ROW] = length
      for (let i = 0; i < also.length; i++) rows[(2 + i) * ROW] = also[i]!
      // where a shear passes through nothing, at most once each
      const vy = ends[e + 1]!
      const vz = ends[e + 2]!
      const y = -vy / qy
      const z = -vz / qz
      if (y > 0 && y < length) rows[out.count++ * ROW] = y
      if (z > 0 && z < length) rows[out.count++ * ROW] = z
      if (both)
        for (let sign = -1; sign <= 1; sign += 2) {
          const x = -(vz / both.wyMm3 + (sign * vy) / both.wzMm3) / (qz / both.wyMm3 + (sign * qy) / both.wzMm3)
          if (x > 0 && x < length) rows[out.count++ * ROW] = x
        }
      // equilibrium of the part cut off at each place
      for (let at = 0; at < out.count * ROW; at += ROW) {
        const x = rows[at]!
        rows[at + 1] = -ends[e]! - qx * x
        rows[at + 2] = vy + qy * x
        rows[at + 3] = vz + qz * x
        rows[at + 4] = -ends[e + 3]!
        rows[at + 5] = ends[e + 4]! + (vz + (qz * x) / 2) * x
        rows[at + 6] = -ends[e + 5]! + (vy + (qy * x) / 2) * x
      }
      return out
    },
    // the second end's own forces, as the part cut off before it feels them
    atEnd: (m) => {
      const f = state.ends()
      const e = m * 12 + 6
      const x = built[m]!.length
      return { x, axial: f[e]!, shearY: -f[e + 1]!, shearZ: -f[e + 2]!, torque: f[e + 3]!, momentY: -f[e + 4]!, momentZ: f[e + 5]! }
    },
  }
}

type Summed = 'moved' | 'held' | 'ends' | 'even'
/** Superposition: each of several states so many times, added when one of its figures is first asked for. */
export function superposed(parts: { solved: Solved; times: number }[], sizes: Record<Summed, number>): State {
  const kept: Partial<Record<Summed, Float64Array>> = {}
  const sum = (of: Summed) => (): Float64Array => {
    const known = kept[of]
    if (known) return known
    const out = new Float64Array(sizes[of])
    for (const { solved, times } of parts) {
      const values = solved.state[of]()
      for (let i = 0; i < out.length; i++) out[i]! += times * values[i]!
    }
    kept[of] = out
    return out
  }
  return {
    moved: sum('moved'),
    held: sum('held'),
    ends: sum('ends'),
    even: sum('even'),
    otherOn: parts.some(({ solved }) => solved.state.otherOn)
      ? (m) => parts.flatMap(({ solved, times }) => solved.state.otherOn?.(m).map((l) => timesLoad(l, times)) ?? [])
      : null,
  }
}

function timesLoad(l: SpanLoad, times: number): SpanLoad {
  const by = ([x, y, z]: Triple): Triple => [x * times, y * times, z * times]
  return 'at' in l ? { at: l.at, force: by(l.force) } : { ...l, perMm: by(l.perMm) }
}

/** Loads between members' ends, in the members' own axes: what is even over all of one apart from the rest. */
function spanLoads(built: Built[], memberAt: Map<string, number>, loads: FrameLoads): { even: Float64Array; other: SpanLoad[][] } {
  const even = new Float64Array(built.length * 3)
  const other: SpanLoad[][] = []
  const add = (i: number, x: number, y: number, z: number) => {
    const { axes } = built[i]!
    for (let d = 0; d < 3; d++) {
      const e = axes[d]!
      even[3 * i + d]! += e[0] * x + e[1] * y + e[2] * z
    }
  }
  const { perMm } = loads
  if (perMm) for (let i = 0; 3 * i < perMm.length; i++) add(i, perMm[3 * i]!, perMm[3 * i + 1]!, perMm[3 * i + 2]!)
  for (const l of loads.members) {
    const i = memberAt.get(l.member) ?? 0
    const { axes, length } = built[i]!
    const own = (v: Triple): Triple => axes.map((e) => e[0] * v[0] + e[1] * v[1] + e[2] * v[2]) as Triple
    const [from, to] = [l.from ?? 0, l.to ?? length]
    if (l.uniform && from === 0 && to === length) add(i, ...l.uniform)
    else if (l.uniform) other[i] = [...(other[i] ?? []), { perMm: own(l.uniform), from, to }]
    for (const p of l.points ?? []) other[i] = [...(other[i] ?? []), { at: p.at, force: own(p.force) }]
  }
  return { even, other }
}

export function resultOf(nodes: FrameNode[], members: FrameMember[], solved: Solved): FrameResult {
  const two = (v: Float64Array): [Triple, Triple] => [
    [v[0]!, v[1]!, v[2]!],
    [v[3]!, v[4]!, v[5]!],
  ]
  return {
    displacements: nodes.map((n, i) => {
      const [translation, rotation] = two(solved.movement(i))
      return { node: n.id, translation, rotation }
    }),
    reactions: nodes.flatMap((n, i) => {
      if (!n.fixed.some(Boolean) && !n.springs?.some((k) => k > 0)) return []
      const [force, moment] = two(solved.reaction(i))
      return [{ node: n.id, force, moment }]
    }),
    members: members.map((m, i) => {
      const inside = solved.inside(i)
      const greatest = (of: (s: Inside) => number) => inside.reduce((most, s) => (Math.abs(of(s)) > Math.abs(most) ? of(s) : most), 0)
      return {
        id: m.id,
        maxMoment: greatest((s) => Math.hypot(s.momentY, s.momentZ)),
        maxShear: greatest((s) => Math.hypot(s.shearY, s.shearZ)),
        axial: greatest((s) => s.axial),
      }
    }),
  }
}
