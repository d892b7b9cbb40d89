import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { crossbarStatics } from '../crossbar/statics'
import { buildFrame } from './frame'
import { FrameInput, frameExample, solveFrame } from './frameInput'
import type { FrameLoads, FrameMember, FrameNode, Six } from './frameMember'

const free: Six<boolean> = [false, false, false, false, false, false]
const held: Six<boolean> = [true, true, true, true, true, true]
const section = { A: 500, Iy: 80_000, Iz: 120_000, J: 150_000 }
const steel = { E: 210_000, G: 81_000 }
const node = (id: string, x: number, y: number, z: number, fixed: Six<boolean> = free): FrameNode => ({ id, x, y, z, fixed })
const member = (id: string, from: string, to: string, more: Partial<FrameMember> = {}): FrameMember => ({
  id,
  from,
  to,
  section,
  material: steel,
  roll: 0,
  ...more,
})
const nothing: FrameLoads = { nodes: [], members: [] }
/** Relative error, for answers that must hold to one in a million. */
const close = (value: number, expected: number) => expect(Math.abs(value - expected) / Math.abs(expected)).toBeLessThan(1e-9)

describe('closed forms (Gere & Goodno, tables G-1 and G-2)', () => {
  const cantilever = buildFrame([node('a', 0, 0, 0, held), node('b', 1000, 0, 0)], [member('m', 'a', 'b')])
  test('cantilever, load F at its end: v = F·L³/3EI, turn = F·L²/2EI, M = F·L, about the right axis for each direction', () => {
    const down = cantilever.result({ ...nothing, nodes: [{ node: 'b', force: [0, 0, -100], moment: [0, 0, 0] }] })
    close(down.displacements[1].translation[2], (-100 * 1000 ** 3) / (3 * 210_000 * 80_000))
    close(down.displacements[1].rotation[1], (100 * 1000 ** 2) / (2 * 210_000 * 80_000))
    close(Math.abs(down.members[0].maxMoment), 100_000)
    const aside = cantilever.result({ ...nothing, nodes: [{ node: 'b', force: [0, 100, 0], moment: [0, 0, 0] }] })
    close(aside.displacements[1].translation[1], (100 * 1000 ** 3) / (3 * 210_000 * 120_000))
  })
  test('between its nodes: a cantilever under F at its end is at F·s²·(3L − s)/6EI half way; a simple beam under q at 5·q·L⁴/384EI, whichever way it is rolled', () => {
    const down = cantilever.solve({ ...nothing, nodes: [{ node: 'b', force: [0, 0, -100], moment: [0, 0, 0] }] })
    close(-down.middleMm(0, 2), (100 * 500 ** 2 * (3000 - 500)) / (6 * 210_000 * 80_000))
    const [at, on] = [[true, true, true, true, false, false] as Six<boolean>, [false, true, true, false, false, false] as Six<boolean>]
    for (const [roll, inertia] of [
      [0, 80_000],
      [90, 120_000],
    ] as const) {
      const beam = buildFrame([node('a', 0, 0, 0, at), node('b', 800, 0, 0, on)], [member('m', 'a', 'b', { roll })])
      const loaded = beam.solve({ nodes: [], members: [{ member: 'm', uniform: [0, 0, -0.7] }] })
      close(-loaded.middleMm(0, 2), (5 * 0.7 * 800 ** 4) / (384 * 210_000 * inertia))
      expect(Math.abs(loaded.middleMm(0, 1))).toBeLessThan(1e-12)
    }
  })
  test('pull and twist: u = F·L/EA in tension, φ = T·L/GJ', () => {
    const r = cantilever.result({ ...nothing, nodes: [{ node: 'b', force: [5000, 0, 0], moment: [20_000, 0, 0] }] })
    close(r.displacements[1].translation[0], (5000 * 1000) / (210_000 * 500))
    close(r.displacements[1].rotation[0], (20_000 * 1000) / (81_000 * 150_000))
    close(r.members[0].axial, 5000)
  })
  test('a quarter turn of roll changes the axes over', () => {
    const rolled = buildFrame([node('a', 0, 0, 0, held), node('b', 1000, 0, 0)], [member('m', 'a', 'b', { roll: 90 })])
    const r = rolled.result({ ...nothing, nodes: [{ node: 'b', force: [0, 0, -100], moment: [0, 0, 0] }] })
    close(r.displacements[1].translation[2], (-100 * 1000 ** 3) / (3 * 210_000 * 120_000))
  })
  test('an upright member has its y along global Y: pushed in x it bends about y, with Iy', () => {
    const post = buildFrame([node('a', 0, 0, 0, held), node('b', 0, 0, 1000)], [member('m', 'a', 'b')])
    const r = post.result({ ...nothing, nodes: [{ node: 'b', force: [100, 0, 0], moment: [0, 0, 0] }] })
    close(r.displacements[1].translation[0], (100 * 1000 ** 3) / (3 * 210_000 * 80_000))
  })
  test('built in at both ends, spread load q: M = q·L²/12 at the ends; half loaded: q·L²·11/192 and 5/192', () => {
    const beam = buildFrame([node('a', 0, 0, 0, held), node('b', 1200, 0, 0, held)], [member('m', 'a', 'b')])
    const whole = beam.result({ ...nothing, members: [{ member: 'm', uniform: [0, 0, -0.5] }] })
    close(Math.abs(whole.members[0].maxMoment), (0.5 * 1200 ** 2) / 12)
    const half = beam.result({ ...nothing, members: [{ member: 'm', uniform: [0, 0, -0.5], from: 0, to: 600 }] })
    close(Math.abs(half.reactions[0].moment[1]), (11 * 0.5 * 1200 ** 2) / 192)
    close(Math.abs(half.reactions[1].moment[1]), (5 * 0.5 * 1200 ** 2) / 192)
  })
  test('propped cantilever by a release: R = 3q·L/8 at the free turning end, M = q·L²/8 at the wall', () => {
    const pin: Six<boolean> = [false, false, false, false, true, true]
    const beam = buildFrame(
      [node('a', 0, 0, 0, held), node('b', 1000, 0, 0, held)],
      [member('m', 'a', 'b', { releases: { from: free, to: pin } })],
    )
    const r = beam.result({ ...nothing, members: [{ member: 'm', uniform: [0, 0, -1] }] })
    close(r.reactions[1].force[2], (3 * 1000) / 8)
    close(Math.abs(r.reactions[0].moment[1]), 1000 ** 2 / 8)
    expect(Math.abs(r.reactions[1].moment[1])).toBeLessThan(1e-6)
  })
  test('two springs under a stiff beam share by levers and sink by F/k', () => {
    const feet = (id: string, x: number, k: number): FrameNode => ({
      ...node(id, x, 0, 0, [true, true, false, true, false, true]),
      springs: [0, 0, k, 0, 0, 0],
    })
    const beam = buildFrame([feet('a', 0, 500), node('m', 300, 0, 0), feet('b', 1200, 250)], [member('1', 'a', 'm'), member('2', 'm', 'b')])
    const r = beam.result({ ...nothing, nodes: [{ node: 'm', force: [0, 0, -400], moment: [0, 0, 0] }] })
    close(r.reactions[0].force[2], 300)
    close(r.displacements[0].translation[2], -300 / 500)
    close(r.displacements[2].translation[2], -100 / 250)
  })
  test('a rigid arm carries a turn along: a load 50 above the axis turns the node by F·50·L/EI', () => {
    const arm = { from: [0, 0, -50] as [number, number, number], to: [0, 0, -50] as [number, number, number] }
    const beam = buildFrame([node('a', 0, 0, 50, held), node('b', 1000, 0, 50)], [member('m', 'a', 'b', { offsets: arm })])
    const r = beam.result({ ...nothing, nodes: [{ node: 'b', force: [200, 0, 0], moment: [0, 0, 0] }] })
    close(r.displacements[1].rotation[1], (200 * 50 * 1000) / (210_000 * 80_000))
    close(r.displacements[1].translation[0], (200 * 1000) / (210_000 * 500) + (50 * 200 * 50 * 1000) / (210_000 * 80_000))
  })
})

test('a published plane frame: Logan, A First Course in the Finite Element Method, example 5.1 (inches, pounds)', () => {
  const made = (iz: number) => ({ A: 10, Iy: iz, Iz: iz, J: 1 })
  const psi = { E: 30e6, G: 12e6 }
  const plane: Six<boolean> = [false, false, true, true, true, false]
  const frame = buildFrame(
    [node('1', 0, 0, 0, held), node('2', 0, 120, 0, plane), node('3', 120, 120, 0, plane), node('4', 120, 0, 0, held)],
    [
      member('1', '1', '2', { section: made(200), material: psi }),
      member('2', '2', '3', { section: made(100), material: psi }),
      member('3', '3', '4', { section: made(200), material: psi }),
    ],
  )
  const r = frame.result({
    ...nothing,
    nodes: [
      { node: '2', force: [10_000, 0, 0], moment: [0, 0, 0] },
      { node: '3', force: [0, 0, 0], moment: [0, 0, 5000] },
    ],
  })
  const [, two, three] = r.displacements
  expect([two.translation[0], two.translation[1], two.rotation[2]]).toEqual([
    expect.closeTo(0.211, 3),
    expect.closeTo(0.00148, 5),
    expect.closeTo(-0.00153, 5),
  ])
  expect([three.translation[0], three.translation[1], three.rotation[2]]).toEqual([
    expect.closeTo(0.209, 3),
    expect.closeTo(-0.00148, 5),
    expect.closeTo(-0.00149, 5),
  ])
})

test('a second way: a bar on two feet gives the same reactions, moment and sag as the integrated beam', () => {
  const given = {
    lengthMm: 1600,
    supportsMm: [200, 1350] as [number, number],
    pointLoads: [{ atMm: 700, forceN: 900 }],
    patchLoads: [{ fromMm: 0, toMm: 500, forceN: 300 }],
  }
  const other = crossbarStatics({ ...given, elasticMPa: 210_000, secondMomentMm4: 80_000, sectionModulusMm3: 4000 })
  const xs = [0, 200, 500, 700, 1350, 1600]
  const frame = buildFrame(
    xs.map((x) =>
      node(
        String(x),
        x,
        0,
        0,
        x === 200 ? [true, true, true, true, false, true] : x === 1350 ? [false, true, true, false, false, false] : free,
      ),
    ),
    xs.slice(1).map((x, i) => member(String(i), String(xs[i]), String(x))),
  )
  const r = frame.result({
    nodes: [],
    members: [
      { member: '0', uniform: [0, 0, -0.6] },
      { member: '1', uniform: [0, 0, -0.6] },
      { member: '3', points: [{ at: 0, force: [0, 0, -900] }] },
    ],
  })
  expect(r.reactions.map((x) => x.force[2])).toEqual([expect.closeTo(other.reactionsN[0], 6), expect.closeTo(other.reactionsN[1], 6)])
  close(Math.max(...r.members.map((m) => Math.abs(m.maxMoment))), Math.abs(other.maxMomentNmm))
})

describe('what moves without being loaded is named', () => {
  test('no support at all', () => {
    expect(() => buildFrame([node('a', 0, 0, 0), node('b', 100, 0, 0)], [member('m', 'a', 'b')])).toThrow(
      /unstable: node [ab] (slides|turns)/,
    )
  })
  test('a mast on a ball joint turns; the node that swings is its top', () => {
    expect(() =>
      buildFrame([node('foot', 0, 0, 0, [true, true, true, false, false, true]), node('top', 0, 0, 2000)], [member('m', 'foot', 'top')]),
    ).toThrow(/node top slides along [xy]/)
  })
  test('a node that no member reaches', () => {
    expect(() => buildFrame([node('a', 0, 0, 0, held), node('b', 100, 0, 0), node('stray', 5, 5, 5)], [member('m', 'a', 'b')])).toThrow(
      'node stray is joined to nothing',
    )
  })
  test('a bar whose both ends let it spin', () => {
    const spin: Six<boolean> = [false, false, false, true, false, false]
    const frame = () =>
      buildFrame(
        [node('a', 0, 0, 0, held), node('m', 500, 0, 0), node('b', 1000, 0, 0, held)],
        [member('1', 'a', 'm', { releases: { from: spin, to: free } }), member('2', 'm', 'b', { releases: { from: free, to: spin } })],
      )
    expect(frame).toThrow('node m turns about x')
  })
})

/** A random tower of storeys on four feet, braced by nothing but its stiff joints. */
const towers = fc.record({
  storeys: fc.integer({ min: 1, max: 4 }),
  wide: fc.double({ min: 200, max: 2000, noNaN: true }),
  skew: fc.double({ min: -200, max: 200, noNaN: true }),
  loads: fc.array(fc.tuple(fc.nat(), fc.array(fc.double({ min: -1000, max: 1000, noNaN: true }), { minLength: 6, maxLength: 6 })), {
    minLength: 1,
    maxLength: 6,
  }),
  spread: fc.tuple(
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
  ),
})
type Tower = { storeys: number; wide: number; skew: number; loads: [number, number[]][]; spread: [number, number, number] }
const corners = [0, 1, 2, 3]
function tower(t: Tower) {
  const nodes: FrameNode[] = []
  const members: FrameMember[] = []
  for (let s = 0; s <= t.storeys; s++)
    for (const c of corners) {
      nodes.push(node(`${s}.${c}`, (c % 2) * t.wide + s * t.skew, Math.floor(c / 2) * t.wide, s * 400, s ? free : held))
      if (!s) continue
      members.push(member(`post ${s}.${c}`, `${s - 1}.${c}`, `${s}.${c}`))
      const beside = c % 2 ? c - 1 : c + 1
      if (c < beside) members.push(member(`x ${s}.${c}`, `${s}.${c}`, `${s}.${beside}`))
      if (c < 2) members.push(member(`y ${s}.${c}`, `${s}.${c}`, `${s}.${c + 2}`))
    }
  const loads: FrameLoads = {
    nodes: t.loads.map(([n, v]) => ({
      node: nodes[4 + (n % (nodes.length - 4))].id,
      force: [v[0], v[1], v[2]],
      moment: [v[3] * 100, v[4] * 100, v[5] * 100],
    })),
    members: [{ member: 'x 1.0', uniform: [t.spread[0], t.spread[1], t.spread[2]] }],
  }
  return { nodes, members, loads }
}

describe('properties of every frame', () => {
  test('feet carry what is put on: forces and moments about the origin add up to nothing', () => {
    fc.assert(
      fc.property(towers, (t) => {
        const { nodes, members, loads } = tower(t)
        const r = buildFrame(nodes, members).result(loads)
        const at = new Map(nodes.map((n) => [n.id, n]))
        const sum = [0, 0, 0, 0, 0, 0]
        const put = (x: number, y: number, z: number, f: number[], m: number[]) => {
          for (let i = 0; i < 3; i++) sum[i] += f[i]
          sum[3] += y * f[2] - z * f[1] + m[0]
          sum[4] += z * f[0] - x * f[2] + m[1]
          sum[5] += x * f[1] - y * f[0] + m[2]
        }
        for (const l of [...r.reactions, ...loads.nodes]) {
          const n = at.get(l.node)!
          put(n.x, n.y, n.z, l.force, l.moment)
        }
        const [a, b] = [at.get('1.0')!, at.get('1.1')!]
        put(
          (a.x + b.x) / 2,
          a.y,
          a.z,
          t.spread.map((q) => q * t.wide),
          [0, 0, 0],
        )
        const size = Math.max(1, ...loads.nodes.flatMap((l) => [...l.force, ...l.moment]).map(Math.abs)) * 5000
        for (const s of sum) expect(Math.abs(s) / size).toBeLessThan(1e-8)
      }),
      { numRuns: 60 },
    )
  })
  test('what A does at B, B does at A (Maxwell–Betti)', () => {
    fc.assert(
      fc.property(towers, fc.nat(), fc.nat(), (t, i, j) => {
        const { nodes, members } = tower(t)
        const frame = buildFrame(nodes, members)
        const loose = nodes.slice(4)
        const [a, b] = [loose[i % loose.length].id, loose[j % loose.length].id]
        const pushed = (at: string, force: [number, number, number], seen: string, d: number) =>
          frame.result({ ...nothing, nodes: [{ node: at, force, moment: [0, 0, 0] }] }).displacements.find((x) => x.node === seen)!
            .translation[d]
        const [there, back] = [pushed(a, [1000, 0, 0], b, 2), pushed(b, [0, 0, 1000], a, 0)]
        expect(Math.abs(there - back)).toBeLessThan(1e-7 * Math.max(1e-3, Math.abs(there)) + 1e-9)
      }),
      { numRuns: 40 },
    )
  })
  test('the sum of two cases is the case of the sum', () => {
    fc.assert(
      fc.property(towers, (t) => {
        const { nodes, members, loads } = tower(t)
        const frame = buildFrame(nodes, members)
        const [one, two, both] = [
          frame.result({ ...nothing, nodes: loads.nodes }),
          frame.result({ ...nothing, members: loads.members }),
          frame.result(loads),
        ]
        both.displacements.forEach((d, i) => {
          for (let k = 0; k < 3; k++)
            expect(Math.abs(d.translation[k] - one.displacements[i].translation[k] - two.displacements[i].translation[k])).toBeLessThan(
              1e-6,
            )
        })
      }),
      { numRuns: 20 },
    )
  })
})

describe('bad input names the field', () => {
  const faults = (change: (v: typeof frameExample) => void) => {
    const v = structuredClone(frameExample)
    change(v)
    const read = FrameInput.safeParse(v)
    return read.success ? [] : read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
  }
  test('the example itself is solved, and 500 N sideways come out at the feet', () => {
    const r = solveFrame(FrameInput.parse(frameExample))
    expect(r.reactions.reduce((s, x) => s + x.force[1], 0)).toBeCloseTo(500, 6)
  })
  test.each([
    [
      'no area',
      (v: typeof frameExample) => void Object.assign(v.members[0].section, { A: 0 }),
      'members.0.section.A: A must be more than 0',
    ],
    [
      'a node that is not there',
      (v: typeof frameExample) => void Object.assign(v.members[1], { to: 'nowhere' }),
      'members.1.to: there is no node “nowhere”',
    ],
    [
      'two nodes of one name',
      (v: typeof frameExample) => void Object.assign(v.nodes[1], { id: 'left foot' }),
      'nodes.0.id: “left foot” is used twice',
    ],
    [
      'ends at one place',
      (v: typeof frameExample) => void Object.assign(v.nodes[1], { z: 0 }),
      'members.0.to: its two ends lie at one place',
    ],
    [
      'a load on no member',
      (v: typeof frameExample) => void Object.assign(v.loads.members![0], { member: 'x' }),
      'loads.members.0.member: there is no member “x”',
    ],
  ])('%s', (_, change, says) => expect(faults(change)).toContainEqual(expect.stringContaining(says)))
})
