import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Member } from '../assembly/assembly'
import { developedLengthMm } from '../geometry/centreLine'
import { along, cross, dot, minus, size, unit, type Vec3 } from '../geometry/vec3'
import { Impossible } from '../issue/impossible'
import { sweep } from '../solid/sweep'
import { bendTube, compoundBend, perDegreeMm } from './bend'
import { copeRound, fibreEndMm } from './cope'
import { copedTo, endCuts, turnBetweenCopes } from './endCuts'
import { tubePart, tubeWork } from './tubeParts'

const p = (x: number, y: number, z: number): Vec3 => ({ x, y, z })

describe('bends', () => {
  test('a hoop 1180 wide and 420 high over a die of 114: set-back 114, arc 179.07, gain 48.93 a bend, 1922.14 to cut', () => {
    const tube = bendTube([p(0, 0, 0), p(0, 0, 420), p(0, 1180, 420), p(0, 1180, 0)], [114, 114])
    // by hand: legs 420 + 1180 + 420 = 2020, less 2 × (228 − 114·π/2)
    expect(tube.cutLengthMm).toBeCloseTo(2020 - 2 * (228 - 57 * Math.PI), 9)
    expect(tube.straightsMm).toEqual([306, 952, 306])
    const [one, two] = tube.bends
    expect(one).toMatchObject({ angleDeg: 90, rotationDeg: 0, startMm: 306 })
    expect(one!.endMm).toBeCloseTo(306 + 57 * Math.PI, 9)
    expect(one!.gainMm).toBeCloseTo(228 - 57 * Math.PI, 9)
    expect(two!.startMm).toBeCloseTo(306 + 57 * Math.PI + 952, 9)
    // the second turns the same way in the same plane
    expect(two!.rotationDeg).toBe(0)
  })
  test('a bend the other way in the same plane is turned by 180°, one out of it by its own quarter turn, signed', () => {
    const z = bendTube([p(0, 0, 0), p(500, 0, 0), p(500, 500, 0), p(1000, 500, 0)], [60, 60])
    expect(z.bends[1]!.rotationDeg).toBeCloseTo(180, 9)
    const up = bendTube([p(0, 0, 0), p(500, 0, 0), p(500, 500, 0), p(500, 500, 500)], [60, 60])
    const down = bendTube([p(0, 0, 0), p(500, 0, 0), p(500, 500, 0), p(500, 500, -500)], [60, 60])
    expect(Math.abs(up.bends[1]!.rotationDeg)).toBeCloseTo(90, 9)
    expect(up.bends[1]!.rotationDeg).toBeCloseTo(-down.bends[1]!.rotationDeg, 9)
  })
  test('walked along its straights and arcs by angle and rotation alone, the tube ends where it was drawn to', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            x: fc.integer({ min: -900, max: 900 }),
            y: fc.integer({ min: -900, max: 900 }),
            z: fc.integer({ min: -900, max: 900 }),
          }),
          {
            minLength: 3,
            maxLength: 6,
          },
        ),
        (points) => {
          let tube: ReturnType<typeof bendTube>
          try {
            tube = bendTube(
              points,
              points.slice(2).map(() => 30),
            )
          } catch (error) {
            expect(error).toBeInstanceOf(Impossible)
            return
          }
          // a bender knows no points: it feeds, turns about the tube and bends about the tool
          let at = points[0]!
          let way = unit(minus(points[1]!, points[0]!))
          let axis = unit(cross(way, unit(minus(points[2]!, points[1]!))))
          const turn = (v: Vec3, k: Vec3, deg: number): Vec3 => {
            const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
            const kv = cross(k, v)
            const d = dot(k, v) * (1 - c)
            return p(v.x * c + kv.x * s + k.x * d, v.y * c + kv.y * s + k.y * d, v.z * c + kv.z * s + k.z * d)
          }
          tube.bends.forEach((b, i) => {
            at = along(at, way, tube.straightsMm[i]!)
            axis = turn(axis, way, b.rotationDeg)
            const inward = cross(axis, way)
            const centre = along(at, inward, b.radiusMm)
            at = along(centre, turn(inward, axis, b.angleDeg), -b.radiusMm)
            way = turn(way, axis, b.angleDeg)
          })
          at = along(at, way, tube.straightsMm[tube.bends.length]!)
          expect(size(minus(at, points[points.length - 1]!))).toBeLessThan(1e-6)
          expect(tube.cutLengthMm).toBeCloseTo(
            developedLengthMm(
              points,
              points.slice(2).map(() => 30),
            ),
            6,
          )
        },
      ),
    )
  })
  test('what cannot be bent says what to change', () => {
    expect(() => bendTube([p(0, 0, 0), p(100, 0, 0), p(200, 0, 0)], [50])).toThrow(/in line/)
    expect(() => bendTube([p(0, 0, 0), p(100, 0, 0), p(0, 0, 0.01)], [50])).toThrow(/doubles back/)
    expect(() => bendTube([p(0, 0, 0), p(100, 0, 0), p(100, 40, 0)], [50])).toThrow(/leg 2 is 40.0 mm.*smaller radius/)
    expect(() => bendTube([p(0, 0, 0), p(100, 0, 0), p(100, 400, 0)], [])).toThrow(/bend 1 has no radius/)
    expect(() => bendTube([p(0, 0, 0), p(0, 0, 0)], [])).toThrow(/one place/)
  })
  test('one bend for two leans: cos A = cos a · cos b; a lean of nothing leaves the other alone', () => {
    expect(compoundBend(30, 40).angleDeg).toBeCloseTo(
      (Math.acos(Math.cos(Math.PI / 6) * Math.cos((40 * Math.PI) / 180)) * 180) / Math.PI,
      9,
    )
    expect(compoundBend(25, 0)).toEqual({ angleDeg: expect.closeTo(25, 9), planeDeg: 0 })
    expect(compoundBend(0, 25)).toEqual({ angleDeg: expect.closeTo(25, 9), planeDeg: expect.closeTo(90, 9) })
  })
  test('a degree at the end of a leg of 1180 is 20.6 mm', () => expect(perDegreeMm(1180)).toBeCloseTo(20.6, 1))
})

describe('copes', () => {
  const round = (od: number) => ({ kind: 'round' as const, radiusMm: od / 2 })
  test('square on, of the same diameter: half the diameter deep, nothing at the sides', () => {
    const cope = copeRound(40, 2, { main: round(40), angleDeg: 90, offsetMm: 0 })
    expect(cope.maxDepthMm).toBeCloseTo(20, 6)
    expect(cope.points[0]!.alongMm).toBeCloseTo(20, 6)
    expect(cope.points[18]!.alongMm).toBeCloseTo(0, 5)
    expect(cope.points[72]!.aroundMm).toBeCloseTo(Math.PI * 40, 9)
  })
  test('onto a flat face at 45° it is a mitre: as deep as the tube is wide, a sine in between', () => {
    const cope = copeRound(40, 2, { main: { kind: 'flat', halfMm: 25 }, angleDeg: 45, offsetMm: 0 })
    expect(cope.maxDepthMm).toBeCloseTo(40, 6)
    for (const q of cope.points) expect(q.alongMm).toBeCloseTo(20 - 20 * Math.cos((q.rotationDeg * Math.PI) / 180), 6)
  })
  test('every fibre of the template ends on the main tube, whatever diameters, angle and offset', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 20, max: 160, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (od, more, angleDeg, share) => {
          const R = od / 2 + more
          const meeting = { main: round(2 * R), angleDeg, offsetMm: share * more }
          const cope = copeRound(od, 2, meeting)
          const a = (angleDeg * Math.PI) / 180
          for (const q of cope.points) {
            const phi = (q.rotationDeg * Math.PI) / 180
            // the cut tube runs to the joint along u, its zero line along n; the main tube's axis d lies in the plane of both, set off along their cross
            const u = p(0, 0, 1)
            const d = p(Math.sin(a), 0, Math.cos(a))
            const n = p(1, 0, 0)
            const w = cross(u, n)
            const back = cope.setbackMm + q.alongMm
            let at = along(along(p(0, 0, 0), n, (od / 2) * Math.cos(phi)), w, (od / 2) * Math.sin(phi))
            at = along(at, u, -back)
            const off = minus(at, along(p(0, 0, 0), w, meeting.offsetMm))
            expect(size(cross(off, d))).toBeCloseTo(R, 4)
          }
          expect(Math.min(...cope.points.map((q) => q.alongMm))).toBeGreaterThanOrEqual(0)
          expect(cope.maxDepthMm).toBeGreaterThanOrEqual(Math.max(...cope.points.map((q) => q.alongMm)) - 1e-6)
        },
      ),
    )
  })
  test('a larger tube, or one set off past the side, has no saddle, and says what to do', () => {
    expect(() => copeRound(50, 2, { main: round(40), angleDeg: 90, offsetMm: 0 })).toThrow(/smaller one onto the larger/)
    expect(() => copeRound(30, 2, { main: round(40), angleDeg: 90, offsetMm: 8 })).toThrow(/by 5.0 mm or less/)
    expect(fibreEndMm({ x: 30, y: 0 }, { main: round(40), angleDeg: 90, offsetMm: 0 })).toBeNull()
  })
  test('of a thick wall at a slant the inside would touch first: it is eased by so much', () => {
    expect(copeRound(40, 4, { main: round(60), angleDeg: 90, offsetMm: 0 }).easeMm).toBeGreaterThan(0)
    expect(copeRound(40, 0, { main: round(60), angleDeg: 90, offsetMm: 0 }).easeMm).toBe(0)
  })
})

describe('members and their ends', () => {
  const tube = (id: string, path: Vec3[], ends: Member['ends'], radii?: number[], profileId = 'round-32x2-steel'): Member => ({
    id,
    mark: id.toUpperCase(),
    name: 'tube',
    profileId,
    path,
    ends,
    ...(radii ? { bendRadiiMm: radii } : {}),
  })
  const square: Member['ends'] = [{ kind: 'square' }, { kind: 'square' }]
  const left = tube('l', [p(0, 500, 0), p(1000, 500, 0)], square, undefined, 'round-42x3-steel')
  const leaning = tube('r', [p(0, -500, 0), p(1000, -500, 300)], square, undefined, 'round-42x3-steel')
  const cross1: Member = tube(
    'c',
    [p(400, 500, 0), p(400, -500, 120)],
    [
      { kind: 'cope', onto: 'l' },
      { kind: 'cope', onto: 'r' },
    ],
  )
  const ended: Member = {
    ...cross1,
    path: [
      copedTo(p(400, -500, 120), p(400, 500, 0), cross1.profileId, left),
      copedTo(p(400, 500, 0), p(400, -500, 120), cross1.profileId, leaning),
    ],
  }
  const assembly = { ...emptyAssembly, members: [left, leaning, ended] }

  test('a cross tube is as long as its longest fibre, and its solid closes on both tubes within 0.2 mm, inside one of them nowhere', () => {
    const mesh = sweep(ended, assembly.members)
    const R = 21.2
    const off = (q: Vec3, m: Member) => size(cross(minus(q, m.path[0]!), unit(minus(m.path[1]!, m.path[0]!))))
    const points = Array.from({ length: mesh.positions.length / 3 }, (_, i) =>
      p(mesh.positions[3 * i]!, mesh.positions[3 * i + 1]!, mesh.positions[3 * i + 2]!),
    )
    for (const m of [left, leaning]) {
      const near = points.filter((q) => off(q, m) < 60)
      expect(near.length).toBeGreaterThan(40)
      for (const q of near) expect(Math.abs(off(q, m) - R)).toBeLessThan(0.2)
    }
    // its longest fibre is what is cut
    const run = unit(minus(ended.path[1]!, ended.path[0]!))
    const along1 = points.map((q) => dot(minus(q, ended.path[0]!), run))
    expect(Math.max(...along1) - Math.min(...along1)).toBeCloseTo(tubePart(ended, assembly).lengthMm, 0)
  })
  test('two main tubes that are not parallel turn the second cope: by the lean between them as seen along the cross tube', () => {
    const turn = turnBetweenCopes(ended, endCuts(ended, assembly))!
    // seen along the cross tube, the two directions differ by about 16.7° of lean
    expect(Math.abs(turn)).toBeGreaterThan(14)
    expect(Math.abs(turn)).toBeLessThan(18)
    const level = {
      ...assembly,
      members: [left, { ...left, id: 'r', path: [p(0, -500, 0), p(1000, -500, 0)] }, { ...ended, path: [p(400, 480, 0), p(400, -480, 0)] }],
    }
    expect(turnBetweenCopes(level.members[2]!, endCuts(level.members[2]!, level))).toBeCloseTo(0, 9)
  })
  test('alike parts stand together, others not; what is gone or cannot be coped says so and is never a plain end', () => {
    const twin = { ...ended, id: 'd', mark: 'D' }
    expect(tubeWork({ ...assembly, members: [left, leaning, ended, twin] }).map((g) => g.marks)).toEqual([['C', 'D']])
    const lost = endCuts(ended, { ...emptyAssembly, members: [ended] })[0]
    expect(lost).toMatchObject({ kind: 'cope', cope: null, lacks: expect.stringMatching(/not there/) })
    const small = { ...left, profileId: 'round-25x2-steel' }
    expect(endCuts(ended, { ...assembly, members: [small, leaning, ended] })[0]).toMatchObject({
      cope: null,
      lacks: expect.stringMatching(/larger than the main/),
    })
  })
  test('a bent tube without a radius has no bends, and says that one is missing', () => {
    const bent = tube('h', [p(0, 0, 0), p(0, 0, 400), p(0, 900, 400)], square)
    expect(tubePart(bent, assembly)).toMatchObject({ bent: null, lacks: expect.stringMatching(/no radius/) })
    expect(tubePart({ ...bent, bendRadiiMm: [100] }, assembly).bent!.bends).toHaveLength(1)
  })
  test('two tubes so near that the saddles between them meet have no length between them, and say so', () => {
    const near = (y: number) => {
      const other = { ...left, id: 'r', path: left.path.map((q) => ({ ...q, y })) }
      const short: Member = {
        ...cross1,
        path: [
          copedTo(p(400, y, 0), p(400, 500, 0), cross1.profileId, left),
          copedTo(p(400, 500, 0), p(400, y, 0), cross1.profileId, other),
        ],
      }
      return tubePart(short, { ...emptyAssembly, members: [left, other, short] })
    }
    expect(near(400).lacks).toBeNull()
    // 40 apart leaves 12 between the longest fibres, and both saddles go 7.3 deep
    expect(near(460).lacks).toMatch(/two saddles meet: they go 15 mm deep and the tube is 12 mm long/)
  })
  test('a path that runs into itself is refused by its legs; one that passes clear of itself is not', () => {
    const loop = (up: number) =>
      tube('h', [p(0, 0, 0), p(1000, 0, 0), p(1000, 600, up / 2), p(500, 600, up), p(500, -300, up)], square, [100, 100, 100])
    expect(tubePart(loop(0), assembly).lacks).toMatch(/runs into itself: legs 1 and 4/)
    expect(tubePart(loop(20), assembly).lacks).toMatch(/runs into itself/)
    expect(tubePart(loop(200), assembly).lacks).toBeNull()
  })
})
