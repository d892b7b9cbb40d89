import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { buildFrame } from './frame'
import type { FrameLoads, FrameMember, FrameNode, Six } from './frameMember'

const free: Six<boolean> = [false, false, false, false, false, false]
const fixed: Six<boolean> = [true, true, true, true, true, true]
const nodes: FrameNode[] = [
  { id: 'a', x: 0, y: 0, z: 0, fixed },
  { id: 'b', x: 0, y: 0, z: 800, fixed: free },
  { id: 'c', x: 900, y: 100, z: 800, fixed: free },
  { id: 'd', x: 900, y: 0, z: 0, fixed: free, springs: [50, 50, 900, 0, 1e6, 1e6] },
]
const section = { A: 400, Iy: 60_000, Iz: 90_000, J: 110_000 }
const material = { E: 210_000, G: 81_000 }
const member = (id: string, from: string, to: string, over: Partial<FrameMember> = {}): FrameMember => ({
  id,
  from,
  to,
  section,
  material,
  roll: 0,
  ...over,
})
const members = [
  member('1', 'a', 'b'),
  member('2', 'b', 'c', { releases: { from: [false, false, false, false, true, false], to: free } }),
  member('3', 'c', 'd', { offsets: { from: [0, 0, 0], to: [10, 0, 20] } }),
]
const frame = buildFrame(nodes, members)
const force = fc.tuple(...([0, 0, 0] as const).map(() => fc.double({ min: -900, max: 900, noNaN: true }))) as fc.Arbitrary<
  [number, number, number]
>
const loads: fc.Arbitrary<FrameLoads> = fc.record({
  nodes: fc.array(fc.record({ node: fc.constantFrom('b', 'c', 'd'), force, moment: force }), { maxLength: 3 }),
  members: fc.array(
    fc.record({
      member: fc.constantFrom('1', '2', '3'),
      uniform: force.map(([x, y, z]): [number, number, number] => [x / 1000, y / 1000, z / 1000]),
    }),
    { maxLength: 3 },
  ),
})
const times = (l: FrameLoads, k: number): FrameLoads => {
  const by = ([x, y, z]: [number, number, number]): [number, number, number] => [k * x, k * y, k * z]
  return {
    nodes: l.nodes.map((n) => ({ ...n, force: by(n.force), moment: by(n.moment) })),
    members: l.members.map((m) => ({ ...m, ...(m.uniform ? { uniform: by(m.uniform) } : {}) })),
  }
}

describe('what a frame passes on', () => {
  const six = fc.record({ node: fc.constantFrom('b', 'c', 'd'), force, moment: force })
  const workDone = (l: FrameLoads['nodes'], under: FrameLoads['nodes']): number => {
    const { displacements } = frame.result({ nodes: under, members: [] })
    return l.reduce((sum, { node, force, moment }) => {
      const d = displacements.find((x) => x.node === node)!
      return sum + d.translation.reduce((s, v, i) => s + v * force[i]!, 0) + d.rotation.reduce((s, v, i) => s + v * moment[i]!, 0)
    }, 0)
  }
  test('how far one load goes under another is the work of the one on the movements that the other makes, solved by itself, and the same the other way round', () => {
    fc.assert(
      fc.property(fc.array(six, { maxLength: 3 }), fc.array(six, { maxLength: 3 }), (p, q) => {
        const [[pp, pq], [qp, qq]] = frame.flexibility([p, q]) as [[number, number], [number, number]]
        expect(pq).toBe(qp)
        for (const [found, way] of [
          [pp, workDone(p, p)],
          [pq, workDone(p, q)],
          [pq, workDone(q, p)],
          [qq, workDone(q, q)],
        ] as const)
          expect(Math.abs(found - way)).toBeLessThan(1e-9 * (1 + Math.sqrt(pp * qq) + pp + qq))
      }),
    )
  })
  test('a frame made like another, with one member and one spring changed, is the frame made anew, to the last digit', () => {
    const other = members.map((m, i) => (i === 1 ? { ...m, releases: { from: free, to: free } } : m))
    const softer = nodes.map((n) => (n.id === 'd' ? { ...n, springs: [50, 50, 300, 0, 1e6, 1e6] as Six<number> } : n))
    const under: FrameLoads = { nodes: [{ node: 'c', force: [10, 20, -30], moment: [0, 4000, 0] }], members: [] }
    const like = buildFrame(softer, other, frame).result(under)
    expect(like).toEqual(buildFrame(softer, other).result(under))
    expect(like.displacements[2]!.translation[2]).not.toBeCloseTo(frame.result(under).displacements[2]!.translation[2], 3)
  })
  test('what lies evenly on all members by their numbers does what the same does named member by member', () => {
    const perMm = Float64Array.of(0.1, 0.2, -0.5, 0, 0, -1, 0.3, 0, 0)
    const named: FrameLoads = {
      nodes: [],
      members: members.map((m, i) => ({ member: m.id, uniform: [perMm[3 * i]!, perMm[3 * i + 1]!, perMm[3 * i + 2]!] })),
    }
    expect(frame.result({ nodes: [], members: [], perMm })).toEqual(frame.result(named))
  })
})

describe('cases added up', () => {
  test('so many times one and another is what both together do: movements, reactions, and everything inside every member', () => {
    fc.assert(
      fc.property(loads, loads, fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -3, max: 3, noNaN: true }), (p, q, a, b) => {
        const sum = frame.together([
          { solved: frame.solve(p), times: a },
          { solved: frame.solve(q), times: b },
        ])
        const [pa, qb] = [times(p, a), times(q, b)]
        const whole = frame.solve({ nodes: [...pa.nodes, ...qb.nodes], members: [...pa.members, ...qb.members] })
        nodes.forEach((_, n) => {
          sum.movement(n).forEach((v, d) => {
            expect(v).toBeCloseTo(whole.movement(n)[d]!, 8)
          })
          sum.reaction(n).forEach((v, d) => {
            expect(v).toBeCloseTo(whole.reaction(n)[d]!, 4)
          })
        })
        members.forEach((_, m) => {
          const [one, other] = [sum.inside(m), whole.inside(m)]
          // the places that tell may differ by rounding where nothing bends: the greatest of each is the same
          for (const of of ['axial', 'shearY', 'shearZ', 'torque', 'momentY', 'momentZ'] as const) {
            const most = (list: typeof one) => Math.max(...list.map((i) => Math.abs(i[of])))
            expect(Math.abs(most(one) - most(other))).toBeLessThan(1e-6 * (1 + most(other)))
          }
        })
      }),
      { numRuns: 60 },
    )
  })
  test('nothing added up is a frame at rest', () => {
    const still = frame.together([])
    expect([...still.movement(1), ...still.reaction(0)].every((v) => v === 0)).toBe(true)
    expect(still.inside(0).every((i) => i.axial === 0 && i.momentY === 0)).toBe(true)
  })
  test('taken twice and taken away once it is there once', () => {
    const one = frame.solve({ nodes: [{ node: 'c', force: [120, -40, -700], moment: [0, 9000, 0] }], members: [] })
    const again = frame.together([
      { solved: one, times: 2 },
      { solved: one, times: -1 },
    ])
    one.movement(2).forEach((v, d) => {
      expect(again.movement(2)[d]).toBeCloseTo(v, 9)
    })
  })
})
