import { Impossible } from '../issue/impossible'
import { flexibilityOf } from './flexibility'
import { addPlaced, buildMember, type FrameLoads, type FrameMember, type FrameNode, type Placed, placed } from './frameMember'
import { type FrameResult, type Ready, resultOf, type Solved, solveCase, solvedFrom, superposed } from './solved'
import { addTo, emptied, factorise, freeMotion, numberNodes, type Sparse, sparse } from './sparse'

/** A frame ready to be loaded: factorised once, any number of cases. */
export type Frame = {
  nodes: FrameNode[]
  members: FrameMember[]
  solve: (loads: FrameLoads) => Solved
  /** how far each of several loads on nodes goes in its own direction under each of them: mm, for loads of 1 N */
  flexibility: (loads: FrameLoads['nodes'][]) => number[][]
  /** so many times each of several solved cases of this frame, acting at once: superposition, as everything is linear */
  together: (parts: { solved: Solved; times: number }[]) => Solved
  result: (loads: FrameLoads) => FrameResult
  /** what a frame that differs in a few members or springs takes over */
  made: Made
}
type Made = Pick<Ready, 'built' | 'matrix' | 'index' | 'memberAt' | 'dofOf'> & { owner: number[]; placed: Placed[] }

const directions = ['along x', 'along y', 'along z', 'about x', 'about y', 'about z']

/**
 * A space frame of straight Euler–Bernoulli members (Przemieniecki, Theory of Matrix Structural Analysis; McGuire, Gallagher & Ziemian, Matrix
 * Structural Analysis, 2nd ed., ch. 4, 5 and 13). Small displacements, linear. `like`: a frame of the same nodes and joined the same, but for springs and for
 * members that are other objects: what is the same is not made again. Throws `Impossible` for a frame that moves without being loaded, naming the node and how
 * it moves.
 */
export function buildFrame(nodes: FrameNode[], members: FrameMember[], like?: Frame): Frame {
  if (like && (like.nodes.length !== nodes.length || like.members.length !== members.length))
    throw new Error('a frame like another has its nodes and members')
  const made = like ? madeLike(like, nodes, members) : madeNew(nodes, members)
  const { matrix, dofOf, owner, built } = made
  for (const p of made.placed) addPlaced(matrix, p)
  nodes.forEach((n, i) => {
    n.springs?.forEach((k, d) => {
      const dof = dofOf[i * 6 + d]!
      if (dof >= 0 && k > 0) addTo(matrix, dof, dof, k)
    })
  })
  const loose = factorise(matrix)
  if (loose !== null) throw new Impossible(mechanism(matrix, loose, owner, nodes, members))
  const ready: Ready = { ...made, nodes }
  const solve = (loads: FrameLoads) => solveCase(ready, loads)
  const together: Frame['together'] = (parts) =>
    solvedFrom(
      nodes,
      built,
      superposed(parts, { moved: nodes.length * 6, held: nodes.length * 6, ends: members.length * 12, even: members.length * 3 }),
    )
  return {
    ...{ nodes, members, solve, together, made },
    flexibility: (loads) => flexibilityOf(ready, loads),
    result: (loads) => resultOf(nodes, members, solve(loads)),
  }
}

function madeNew(nodes: FrameNode[], members: FrameMember[]): Made {
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
  const memberAt = new Map(members.map((m, i) => [m.id, i]))
  return { built, matrix, index, memberAt, dofOf, owner, placed: built.map((b) => placed(matrix, b)) }
}

function madeLike({ made, members: before }: Frame, nodes: FrameNode[], members: FrameMember[]): Made {
  const matrix = emptied(made.matrix)
  const again = members.map((m, i) => (m === before[i] ? null : buildMember(m, nodes, made.built[i]!.nodes, made.dofOf)))
  return {
    ...made,
    matrix,
    built: again.map((b, i) => b ?? made.built[i]!),
    placed: again.map((b, i) => (b ? placed(matrix, b) : made.placed[i]!)),
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
