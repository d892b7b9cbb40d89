import type { Triple } from '../geometry/localAxes'
import { endLoads, type Inside, insideAt, release, type SpanLoad, telling } from './element'
import { type Built, type FrameLoads, type FrameMember, type FrameNode, toEnd, toNode } from './frameMember'
import { backSubstitute, type Sparse } from './sparse'

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

export function solvedFrom(nodes: FrameNode[], built: Built[], state: State): Solved {
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
export function superposed(parts: { solved: Solved; times: number }[], sizes: Record<'moved' | 'held' | 'ends', number>): State {
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
