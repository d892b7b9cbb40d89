import { localAxes, type Triple } from '../geometry/localAxes'
import { Impossible } from '../issue/impossible'
import {
  endLoads,
  type FrameMaterial,
  type FrameSection,
  type Inside,
  insideAt,
  localStiffness,
  release,
  type SpanLoad,
  telling,
} from './element'
import { addTo, backSubstitute, factorise, freeMotion, numberNodes, type Sparse, sparse } from './sparse'

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
export type FrameResult = {
  displacements: { node: string; translation: Triple; rotation: Triple }[]
  reactions: { node: string; force: Triple; moment: Triple }[]
  members: { id: string; maxMoment: number; maxShear: number; axial: number }[]
}
/** One case solved: movements and end forces are worked out, what lies inside a member only when asked for. Indices as given to `buildFrame`. */
export type Solved = {
  /** global: mm along x y z, radians about them */
  movement: (node: number) => Float64Array
  /** one of its three: 0 along x, 1 along y, 2 along z. mm */
  movedMm: (node: number, axis: 0 | 1 | 2) => number
  /** what holds the node up, global N and N·mm; zeros where nothing holds it */
  reaction: (node: number) => Float64Array
  /** forces and moments at the places of a member where one of them can be greatest, and at those asked for as well. mm from its first end */
  inside: (member: number, also?: readonly number[]) => Inside[]
  /** the same at the second end of a member alone */
  atEnd: (member: number) => Inside
  /** what `together` adds up */
  state: State
}
/** Movements and holding forces, six a node; end forces, twelve a member; loads between the ends of one. Each worked out once it is asked for. */
type State = {
  moved: () => Float64Array
  held: () => Float64Array
  ends: () => Float64Array
  spansOf: (member: number) => SpanLoad[]
}

type Built = {
  length: number
  axes: [Triple, Triple, Triple]
  arms: [Triple, Triple]
  nodes: readonly [number, number]
  k: Float64Array
  whole: Float64Array
  released: number[]
  dofs: Int32Array
}
/** A frame ready to be loaded: factorised once, any number of cases. */
export type Frame = {
  nodes: FrameNode[]
  members: FrameMember[]
  solve: (loads: FrameLoads) => Solved
  /** so many times each of several solved cases of this frame, acting at once: superposition, as everything is linear */
  together: (parts: { solved: Solved; times: number }[]) => Solved
  result: (loads: FrameLoads) => FrameResult
}

const directions = ['along x', 'along y', 'along z', 'about x', 'about y', 'about z']

/**
 * A space frame of straight Euler–Bernoulli members (Przemieniecki, Theory of Matrix Structural Analysis; McGuire, Gallagher & Ziemian, Matrix
 * Structural Analysis, 2nd ed., ch. 4, 5 and 13). Small displacements, linear. Throws `Impossible` for a frame that moves without being
 * loaded, naming the node and how it moves.
 */
export function buildFrame(nodes: FrameNode[], members: FrameMember[]): Frame {
  const index = new Map(nodes.map((n, i) => [n.id, i]))
  const place = (m: FrameMember) => [index.get(m.from) ?? -1, index.get(m.to) ?? -1] as const
  const neighbours = nodes.map(() => new Set<number>())
  for (const m of members) {
    const [a, b] = place(m)
    neighbours[a]!.add(b)
    neighbours[b]!.add(a)
  }
  const order = numberNodes(neighbours.map((s) => [...s]))
  const dofOf = new Int32Array(nodes.length * 6).fill(-1)
  const owner: number[] = []
  for (const n of order)
    for (let d = 0; d < 6; d++)
      if (!nodes[n]!.fixed[d]) {
        dofOf[n * 6 + d] = owner.length
        owner.push(n * 6 + d)
      }
  const built = members.map((m) => buildMember(m, nodes, place(m), dofOf))
  const matrix = sparse(
    owner.length,
    built.map((b) => b.dofs),
  )
  for (const b of built) addMember(matrix, b)
  nodes.forEach((n, i) => {
    n.springs?.forEach((k, d) => {
      const dof = dofOf[i * 6 + d]!
      if (dof >= 0 && k > 0) addTo(matrix, dof, dof, k)
    })
  })
  const loose = factorise(matrix)
  if (loose !== null) throw new Impossible(mechanism(matrix, loose, owner, nodes, members))
  const at = new Map(members.map((m, i) => [m.id, i]))
  const solve = (loads: FrameLoads) => solveCase({ nodes, built, matrix, index, memberAt: at, dofOf }, loads)
  const together: Frame['together'] = (parts) =>
    solvedFrom(nodes, built, superposed(parts, { moved: nodes.length * 6, held: nodes.length * 6, ends: members.length * 12 }))
  return { nodes, members, solve, together, result: (loads) => resultOf(nodes, members, solve(loads)) }
}

function buildMember(m: FrameMember, nodes: FrameNode[], [a, b]: readonly [number, number], dofOf: Int32Array): Built {
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
function toEnd(b: Built, e: 0 | 1, u: Float64Array, at: number, out: Float64Array): void {
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
function toNode(b: Built, e: 0 | 1, f: Float64Array, from: number, out: Float64Array, at: number): void {
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
function addMember(matrix: Sparse, b: Built): void {
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
    for (let i = 0; i <= j; i++) if (b.dofs[i]! >= 0 && felt[i] !== 0) addTo(matrix, b.dofs[i]!, b.dofs[j]!, felt[i]!)
  }
}

/** The node that moves most in the free motion and how, turns weighed by the frame's usual member length. */
function mechanism(matrix: Sparse, loose: number, owner: number[], nodes: FrameNode[], members: FrameMember[]): string {
  const used = new Set(members.flatMap((m) => [m.from, m.to]))
  const alone = nodes[Math.floor(owner[loose]! / 6)]!
  if (!used.has(alone.id)) return `node ${alone.id} is joined to nothing: join a member to it, hold it in every way, or leave it out`
  const motion = freeMotion(matrix, loose)
  const reach = Math.max(1, ...nodes.map((n) => Math.hypot(n.x - nodes[0]!.x, n.y - nodes[0]!.y, n.z - nodes[0]!.z))) / 10
  let [best, most] = [loose, 0]
  motion.forEach((v, dof) => {
    const weighed = Math.abs(v) * (owner[dof]! % 6 >= 3 ? reach : 1)
    if (weighed > most * (1 + 1e-9)) [best, most] = [dof, weighed]
  })
  const [node, d] = [nodes[Math.floor(owner[best]! / 6)]!, owner[best]! % 6]
  return `the frame is unstable: node ${node.id} ${d < 3 ? 'slides' : 'turns'} ${directions[d]} with nothing to stop it; hold it, brace it, or make a joint fixed`
}

/** A frame made ready: its factorised stiffness, and where each node, member and way of moving stands in it. */
type Ready = {
  nodes: FrameNode[]
  built: Built[]
  matrix: Sparse
  index: Map<string, number>
  memberAt: Map<string, number>
  dofOf: Int32Array
}

function solveCase({ nodes, built, matrix, index, memberAt, dofOf }: Ready, loads: FrameLoads): Solved {
  const spans = spanLoads(built, memberAt, loads)
  const applied = new Float64Array(nodes.length * 6)
  for (const l of loads.nodes) {
    const n = (index.get(l.node) ?? 0) * 6
    for (let d = 0; d < 3; d++) {
      applied[n + d]! += l.force[d]!
      applied[n + 3 + d]! += l.moment[d]!
    }
  }
  const onNodes = applied.slice()
  // twelve end forces a member: first what the loads between the ends put there, then all of it
  const ends = new Float64Array(built.length * 12)
  const f = new Float64Array(12)
  for (let i = 0; i < built.length; i++) {
    if (!spans[i]) continue
    const b = built[i]!
    endLoads(b.length, spans[i]!, f)
    if (b.released.length) release(b.whole.slice(), f, b.released)
    toNode(b, 0, f, 0, onNodes, b.nodes[0] * 6)
    toNode(b, 1, f, 0, onNodes, b.nodes[1] * 6)
    for (let d = 0; d < 12; d++) ends[i * 12 + d] = -f[d]!
  }
  const solution = new Float64Array(matrix.size)
  for (let i = 0; i < dofOf.length; i++) if (dofOf[i]! >= 0) solution[dofOf[i]!] = onNodes[i]!
  backSubstitute(matrix, solution)

  const moved = new Float64Array(nodes.length * 6)
  for (let i = 0; i < dofOf.length; i++) if (dofOf[i]! >= 0) moved[i] = solution[dofOf[i]!]!
  // end forces and what fixed ways hold are worked out once somebody asks: many cases want the movements only
  let done: { ends: Float64Array; held: Float64Array } | null = null
  const finish = () => {
    if (done) return done
    const held = applied.map((v) => -v)
    const u = new Float64Array(12)
    for (let i = 0; i < built.length; i++) {
      const b = built[i]!
      toEnd(b, 0, moved, b.nodes[0] * 6, u)
      toEnd(b, 1, moved, b.nodes[1] * 6, u)
      for (let r = 0; r < 12; r++) {
        let sum = 0
        for (let c = 0; c < 12; c++) sum += b.k[r * 12 + c]! * u[c]!
        ends[i * 12 + r]! += sum
      }
      toNode(b, 0, ends, i * 12, held, b.nodes[0] * 6)
      toNode(b, 1, ends, i * 12, held, b.nodes[1] * 6)
    }
    done = { ends, held }
    return done
  }
  const none: SpanLoad[] = []
  return solvedFrom(nodes, built, {
    moved: () => moved,
    held: () => finish().held,
    ends: () => finish().ends,
    spansOf: (m) => spans[m] ?? none,
  })
}

function solvedFrom(nodes: FrameNode[], built: Built[], state: State): Solved {
  return {
    state,
    movement: (n) => state.moved().slice(n * 6, n * 6 + 6),
    movedMm: (n, axis) => state.moved()[n * 6 + axis]!,
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
      const loaded = state.spansOf(m)
      const places = telling(built[m]!.length, ends, m * 12, loaded)
      if (also) places.push(...also)
      return places.map((x) => insideAt(x, ends, m * 12, loaded))
    },
    atEnd: (m) => insideAt(built[m]!.length, state.ends(), m * 12, state.spansOf(m)),
  }
}

/** Superposition: each of several states so many times, added when one of its figures is first asked for. */
function superposed(parts: { solved: Solved; times: number }[], sizes: Record<'moved' | 'held' | 'ends', number>): State {
  const kept: Partial<Record<'moved' | 'held' | 'ends', Float64Array>> = {}
  const sum = (of: 'moved' | 'held' | 'ends') => (): Float64Array => {
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
    spansOf: (m) => {
      const out: SpanLoad[] = []
      for (const { solved, times } of parts) for (const l of solved.state.spansOf(m)) put(out, l, times)
      return out
    },
  }
}

/** Adds a load so many times; what is spread over the same stretch goes into one. */
function put(out: SpanLoad[], l: SpanLoad, times: number): void {
  const by = ([x, y, z]: Triple): Triple => [x * times, y * times, z * times]
  if ('at' in l) {
    out.push({ at: l.at, force: by(l.force) })
    return
  }
  for (const o of out)
    if (!('at' in o) && o.from === l.from && o.to === l.to) {
      for (const d of [0, 1, 2] as const) o.perMm[d] += l.perMm[d] * times
      return
    }
  out.push({ from: l.from, to: l.to, perMm: by(l.perMm) })
}

function spanLoads(built: Built[], memberAt: Map<string, number>, loads: FrameLoads): SpanLoad[][] {
  const spans: SpanLoad[][] = new Array(built.length)
  for (const l of loads.members) {
    const i = memberAt.get(l.member) ?? 0
    const { axes, length } = built[i]!
    const own = (v: Triple): Triple => axes.map((e) => e[0] * v[0] + e[1] * v[1] + e[2] * v[2]) as Triple
    spans[i] ??= []
    if (l.uniform) spans[i].push({ perMm: own(l.uniform), from: l.from ?? 0, to: l.to ?? length })
    for (const p of l.points ?? []) spans[i].push({ at: p.at, force: own(p.force) })
  }
  return spans
}

function resultOf(nodes: FrameNode[], members: FrameMember[], solved: Solved): FrameResult {
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
