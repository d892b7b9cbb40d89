import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { centreLine } from '../geometry/centreLine'
import { buildFrame } from './frame'
import type { FrameLoads, FrameMember, FrameNode, Six } from './frameMember'

/** Frames with an answer in closed form, each member without stretch worth the name so that only what the formula counts bends. */
const free: Six<boolean> = [false, false, false, false, false, false]
const held: Six<boolean> = [true, true, true, true, true, true]
const pin: Six<boolean> = [true, true, true, true, false, true]
const E = 210_000
const G = 81_000
const I = 50_000
const J = 90_000
const section = { A: 1e7, Iy: I, Iz: I, J }
const node = (id: string, x: number, y: number, z: number, fixed: Six<boolean> = free): FrameNode => ({ id, x, y, z, fixed })
const member = (from: string, to: string, more: Partial<FrameMember> = {}): FrameMember => ({
  id: `${from}-${to}`,
  from,
  to,
  section,
  material: { E, G },
  roll: 0,
  ...more,
})
const at = (id: string, force: [number, number, number]): FrameLoads => ({ nodes: [{ node: id, force, moment: [0, 0, 0] }], members: [] })
const solve = (nodes: FrameNode[], members: FrameMember[], loads: FrameLoads) => buildFrame(nodes, members).solve(loads)

describe('portals (Kleinlogel, Rigid Frame Formulas, frame 1), k = (I beam / L) / (I post / h)', () => {
  const [L, h, H] = [1500, 600, 800]
  const portal = (feet: Six<boolean>) => [node('a', 0, 0, 0, feet), node('b', 0, 0, h), node('c', L, 0, h), node('d', L, 0, 0, feet)]
  const members = [member('a', 'b'), member('b', 'c'), member('c', 'd')]
  const k = h / L
  test('built-in feet, a push H at the eaves: H·h/2·(3k + 1)/(6k + 1) at each foot, H·h/2·3k/(6k + 1) at each corner', () => {
    const solved = solve(portal(held), members, at('b', [H, 0, 0]))
    const foot = ((H * h) / 2) * ((3 * k + 1) / (6 * k + 1))
    for (const id of [0, 3]) expect(Math.abs(solved.reaction(id)[4]) / foot).toBeCloseTo(1, 4)
    const corner = ((H * h) / 2) * ((3 * k) / (6 * k + 1))
    const [start] = solved.inside(1)
    expect(Math.abs(start.momentY) / corner).toBeCloseTo(1, 4)
  })
  test('feet that turn: each takes half the push, H·h/2 at the corners, and the far foot is pressed by H·h/L', () => {
    const solved = solve(portal(pin), members, at('b', [H, 0, 0]))
    expect(solved.reaction(0)[0]).toBeCloseTo(-H / 2, 2)
    expect(solved.reaction(3)[2]).toBeCloseTo((H * h) / L, 4)
    expect(Math.abs(solved.inside(1)[0].momentY) / ((H * h) / 2)).toBeCloseTo(1, 4)
  })
  test('spread load on the beam, built-in feet: q·L²/12·2/(k + 2)… the corner holds q·L²/(6·(k + 2))', () => {
    const q = 0.7
    const solved = solve(portal(held), members, { nodes: [], members: [{ member: 'b-c', uniform: [0, 0, -q] }] })
    expect(Math.abs(solved.inside(1)[0].momentY) / ((q * L ** 2) / (6 * (k + 2)))).toBeCloseTo(1, 4)
    expect(solved.reaction(0)[2]).toBeCloseTo((q * L) / 2, 4)
  })
})

describe('bent rods (Roark, 8th ed., ch. 9; Castigliano)', () => {
  test('an L lying down, built in at one end, P on the free one: P·a³/3EI + P·b³/3EI + P·b²·a/GJ', () => {
    const [a, b, P] = [700, 400, 120]
    const solved = solve(
      [node('wall', 0, 0, 0, held), node('knee', a, 0, 0), node('tip', a, b, 0)],
      [member('wall', 'knee'), member('knee', 'tip')],
      at('tip', [0, 0, -P]),
    )
    const sinks = (P * a ** 3) / (3 * E * I) + (P * b ** 3) / (3 * E * I) + (P * b ** 2 * a) / (G * J)
    expect(-solved.movement(2)[2] / sinks).toBeCloseTo(1, 6)
  })
  /** Ten chords stand for the arc: that is good for one part in a hundred, and no better. */
  const within = (ratio: number) => expect(Math.abs(ratio - 1)).toBeLessThan(0.01)
  /** A quarter of a circle in the upright plane from (0, 0) rising to (R, R), cut into chords by the centre line of a bent tube. */
  const quarter = (R: number) => {
    const path = [
      { x: 0, y: 0, z: 0 },
      { x: 0, y: 0, z: R },
      { x: R, y: 0, z: R },
    ]
    const line = centreLine(path, [R])
    // the arc takes both legs whole: what is left of them has no length
    const points = line.filter((p, i) => i === 0 || Math.hypot(p.x - line[i - 1].x, p.z - line[i - 1].z) > 1e-6)
    const nodes = points.map((p, i) => node(String(i), p.x, p.y, p.z, i ? free : held))
    const members = points.slice(1).map((_, i) => member(String(i), String(i + 1)))
    return { nodes, members, tip: nodes.length - 1 }
  }
  test('a quarter circle held at its foot, P down at its top end: it sinks by π·P·R³/4EI', () => {
    const [R, P] = [400, 90]
    const { nodes, members, tip } = quarter(R)
    const solved = solve(nodes, members, at(String(tip), [0, 0, -P]))
    within(-solved.movement(tip)[2] / ((Math.PI * P * R ** 3) / (4 * E * I)))
    // and goes forward by P·R³/2EI
    within(solved.movement(tip)[0] / ((P * R ** 3) / (2 * E * I)))
  })
  test('pushed out of its own plane it bends and twists: P·R³·(π/4·1/EI + (3π/4 − 2)/GJ)', () => {
    const [R, P] = [400, 90]
    const { nodes, members, tip } = quarter(R)
    const solved = solve(nodes, members, at(String(tip), [0, P, 0]))
    const moves = P * R ** 3 * (Math.PI / 4 / (E * I) + ((3 * Math.PI) / 4 - 2) / (G * J))
    within(solved.movement(tip)[1] / moves)
  })
})

describe('a truss is a frame whose ends turn', () => {
  test('three legs of one length under a weight share it by their slope: each W/(3·sin β)', () => {
    const [r, hgt, W] = [300, 400, 900]
    const feet = [0, 1, 2].map((i) => node(`f${i}`, r * Math.cos((i * 2 * Math.PI) / 3), r * Math.sin((i * 2 * Math.PI) / 3), 0, held))
    const slim = { A: 200, Iy: 0.01, Iz: 0.01, J: 0.01 }
    const solved = solve(
      [...feet, node('top', 0, 0, hgt)],
      feet.map((f) => member(f.id, 'top', { section: slim })),
      at('top', [0, 0, -W]),
    )
    const sin = hgt / Math.hypot(r, hgt)
    for (const i of [0, 1, 2]) expect(-solved.inside(i)[0].axial / (W / (3 * sin))).toBeCloseTo(1, 6)
    expect(-solved.movement(3)[2] / ((W * Math.hypot(r, hgt)) / (3 * E * 200 * sin ** 2))).toBeCloseTo(1, 6)
  })
})

describe('what a frame does not care about', () => {
  const shape = (turn: number, scale = 1): FrameNode[] =>
    [
      [0, 0, 0],
      [800, 100, 300],
      [1500, -200, 500],
      [700, 900, 0],
    ].map(([x, y, z], i) =>
      node(
        String(i),
        scale * (x * Math.cos(turn) - y * Math.sin(turn)),
        scale * (x * Math.sin(turn) + y * Math.cos(turn)),
        scale * z,
        i === 0 || i === 3 ? held : free,
      ),
    )
  const round = { A: 400, Iy: I, Iz: I, J: 2 * I }
  const bars = [
    ['0', '1'],
    ['1', '2'],
    ['2', '3'],
    ['1', '3'],
  ].map(([a, b]) => member(a, b, { section: round }))
  const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true })
  const force = fc.tuple(
    ...([0, 1, 2].map(() => fc.double({ min: -500, max: 500, noNaN: true })) as [
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
    ]),
  )
  test('which way the vehicle is parked: turned about the upright with its load it moves as much', () => {
    fc.assert(
      fc.property(angle, force, (turn, [x, y, z]) => {
        const still = solve(shape(0), bars, at('2', [x, y, z])).movement(2)
        const [c, s] = [Math.cos(turn), Math.sin(turn)]
        const turned = solve(shape(turn), bars, at('2', [x * c - y * s, x * s + y * c, z])).movement(2)
        expect(turned[0]).toBeCloseTo(still[0] * c - still[1] * s, 8)
        expect(turned[1]).toBeCloseTo(still[0] * s + still[1] * c, 8)
        expect(turned[2]).toBeCloseTo(still[2], 8)
      }),
    )
  })
  test('which end of a member is called its first: forces inside change sign with the direction, movements do not change', () => {
    fc.assert(
      fc.property(force, (f) => {
        const there = solve(shape(0), bars, at('2', f))
        const back = solve(
          shape(0),
          bars.map((m) => ({ ...m, from: m.to, to: m.from })),
          at('2', f),
        )
        for (const i of [0, 1, 2]) expect(back.movement(2)[i]).toBeCloseTo(there.movement(2)[i], 8)
        expect(back.inside(0)[0].axial).toBeCloseTo(there.inside(0)[0].axial, 5)
      }),
    )
  })
  test('twice the stiffness of the metal moves half as far and carries the same', () => {
    const stiff = bars.map((m) => ({ ...m, material: { E: 2 * E, G: 2 * G } }))
    const [soft, firm] = [bars, stiff].map((list) => solve(shape(0), list, at('2', [100, -200, 300])))
    for (const i of [0, 1, 2, 3, 4, 5]) {
      expect(firm.movement(2)[i]).toBeCloseTo(soft.movement(2)[i] / 2, 9)
      expect(firm.reaction(3)[i]).toBeCloseTo(soft.reaction(3)[i], 5)
    }
  })
  test('twice as large in bending alone, moved by the same force, gives eight times as much', () => {
    const stretchless = bars.map((m) => ({ ...m, section: { ...round, A: 1e8 } }))
    const moves = (scale: number) =>
      Math.hypot(
        ...solve(shape(0, scale), stretchless, at('2', [50, 60, -70]))
          .movement(2)
          .slice(0, 3),
      )
    expect(moves(2) / moves(1)).toBeCloseTo(8, 3)
  })
})
