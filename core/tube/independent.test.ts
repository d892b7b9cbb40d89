import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cross, dot, minus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { hangsMm } from '../workshop/bendSheet'
import { bendTube, compoundBend } from './bend'
import { copeRound } from './cope'
import { templateOf } from './template'

const p = (x: number, y: number, z: number): Vec3 => ({ x, y, z })
const turn = (v: Vec3, k: Vec3, deg: number): Vec3 => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  const kv = cross(k, v)
  const d = dot(k, v) * (1 - c)
  return p(v.x * c + kv.x * s + k.x * d, v.y * c + kv.y * s + k.y * d, v.z * c + kv.z * s + k.z * d)
}

describe('a second way to the same numbers', () => {
  /** Feels its way along one fibre of the cut tube until it is inside the main one: no formula of the saddle in it. */
  const felt = (od: number, R: number, angleDeg: number, offset: number, phiDeg: number): number => {
    const a = (angleDeg * Math.PI) / 180
    const [phi, r] = [(phiDeg * Math.PI) / 180, od / 2]
    // the tube runs up z to the joint; its zero line looks along x, where the main tube's line leans; that line is set off along y
    const d = p(Math.sin(a), 0, Math.cos(a))
    const at = (z: number) => p(r * Math.cos(phi), r * Math.sin(phi), z)
    const inside = (z: number) => size(cross(minus(at(z), p(0, offset, 0)), d)) < R
    let z = -20 * R
    while (!inside(z) && z < 20 * R) z += 0.05
    let [low, high] = [z - 0.05, z]
    for (let i = 0; i < 40; i++) {
      const mid = (low + high) / 2
      if (inside(mid)) high = mid
      else low = mid
    }
    return -high
  }
  test.each([
    [38.1, 48.3, 90, 0],
    [38.1, 48.3, 60, 0],
    [25, 42.4, 45, 5],
    [32, 42.4, 120, -4],
    [40, 40, 75, 0],
  ])(
    'a tube of %s on one of %s at %s°, set off by %s: felt along every tenth fibre, the template is within 0.05 mm',
    (od, main, angle, offset) => {
      const cope = copeRound(od, 2, { main: { kind: 'round', radiusMm: main / 2 }, angleDeg: angle, offsetMm: offset })
      const backs = cope.points.filter((_, i) => i % 2 === 0).map((q) => ({ q, back: felt(od, main / 2, angle, offset, q.rotationDeg) }))
      for (const { q, back } of backs) {
        // of a tube of the main one's own size the outermost fibre only grazes it
        if (od === main && Math.abs(Math.abs(Math.sin((q.rotationDeg * Math.PI) / 180)) - 1) < 0.05) continue
        expect(Math.abs(cope.setbackMm + q.alongMm - back)).toBeLessThan(0.05)
      }
    },
    30_000,
  )
  test('a saddle is the same turned end for end: the angle’s supplement with its zero line half a turn on', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 85 }), fc.integer({ min: 10, max: 30 }), fc.integer({ min: 0, max: 20 }), (angle, r, more) => {
        const of = (angleDeg: number) => copeRound(2 * r, 1, { main: { kind: 'round', radiusMm: r + more }, angleDeg, offsetMm: 0 })
        const [one, other] = [of(angle), of(180 - angle)]
        one.points.forEach((q, i) => {
          expect(other.points[(i + 36) % 72]!.alongMm).toBeCloseTo(q.alongMm, 5)
        })
      }),
    )
  })
  test('a mitre unrolled is what a leaning plane cuts of a cylinder, fibre by fibre', () => {
    const t = templateOf({ kind: 'mitre', angleDeg: 35 }, 'round-42x3-steel')!
    const normal = unit(p(Math.sin((35 * Math.PI) / 180), 0, Math.cos((35 * Math.PI) / 180)))
    for (const [i, q] of t.cut.entries()) {
      const phi = (2 * Math.PI * i) / 72
      // z where the fibre meets the plane through the longest point
      const at = p(21.2 * Math.cos(phi), 21.2 * Math.sin(phi), 0)
      const low = p(21.2, 0, 0)
      const z = -dot(minus(at, low), normal) / normal.z
      expect(q.y).toBeCloseTo(z, 6)
    }
  })
})

describe('bends by walking them', () => {
  test('two leans at once are one bend: turned by it in its plane, the leg ends where two turns one after the other take it', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 70, noNaN: true }), fc.double({ min: 1, max: 70, noNaN: true }), (a, b) => {
        const { angleDeg, planeDeg } = compoundBend(a, b)
        // along x; up is z; to the side is y
        const leaned = turn(p(1, 0, 0), p(0, -1, 0), a)
        const level = unit(p(leaned.x, 0, leaned.z))
        const both = p(level.x * Math.cos((b * Math.PI) / 180), Math.sin((b * Math.PI) / 180), level.z * Math.cos((b * Math.PI) / 180))
        const plane = turn(p(0, -1, 0), p(-1, 0, 0), planeDeg)
        const one = turn(p(1, 0, 0), plane, angleDeg)
        expect(size(minus(one, both))).toBeLessThan(1e-6)
      }),
    )
  })
  test('a tube in one plane is as long whatever way the plane lies, and its marks do not move', () => {
    const flat = [p(0, 0, 0), p(400, 0, 0), p(400, 700, 0), p(900, 700, 0)]
    const plain = bendTube(flat, [90, 90])
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: -180, max: 180, noNaN: true }), (a, b) => {
        const laid = flat.map((q) => turn(turn(q, p(0, 0, 1), a), unit(p(1, 2, 0.5)), b))
        const other = bendTube(laid, [90, 90])
        expect(other.cutLengthMm).toBeCloseTo(plain.cutLengthMm, 6)
        other.bends.forEach((bend, i) => {
          expect(bend.startMm).toBeCloseTo(plain.bends[i]!.startMm, 6)
          expect(Math.abs(bend.rotationDeg)).toBeCloseTo(Math.abs(plain.bends[i]!.rotationDeg), 4)
        })
      }),
    )
  })
  test('what hangs under the tool is what stands out of the plane of the bend that is made, on its lower side', () => {
    fc.assert(
      fc.property(fc.integer({ min: -90, max: 90 }), fc.integer({ min: 200, max: 1200 }), (rotation, leg) => {
        // a leg bent up first, then a bend whose plane is turned from the first's by a rotation
        const first = turn(p(0, 0, leg), p(1, 0, 0), rotation)
        const path = [first, p(0, 0, 0), p(900, 0, 0), p(900, 400, 0)]
        // the second bend turns about z: above or below that axis is what hangs
        const axis = unit(cross(p(1, 0, 0), p(0, 1, 0)))
        expect(hangsMm(path)).toBeCloseTo(Math.max(0, -dot(first, axis)), 6)
      }),
    )
  })
  test('a bend sharper than its legs allow is refused at any scale, and one that fits is not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50 }), (k) => {
        const path = [p(0, 0, 0), p(100 * k, 0, 0), p(100 * k, 100 * k, 0)]
        expect(() => bendTube(path, [100 * k + 1])).toThrow(/smaller radius/)
        for (const left of bendTube(path, [100 * k]).straightsMm) expect(left).toBeCloseTo(0, 9)
        expect(size(times(p(1, 0, 0), bendTube(path, [50 * k]).cutLengthMm))).toBeLessThan(200 * k)
      }),
    )
  })
})
