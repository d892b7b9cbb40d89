import RAPIER from '@dimforge/rapier3d-compat'
import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Joint, Plate } from '../assembly/assembly'
import { turned, uprightTo } from '../geometry/placing'
import { hull } from '../geometry/polygon'
import { cross, unit, type Vec3 } from '../geometry/vec3'
import { defaultRules } from '../rules/rules'
import { apartOf, bolt, high, low, plate, weld, when, Z0 } from '../testing/apart'
import { reachLimits } from './reachLimits'
import { toolRoom } from './toolRoom'

beforeAll(() => RAPIER.init())

describe('what a tool gets to', () => {
  test('nothing about: a socket from above and one from below', () => {
    const found = when(apartOf({ plates: [low, high], joints: [bolt(['low', 'high'])] }))
    expect([found.when, found.tool?.what]).toEqual(['fitted', 'socket'])
  })
  test('a roof over it: a socket and a hand want 110 + 60, a spanner on M8 ends 1.7 · 8 = 13.6 above the metal; the roof is welded on and the thread is below', () => {
    const under = (roomMm: number) => {
      const roof = plate('roof', [-400, 400], [-400, 400], 4 + roomMm, 2)
      return when(apartOf({ plates: [low, high, roof], joints: [bolt(['low', 'high'], { into: 'low' }), weld(['high', 'roof'])] }))
    }
    expect(under(175).tool?.what).toBe('socket')
    expect(under(165).tool?.what).toBe('spanner')
    expect(under(14).tool?.what).toBe('spanner')
    expect(under(13).when).toBe('never')
    expect(under(13).by.map((b) => b.id)).toEqual(['roof'])
  })
  test('a wall beside it: the ring of a spanner on M8 is 2.8 · 8 across, half of that is 11.2', () => {
    const beside = (gapMm: number) => {
      const wall: Plate = {
        ...plate('wall', [-400, 400], [-400, 400], 0, 2),
        pose: { origin: { x: gapMm, y: 0, z: Z0 + 10 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
      }
      return when(apartOf({ plates: [low, high, wall], joints: [bolt(['low', 'high']), weld(['high', 'wall']), weld(['low', 'wall'])] }))
        .when
    }
    expect(beside(11.5)).toBe('fitted')
    expect(beside(10)).toBe('never')
  })
  test('in a box of 600 there is room for every tool, but no arm comes to it while the box is shut', () => {
    const wall = (id: string, origin: Vec3, along: Vec3, up: Vec3): Plate => ({
      ...plate(id, [-300, 300], [-300, 300], 0, 2),
      pose: { origin: { ...origin, z: origin.z + Z0 }, along, up },
    })
    const [X, Y, Z] = [
      { x: 1, y: 0, z: 0 },
      { x: 0, y: 1, z: 0 },
      { x: 0, y: 0, z: 1 },
    ]
    const walls = [-300, 300].flatMap((d) => [
      wall(`x${d}`, { x: d, y: 0, z: 0 }, Y, Z),
      wall(`y${d}`, { x: 0, y: d, z: 0 }, Z, X),
      wall(`z${d}`, { x: 0, y: 0, z: d }, X, Y),
    ])
    const inside = (box: Plate[]) => {
      const joints = [bolt(['low', 'high']), ...box.map((w) => weld([w.id, 'low']))]
      return when(apartOf({ plates: [low, high, ...box], joints })).when
    }
    expect(inside(walls)).toBe('never')
    expect(inside(walls.filter((w) => w.id !== 'z300'))).toBe('fitted')
  })
  test('turned on one side it must be held on the other, unless the thread is there', () => {
    // a tray closes the underside, 5 below the nut
    const tray = plate('tray', [-400, 400], [-400, 400], -11, 2)
    const shut = (over = {}) =>
      when(apartOf({ plates: [low, high, tray], joints: [bolt(['low', 'high'], over), weld(['low', 'tray'])] })).when
    expect(shut()).toBe('never')
    expect(shut({ into: 'low' })).toBe('fitted')
    expect(shut({ into: 'high' })).toBe('never')
  })
})

describe('the same by hand', () => {
  test('M8: a spanner asks 11.2 beside and 13.6 above, a socket 40 beside for the hand and 110 + 60 above', () => {
    expect(toolRoom('M8', { besideMm: 12, aboveMm: 20 }, defaultRules)).toEqual([
      { tool: 'socket', besideMm: 40, aboveMm: 170, fits: false },
      { tool: 'spanner', besideMm: expect.closeTo(11.2, 9), aboveMm: expect.closeTo(13.6, 9), fits: true },
    ])
    expect(toolRoom('M8', { besideMm: 11, aboveMm: 500 }, defaultRules).some((w) => w.fits)).toBe(false)
  })
  test('a tool box turned any way keeps its shape: the turn that brings upright to a way does so, and twists about it', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: -1, max: 1 }), fc.double({ min: -1, max: 1 }), fc.double({ min: -1, max: 1 })),
        fc.double({ min: -6, max: 6 }),
        ([x, y, z], twist) => {
          fc.pre([x, y, z, twist].every(Number.isFinite) && Math.hypot(x, y, z) > 0.01)
          const way = unit({ x, y, z })
          const q = uprightTo(way, twist)
          const up = turned(q, { x: 0, y: 0, z: 1 })
          expect(Math.hypot(up.x - way.x, up.y - way.y, up.z - way.z)).toBeLessThan(1e-6)
          // two ways that were square to one another still are, and it is no mirror
          const [a, b] = [turned(q, { x: 1, y: 0, z: 0 }), turned(q, { x: 0, y: 1, z: 0 })]
          const c = cross(a, b)
          expect(Math.hypot(c.x - up.x, c.y - up.y, c.z - up.z)).toBeLessThan(1e-6)
        },
      ),
    )
    const quarter = turned(uprightTo({ x: 0, y: 0, z: 1 }, Math.PI / 2), { x: 1, y: 0, z: 0 })
    expect(quarter.y).toBeCloseTo(1, 9)
  })
  test('an outline seen straight on keeps its corners though its points are off by a hair', () => {
    const box = [0, 40].flatMap((x) => [0, 20, 80].map((y) => ({ x: x + (y === 20 ? 1e-13 : 0), y })))
    expect(hull(box)).toHaveLength(4)
  })
})

describe('when a tool gets to it', () => {
  const cover = plate('cover', [-400, 400], [-400, 400], 12, 2)
  test('a cover that is not fixed comes off first: it goes on after the bolt is tight', () => {
    const a = apartOf({ plates: [low, high, cover], joints: [bolt(['low', 'high'])] })
    expect(when(a).when).toBe('off')
    expect(when(a).by.map((b) => b.id)).toEqual(['cover'])
    expect(reachLimits(a, defaultRules)).toEqual([])
  })
  test('a lid is opened for it', () => {
    const lid = {
      id: 'lid',
      name: 'Lid',
      kind: 'turn' as const,
      moves: ['cover'],
      axis: { at: { x: 400, y: 0, z: Z0 + 12 }, way: { x: 0, y: 1, z: 0 } },
      from: 0,
      to: 100,
      heldBy: 'a latch',
    }
    const found = when(apartOf({ plates: [low, high, cover], joints: [bolt(['low', 'high'])], motions: [lid] }))
    expect([found.when, found.by.map((b) => b.name)]).toEqual(['opened', ['Lid']])
  })
  test('what is shut in by a cover and by a shelf that stays on the vehicle is reached on the bench only, and there before the cover', () => {
    // the shelf was there already, and hangs a hand's breadth below
    const shelf = {
      ...{ id: 'shelf', mark: 'SH', name: 'Shelf', massKg: 5, unknown: [], priceMinor: 0, there: true },
      at: { x: 0, y: 0, z: Z0 - 17 },
      middle: { x: 0, y: 0, z: Z0 - 17 },
      size: { x: 900, y: 900, z: 10 },
    }
    const found = when(apartOf({ plates: [low, high, cover], fittings: [shelf], joints: [bolt(['low', 'high'])] }))
    expect([found.when, found.by.map((b) => b.id)]).toEqual(['bench', ['cover']])
    // without the shelf it is enough that the cover is off
    expect(when(apartOf({ plates: [low, high, cover], joints: [bolt(['low', 'high'])] })).when).toBe('off')
  })
  test('a head that a joint names is tried where it is, whichever way it looks', () => {
    const heads = (z: 1 | -1) => [{ on: 'high', at: { x: 0, y: 0, z: Z0 + (z > 0 ? 4 : -4) }, out: { x: 0, y: 0, z } }]
    const roof = plate('roof', [-400, 400], [-400, 400], 12, 2)
    const of = (z: 1 | -1) =>
      when(apartOf({ plates: [low, high, roof], joints: [bolt(['low', 'high'], { heads: heads(z) }), weld(['high', 'roof'])] })).when
    expect([of(1), of(-1)]).toEqual(['never', 'fitted'])
  })
  test('one that is never reached and one that nobody can place are two limits, though they are called the same', () => {
    const b = { name: '2 bolts of shelf A1 to rail B1', pieceId: 'p1', count: 2, at: null, by: [], tool: null }
    const limits = reachLimits(
      {
        trapped: [],
        welds: [],
        bolts: [
          { ...b, id: 'x', when: 'unknown' },
          { ...b, id: 'y', name: '2 bolts of shelf A2 to rail B2', when: 'never' },
        ],
      },
      defaultRules,
    )
    expect(limits.map((l) => l.state).sort()).toEqual(['over', 'unknown'])
  })
  test('two things that shut each other in are named, and are taken for undone only to look for traps besides', () => {
    // each cover lies over the bolt of the other
    const left = plate('left', [-60, 160], [-60, 60], 12, 2)
    const other: Joint = { ...bolt(['left', 'high']), at: { x: 120, y: 0, z: Z0 + 13 } }
    const lid = plate('lid', [60, 400], [-400, 400], 22, 2)
    const wide = { ...high, outline: plate('x', [-60, 200], [-60, 60], 0, 4).outline }
    const a = apartOf({
      plates: [low, wide, left, lid],
      joints: [bolt(['low', 'high']), other, weld(['lid', 'low'])],
    })
    expect(a.bolts.map((b) => b.when).sort()).toEqual(['never', 'never'])
    expect(a.trapped.length).toBeLessThan(3)
    expect(reachLimits(a, defaultRules).map((l) => l.state)).toEqual(['over'])
  })
  test('a joint whose bolts are nowhere in its parts is not assessed, never passed', () => {
    const a = apartOf({ plates: [low, high], joints: [{ ...bolt(['low', 'high']), at: { x: 900, y: 0, z: Z0 } }] })
    expect(when(a).when).toBe('unknown')
    const [l] = reachLimits(a, defaultRules)
    expect([l!.state, l!.allowed.missing.join()]).toEqual(['unknown', expect.stringMatching(/where its bolts stand is not known/)])
  })
})
