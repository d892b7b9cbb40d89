import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Plate } from '../assembly/assembly'
import { plateFacingMm2 } from '../assembly/facing'
import { boxOf, plateCentre, plateCorners } from '../assembly/places'
import { flatPartSheet } from '../drawing/flatPart'
import { areaMm2 } from '../geometry/polygon'
import { segmentsApart } from '../geometry/segments'
import { extrude } from '../solid/extrude'
import { volumeMm3 } from '../solid/mesh'
import { flatPattern } from './flatPattern'
import { type Flange, foldedPan, type PanEdge, type PanGiven, panFaults, placedFaces } from './folded'

const sheet = { thicknessMm: 2, insideRadiusMm: 3, kFactor: 0.42 }
const tool = { leastFlangeT: 5, leastRadiusT: 1 }
const pan = (over: Partial<PanGiven>): PanGiven => ({ ...sheet, lengthMm: 400, widthMm: 300, flanges: {}, ...over })
const flatPose = { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } }
const plateOf = (given: PanGiven, pose = flatPose): Plate => {
  const { outline, holes, bends, faces } = foldedPan(given)
  const { thicknessMm } = given
  return {
    id: 'p',
    mark: 'P',
    name: 'Pan',
    materialId: 'steel',
    thicknessMm,
    outline,
    holes,
    bends,
    faces: placedFaces(faces, pose),
    pose,
    goodFace: 'down',
    air: 'board',
  }
}

describe('holes in a flange', () => {
  test('on any edge a hole is as far from the tip of its blank as it is from the end of its folded leg, and as far along', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<PanEdge>('y-', 'x+', 'y+', 'x-'),
        fc.integer({ min: 40, max: 120 }),
        fc.integer({ min: 15, max: 30 }),
        fc.integer({ min: 60, max: 120 }),
        (edge, lengthMm, outMm, angleDeg) => {
          const given = pan({ flanges: { [edge]: { lengthMm, angleDeg, holes: [{ alongMm: 70, outMm, diameterMm: 8 }] } } })
          const { outline, holes } = foldedPan(given)
          const axis = edge[0] as 'x' | 'y'
          const sign = edge[1] === '+' ? 1 : -1
          const tip = Math.max(...outline.map((p) => sign * p[axis]))
          expect(tip - sign * holes[0]!.at[axis]).toBeCloseTo(lengthMm - outMm, 6)
          const across = axis === 'x' ? 'y' : 'x'
          const sides = outline.map((p) => p[across])
          expect(Math.min(holes[0]!.at[across] - Math.min(...sides), Math.max(...sides) - holes[0]!.at[across])).toBeCloseTo(70, 6)
        },
      ),
    )
  })
  test('a hole in the bend would be drawn oval, one past the end is none: both are refused by how far', () => {
    const holed = (outMm: number) =>
      panFaults(pan({ flanges: { 'y+': { lengthMm: 40, holes: [{ alongMm: 50, outMm, diameterMm: 8 }] } } }), tool)
    // set-back of a right angle: inside radius 3 and thickness 2, and half a hole more
    expect(holed(8).join()).toMatch(/drawn oval by it: \{9\} or more/)
    expect(holed(38).join()).toMatch(/\{38\} out stands past the end of its flange of \{40\}/)
    expect(holed(9)).toEqual([])
  })
})

describe('a folded pan', () => {
  test('a channel of 400 with flanges of 60 and 40: its blank is that of the strip, 500 − 2·3.968 = 492.06, and so are its fold lines', () => {
    const { outline, bends } = foldedPan(pan({ flanges: { 'x-': { lengthMm: 60 }, 'x+': { lengthMm: 40 } } }))
    const xs = outline.map((p) => p.x)
    const wide = Math.max(...xs) - Math.min(...xs)
    expect(wide).toBeCloseTo(492.064, 2)
    const strip = flatPattern({
      thickness: 2,
      insideRadius: 3,
      kFactor: 0.42,
      flanges: [60, 400, 40],
      bends: [{ angle: 90 }, { angle: 90 }],
    })
    expect(wide).toBeCloseTo(strip.flatLength, 9)
    const lines = bends.map((b) => b.line[0].x - Math.min(...xs)).sort((a, b) => a - b)
    lines.forEach((x, i) => {
      expect(x).toBeCloseTo(strip.bendLines[i]!, 9)
    })
    expect(outline).toHaveLength(4)
  })
  test('a tray of 400 × 300 × 50: folded it fills exactly that box, its corners are notched to where the bends meet', () => {
    const p = plateOf(pan({ flanges: { 'x+': { lengthMm: 50 }, 'x-': { lengthMm: 50 }, 'y+': { lengthMm: 50 }, 'y-': { lengthMm: 50 } } }))
    const { size, centre } = boxOf(plateCorners(p))
    expect([size.x, size.y, size.z].map((v) => Math.round(v * 10) / 10)).toEqual([400, 300, 50])
    expect([centre.x, centre.y]).toEqual([200, 150].map((v) => expect.closeTo(v, 6)))
    // tangents 5 from each edge: an inner corner of the blank stands at 5, 5
    expect(p.outline.some((q) => Math.hypot(q.x - 5, q.y - 5) < 1e-6)).toBe(true)
    // seen from above it is its base; from ahead one side, not both
    expect(plateFacingMm2(p, { x: 0, y: 0, z: 1 })).toBeGreaterThan(390 * 290)
    expect(plateFacingMm2(p, { x: 0, y: 0, z: 1 })).toBeLessThan(400 * 300)
    expect(plateFacingMm2(p, { x: 1, y: 0, z: 0 })).toBeGreaterThan(300 * 45)
    expect(plateFacingMm2(p, { x: 1, y: 0, z: 0 })).toBeLessThan(300 * 50 + 1)
    // the sides lift its middle off the floor: four of (45 high) over base and sides
    expect(plateCentre(p).z).toBeGreaterThan(8)
    expect(plateCentre(p).z).toBeLessThan(14)
  })
  test('lips fold in at the top and stand clear of one another; they are folded first', () => {
    const lip = { lengthMm: 50, lip: { lengthMm: 20 } }
    const p = plateOf(pan({ flanges: { 'x+': lip, 'x-': lip, 'y+': lip, 'y-': lip } }))
    expect(boxOf(plateCorners(p)).size.z).toBeCloseTo(50, 6)
    expect(p.bends).toHaveLength(8)
    const far = (b: Plate['bends'][number]) => Math.max(Math.abs(b.line[0].x - 200) / 200, Math.abs(b.line[0].y - 150) / 150)
    expect(Math.min(...p.bends.slice(0, 4).map(far))).toBeGreaterThan(1.1)
    const lips = (p.faces ?? []).filter((f) => Math.abs(f.pose.origin.z - 50) < 0.01 && Math.abs(f.pose.up.z) < 0.01)
    const boxes = lips.map((f) =>
      boxOf(
        f.outline.map((q) => ({
          x: f.pose.origin.x + f.pose.along.x * q.x + f.pose.up.x * q.y,
          y: f.pose.origin.y + f.pose.along.y * q.x + f.pose.up.y * q.y,
          z: 0,
        })),
      ),
    )
    expect(boxes).toHaveLength(4)
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) {
        const clear = Math.max(
          Math.abs(a.centre.x - b.centre.x) - (a.size.x + b.size.x) / 2,
          Math.abs(a.centre.y - b.centre.y) - (a.size.y + b.size.y) / 2,
        )
        expect(clear).toBeGreaterThan(0.5)
      }
  })
  test('put anywhere it stands there: turned on its end the base looks along the vehicle', () => {
    const pose = { origin: { x: 100, y: 20, z: 500 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } }
    const p = plateOf(pan({ flanges: { 'y-': { lengthMm: 30 } } }), pose)
    const { size, centre } = boxOf(plateCorners(p))
    expect([size.x, size.y, size.z].map(Math.round)).toEqual([30, 400, 300])
    expect([centre.x, centre.y, centre.z]).toEqual([115, 220, 650].map((v) => expect.closeTo(v, 1)))
  })
  test('whatever is folded: the blank does not cross itself, its area is that of its straight and bent strips, and the solid weighs as much', () => {
    const flange = fc.option(
      fc.record({ lengthMm: fc.integer({ min: 25, max: 120 }), angleDeg: fc.constantFrom(45, 90, 90, 120), withLip: fc.boolean() }),
      { nil: undefined },
    )
    const any = fc.record({ 'x+': flange, 'x-': flange, 'y+': flange, 'y-': flange })
    fc.assert(
      fc.property(any, fc.constantFrom(1, 1.5, 2, 3), (drawn, thicknessMm) => {
        const flanges = Object.fromEntries(
          Object.entries(drawn).flatMap(([edge, f]) => {
            const made: Flange | null = f
              ? { lengthMm: f.lengthMm, angleDeg: f.angleDeg, ...(f.withLip ? { lip: { lengthMm: 22 } } : {}) }
              : null
            return made ? [[edge as PanEdge, made]] : []
          }),
        )
        const given = pan({ thicknessMm, insideRadiusMm: 1.5 * thicknessMm, flanges })
        fc.pre(panFaults(given, tool).length === 0)
        const p = plateOf(given)
        const edges = p.outline.map((a, i) => ({ from: { ...a, z: 0 }, to: { ...p.outline[(i + 1) % p.outline.length]!, z: 0 } }))
        edges.forEach((e, i) => {
          edges.forEach((f, k) => {
            const beside = Math.abs(i - k) === 1 || Math.abs(i - k) === edges.length - 1
            if (k > i && !beside) expect(segmentsApart(e, f)).toBeGreaterThan(1e-6)
          })
        })
        // straight faces as they stand, and a bent zone (r + K·t)·A wide along each fold
        const straight = (p.faces ?? []).filter(
          (f) => Math.min(...sidesOf(f.outline)) > 2.5 * thicknessMm || sidesOf(f.outline).length !== 4,
        )
        const bent = p.bends.reduce(
          (s, b) =>
            s +
            Math.hypot(b.line[0].x - b.line[1].x, b.line[0].y - b.line[1].y) *
              (b.insideRadiusMm + 0.42 * thicknessMm) *
              ((b.angleDeg * Math.PI) / 180),
          0,
        )
        expect(areaMm2(p.outline)).toBeCloseTo(straight.reduce((s, f) => s + areaMm2(f.outline), 0) + bent, 3)
        const solid = volumeMm3(extrude(p)) / thicknessMm
        expect(solid / areaMm2(p.outline)).toBeGreaterThan(0.99)
        expect(solid / areaMm2(p.outline)).toBeLessThan(1.05)
      }),
      { numRuns: 60, seed: 5 },
    )
  })
  test('what cannot be folded is said, with what would do', () => {
    const says = (over: Partial<PanGiven>) => panFaults(pan(over), tool).join('; ')
    expect(says({ flanges: { 'x+': { lengthMm: 50 } } })).toBe('')
    expect(says({ flanges: { 'x+': { lengthMm: 8 } } })).toMatch(/flange of \{8\} is too short to fold: \{10\} or more/)
    expect(says({ flanges: { 'x+': { lengthMm: 50, lip: { lengthMm: 6 } } } })).toMatch(/lip of \{6\} is too short/)
    expect(
      says({ widthMm: 60, flanges: { 'y+': { lengthMm: 50, lip: { lengthMm: 30 } }, 'y-': { lengthMm: 50, lip: { lengthMm: 30 } } } }),
    ).toMatch(/two lips meet/)
    expect(says({ insideRadiusMm: 1, flanges: { 'x+': { lengthMm: 50 } } })).toMatch(/may crack: \{g 2\} or more/)
    expect(says({ lengthMm: 3, flanges: { 'x+': { lengthMm: 50 }, 'x-': { lengthMm: 50 }, 'y+': { lengthMm: 50 } } })).toMatch(
      /nothing is left/,
    )
  })
  test('on its sheet each fold has its number, way and angle, and every line its distance from two edges', () => {
    const drawn = flatPartSheet(
      plateOf(pan({ flanges: { 'x+': { lengthMm: 50 }, 'y+': { lengthMm: 40 } }, holes: [{ at: { x: 60, y: 70 }, diameterMm: 9 }] })),
    )
    const texts = drawn.entities.flatMap((e) => (e.kind === 'text' ? [e.text] : []))
    expect(texts).toEqual(['1 ↑ 90°', '2 ↑ 90°'])
    const from = (axis: 'x' | 'y') =>
      drawn.entities.flatMap((e) => (e.kind === 'dimension' && e.axis === axis ? [Math.round(e.lengthMm)] : []))
    // 400 − 5 + 3.0 = 398 to the fold, 446 to the end; 300 − 5 + 3 = 298, 336
    expect([from('x'), from('y')]).toEqual([
      [60, 398, 446],
      [70, 298, 336],
    ])
  })
})

const sidesOf = (outline: { x: number; y: number }[]) =>
  outline.map((a, i) => Math.hypot(a.x - outline[(i + 1) % outline.length]!.x, a.y - outline[(i + 1) % outline.length]!.y))
