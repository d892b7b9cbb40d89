import RAPIER from '@dimforge/rapier3d-compat'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Member } from '../assembly/assembly'
import { placed, placingAt } from '../geometry/placing'
import { cross, dot, minus, plus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { type Kit, rapierKit } from './kit'
import { Measurer } from './meetings'
import { afterMove, type Mover } from './movers'
import { boxSolid, memberSolid, type Solid } from './solids'
import { sweepOf } from './sweep'

let kit: Kit
beforeAll(async () => {
  await RAPIER.init()
  kit = rapierKit(RAPIER)
})
afterAll(() => kit.close())

const at = (x: number, y: number, z: number): Vec3 => ({ x, y, z })
const box = (id: string, middle: Vec3, sides: Vec3): Solid => boxSolid(id, id, 'fitting', middle, sides)
const gap = (a: Solid, b: Solid, within = 500) => new Measurer(kit).meetings([a, b], () => true, within)[0]?.gapMm ?? null
const tube = (id: string, from: Vec3, to: Vec3, profileId: string): Solid => {
  const member: Member = { id, mark: id, name: id, profileId, path: [from, to], ends: [{ kind: 'square' }, { kind: 'square' }] }
  return memberSolid(member, [])
}

describe('distances by closed forms', () => {
  test('two boxes 30 apart face to face, then corner to corner by Pythagoras, then 8 deep in one another', () => {
    const a = box('a', at(0, 0, 0), at(100, 100, 100))
    expect(gap(a, box('b', at(130, 0, 0), at(100, 60, 60)))).toBeCloseTo(30, 2)
    // corners at 50,50,50 and 53,54,62: 3, 4, 12 make 13
    expect(gap(a, box('b', at(103, 104, 112), at(100, 100, 100)))).toBeCloseTo(13, 2)
    expect(gap(a, box('b', at(92, 0, 0), at(100, 60, 60)))).toBeCloseTo(-8, 2)
  })
  test('long thin bodies in one another: 30 by height where they lie in the same place, 20 where they stand 20 apart of 40, 1 of 39', () => {
    const bar = (id: string, x: number, y = 0) => box(id, at(x, y, 1000), at(40, 1600, 30))
    const deep = [0, 0.001, 1, 20, 39, 39.9].map((x) => gap(bar('a', 0), bar('b', x)))
    expect(deep).toEqual([-30, -30, -30, -20, -1, -0.1].map((v) => expect.closeTo(v, 2)))
    expect(gap(bar('a', 0), bar('b', 0, 1595))).toBeCloseTo(-5, 2)
  })
  test('any two tubes that cross stand as deep in one another as their radii together less the distance of their lines', () => {
    const num = (a: number, b: number) => fc.double({ min: a, max: b, noNaN: true })
    fc.assert(
      fc.property(num(2, 20), num(20, 160), (apart, deg) => {
        const c = { x: Math.cos((deg * Math.PI) / 180) * 600, y: Math.sin((deg * Math.PI) / 180) * 600 }
        const a = { ...tube('a', at(-600, 0, 1000), at(600, 0, 1000), 'round-25x2-steel'), walls: undefined as never }
        const b = { ...tube('b', at(-c.x, -c.y, 1000 + apart), at(c.x, c.y, 1000 + apart), 'round-25x2-steel'), walls: undefined as never }
        expect(Math.abs(gap(a, b)! + (25 - apart))).toBeLessThan(0.3)
      }),
      { numRuns: 60, seed: 5 },
    )
  })
  test('two round tubes of 25 that cross square, centre lines 60 apart, leave 35; their polygons stand for circles to 0.1', () => {
    const r = 25
    const along = tube('a', at(-500, 0, 1000), at(500, 0, 1000), 'round-25x2-steel')
    const across = tube('b', at(0, -500, 1060), at(0, 500, 1060), 'round-25x2-steel')
    expect(Math.abs(gap(along, across)! - (60 - r))).toBeLessThan(0.1)
  })
  test('a leaf that turns up under a box is seen all the way: where an edge came within a tenth of a millimetre of a face, the library saw nothing', () => {
    const leaf = kit.body(box('leaf', at(0, 0, -500), at(40, 1400, 1000)).hulls[0]!)!
    const over = kit.body(box('over', at(-150, 0, 665), at(2700, 900, 1100)).hulls[0]!)!
    const axis = { at: at(0, 0, 0), way: at(0, 1, 0) }
    for (let deg = 95.3; deg < 95.6; deg += 0.002) {
      kit.place(leaf, placingAt({ kind: 'turn', axis }, deg))
      // its upper far corner: 1000·sin + 20·cos over the hinge, under a box 115 over it
      const a = ((deg - 90) * Math.PI) / 180
      const byHand = 115 - 1000 * Math.sin(a) - 20 * Math.cos(a)
      expect([deg, kit.contact(leaf, over, 100)?.gapMm]).toEqual([deg, expect.closeTo(byHand, 1)])
    }
  })
  test('a rod inside a tube does not touch it: wall by wall, not as if the tube were full', () => {
    const rod = box('rod', at(0, 0, 1000), at(2000, 10, 10))
    const round = tube('t', at(-500, 0, 1000), at(500, 0, 1000), 'round-25x2-steel')
    // inside radius 12.5 − 2 = 10.5, half a diagonal of the rod 7.07
    expect(Math.abs(gap(round, rod)! - (10.5 - 5 * Math.SQRT2))).toBeLessThan(0.15)
    // moved aside by 6 its corner stands in the wall
    expect(gap(round, box('rod', at(0, 6, 1000), at(2000, 10, 10)))).toBeLessThan(0)
  })
  test('any two boxes, turned anyhow: never farther apart than the nearest of many points sampled on both, and near to it', () => {
    const num = (a: number, b: number) => fc.double({ min: a, max: b, noNaN: true })
    const point = fc.record({ x: num(-1, 1), y: num(-1, 1), z: num(-1, 1) }).filter((v) => size(v) > 0.1)
    fc.assert(
      fc.property(point, num(0, 180), point, num(10, 60), (way, deg, dir, off) => {
        const mover: Pick<Mover, 'kind' | 'axis'> = { kind: 'turn', axis: { at: at(0, 0, 0), way: unit(way) } }
        const a = box('a', at(0, 0, 0), at(80, 60, 40))
        const middle = times(unit(dir), 90 + off)
        const turnedBox = (corners: Vec3[]) => corners.map((p) => plus(placed(placingAt(mover, deg), p), middle))
        const b: Solid = { ...box('b', at(0, 0, 0), at(70, 30, 50)), hulls: [turnedBox(box('b', at(0, 0, 0), at(70, 30, 50)).hulls[0]!)] }
        const found = gap(a, b)
        const n = 9
        const faces = (h: Vec3): Vec3[] =>
          Array.from({ length: n * n * n }, (_, i) =>
            [i % n, Math.floor(i / n) % n, Math.floor(i / n / n)].map((k) => (2 * k) / (n - 1) - 1),
          )
            .filter((u) => u.some((k) => Math.abs(k) === 1))
            .map(([x, y, z]) => at(x! * h.x, y! * h.y, z! * h.z))
        const inA = faces(at(40, 30, 20))
        const onB = turnedBox(faces(at(35, 15, 25)))
        const sampled = Math.min(...onB.map((q) => Math.min(...inA.map((p) => size(minus(p, q))))))
        if (found === null) throw new Error('nothing found')
        if (found > 0) {
          expect(found).toBeLessThanOrEqual(sampled + 0.01)
          // a grid of 10 on faces: no closer than half a diagonal of its squares on both
          expect(found).toBeGreaterThan(sampled - 18)
        }
      }),
      { numRuns: 40, seed: 7 },
    )
  })
  test('what did not change is remembered, what moved is measured anew, what is gone is forgotten', () => {
    const counted = { body: 0, contact: 0 }
    const counting: Kit = {
      ...kit,
      body: (c) => {
        counted.body++
        return kit.body(c)
      },
      contact: (a, b, w) => {
        counted.contact++
        return kit.contact(a, b, w)
      },
    }
    const m = new Measurer(counting)
    const three = [0, 120, 240].map((x, i) => box(`b${i}`, at(x, 0, 0), at(100, 100, 100)))
    m.meetings(three, () => true, 300)
    expect(counted).toEqual({ body: 3, contact: 3 })
    m.meetings(three, () => true, 300)
    expect(counted).toEqual({ body: 3, contact: 3 })
    const [moved] = m.meetings([three[0]!, three[1]!, box('b2', at(235, 0, 0), at(100, 100, 100))], () => true, 300)
    expect(counted).toEqual({ body: 4, contact: 5 })
    expect(moved!.gapMm).toBeCloseTo(15, 2)
  })
})

describe('on its way', () => {
  const lid: Mover = {
    id: 'lid',
    name: 'Lid',
    kind: 'turn',
    axis: { at: at(0, 0, 0), way: at(0, -1, 0) },
    from: 0,
    to: 120,
    moves: ['lid'],
    leaf: null,
    after: null,
    pieceId: null,
  }
  // 500 long, 10 thick, its lower face in the level plane through the hinge
  const leaf = box('lid', at(250, 0, 5), at(500, 300, 10))
  const never = () => false

  test('a lid of 500 meets a beam 400 up and 100 out where its top face does: by trigonometry', () => {
    const beam = box('beam', at(100 + 1000, 0, 400 + 50), at(2000, 300, 100))
    const { touch } = sweepOf(kit, lid, [leaf], [beam], never, 120)
    // the corner of the beam nearest to the hinge's line: first met by the lid's top edge at its far end, or its face at the beam's corner
    const far = Math.hypot(500, 10)
    const atFarEnd = (Math.asin(400 / far) - Math.atan2(10, 500)) * (180 / Math.PI)
    expect(touch!.what.id).toBe('beam')
    expect(touch!.at).toBeGreaterThan(atFarEnd - 0.2)
    expect(touch!.at).toBeLessThan(atFarEnd + 0.05)
  })
  test('just out of its reach it passes, and the nearest pass is told', () => {
    const post = box('post', at(0, 0, Math.hypot(500, 10) + 30 + 50), at(40, 300, 100))
    const { touch, least } = sweepOf(kit, lid, [leaf], [post], never, 120)
    expect(touch).toBeNull()
    expect(least!.gapMm).toBeGreaterThan(29.5)
    expect(least!.gapMm).toBeLessThan(32)
  })
  test('what it lies on when shut is no touch; turned the other way it would go into it', () => {
    const rim = box('rim', at(250, 0, -50), at(500, 300, 100))
    expect(sweepOf(kit, lid, [leaf], [rim], never, 120).touch).toBeNull()
    const down: Mover = { ...lid, axis: { ...lid.axis, way: at(0, 1, 0) } }
    const { touch } = sweepOf(kit, down, [leaf], [rim], never, 120)
    expect(touch!.at).toBeLessThan(0.2)
  })
  test('a drawer that slides 600 stops at a bar 350 behind it; beside one that it slides along, it does not', () => {
    const drawer = box('drawer', at(0, 0, 0), at(500, 400, 150))
    const out: Mover = { ...lid, id: 'out', kind: 'slide', axis: { at: at(0, 0, 0), way: at(-1, 0, 0) }, to: 600, moves: ['drawer'] }
    const bar = box('bar', at(-250 - 350 - 20, 0, 0), at(40, 400, 40))
    const wall = box('wall', at(-300, 200 + 5, 0), at(2000, 10, 150))
    const { touch } = sweepOf(kit, out, [drawer], [wall, bar], never, 600)
    expect(touch!.what.id).toBe('bar')
    expect(Math.abs(touch!.at - 350)).toBeLessThan(0.5)
    expect(sweepOf(kit, out, [drawer], [wall, bar], never, 300).touch).toBeNull()
    // against the front from the start: it cannot move at all
    const gate = box('gate', at(-250 - 0.1 - 20, 0, 0), at(40, 400, 40))
    expect(sweepOf(kit, out, [drawer], [gate], never, 600).touch!.at).toBeLessThan(1)
  })
  test('there and back every place is where it was; lengths and right angles stay (200 turns)', () => {
    const num = fc.double({ min: -900, max: 900, noNaN: true })
    const vec = fc.record({ x: num, y: num, z: num })
    fc.assert(
      fc.property(
        vec,
        vec.filter((v) => size(v) > 1),
        vec,
        vec,
        fc.double({ min: -360, max: 360, noNaN: true }),
        (p, way, a, b, deg) => {
          const m = { kind: 'turn' as const, axis: { at: p, way: unit(way) } }
          const go = (v: Vec3) => placed(placingAt(m, deg), v)
          const back = (v: Vec3) => placed(placingAt(m, -deg), v)
          expect(size(minus(back(go(a)), a))).toBeLessThan(1e-6)
          expect(size(minus(go(a), go(b)))).toBeCloseTo(size(minus(a, b)), 6)
          // what lies on the axis stays, and the turn is the angle: by the cross product of the arms
          const off = (v: Vec3) => minus(minus(v, p), times(m.axis.way, dot(minus(v, p), m.axis.way)))
          const [u, w] = [off(a), off(go(a))]
          if (size(u) > 1) {
            const sine = dot(cross(u, w), m.axis.way) / size(u) ** 2
            expect(sine).toBeCloseTo(Math.sin((deg * Math.PI) / 180), 6)
          }
        },
      ),
      { numRuns: 200, seed: 3 },
    )
  })
  test('what must be done first is done first', () => {
    const mast: Mover = { ...lid, id: 'mast', axis: { at: at(0, 0, 0), way: at(0, -1, 0) }, to: 90, moves: ['mast'] }
    const fold: Mover = {
      ...lid,
      id: 'fold',
      kind: 'slide',
      axis: { at: at(0, 0, 0), way: at(1, 0, 0) },
      to: 100,
      moves: ['mast'],
      after: 'mast',
    }
    // a mast upright, laid back about the origin, then carried 100 forward
    const upright = box('mast', at(0, 0, 500), at(20, 20, 1000))
    const [done] = afterMove([upright], [mast, fold], fold, 100)
    const xs = done!.hulls.flat().map((p) => p.x)
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(-1000 + 100, 6), expect.closeTo(100, 6)])
  })
})
