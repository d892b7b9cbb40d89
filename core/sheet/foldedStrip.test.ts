import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { boxOf, faceCorners, onPlate, plateNormal } from '../assembly/places'
import { areaMm2 } from '../geometry/polygon'
import { flatPattern } from './flatPattern'
import { allowanceMm, cutBetween, foldedStrip } from './foldedStrip'

const sheet = { thicknessMm: 3, insideRadiusMm: 3, kFactor: 0.42 }
const strip = (lengthMm: number, widthMm = 50) => [
  { x: 0, y: 0 },
  { x: lengthMm, y: 0 },
  { x: lengthMm, y: widthMm },
  { x: 0, y: widthMm },
]
const sizeOf = (faces: ReturnType<typeof foldedStrip>['faces']) => boxOf(faces.flatMap((f) => faceCorners(f, sheet.thicknessMm)))

describe('a strip folded along parallel lines', () => {
  test('an angle of 40 and 60 outside, laid out by the flat pattern, folds back to 40 and 60', () => {
    const flat = flatPattern({ thickness: 3, insideRadius: 3, kFactor: 0.42, flanges: [40, 60], bends: [{ angle: 90 }] })
    const fold = { atMm: flat.bendLines[0]!, angleDeg: 90, side: 'up' as const }
    const { faces, bends } = foldedStrip({ ...sheet, outline: strip(flat.flatLength), holes: [], folds: [fold] })
    const { size } = sizeOf(faces)
    expect([size.x, size.y, size.z]).toEqual([40, 50, 60].map((v) => expect.closeTo(v, 6)))
    expect(bends[0]!.line).toEqual([
      { x: flat.bendLines[0], y: 0 },
      { x: flat.bendLines[0], y: 50 },
    ])
  })
  test('folded the other way the same strip is an angle of outside 40 and 60 below its plane', () => {
    const flat = flatPattern({ thickness: 3, insideRadius: 3, kFactor: 0.42, flanges: [40, 60], bends: [{ angle: 90 }] })
    const fold = { atMm: flat.bendLines[0]!, angleDeg: 90, side: 'down' as const }
    const { size, centre } = sizeOf(foldedStrip({ ...sheet, outline: strip(flat.flatLength), holes: [], folds: [fold] }).faces)
    expect([size.x, size.z]).toEqual([40, 60].map((v) => expect.closeTo(v, 6)))
    expect(centre.z).toBeLessThan(0)
  })
  test('two equal folds, one each way, leave the last face parallel to the first', () =>
    fc.assert(
      fc.property(fc.double({ min: 5, max: 90, noNaN: true }), fc.double({ min: 20, max: 80, noNaN: true }), (angleDeg, web) => {
        const long = allowanceMm(angleDeg, sheet)
        const folds = [
          { atMm: 30, angleDeg, side: 'down' as const },
          { atMm: 30 + long + web, angleDeg, side: 'up' as const },
        ]
        const { faces } = foldedStrip({ ...sheet, outline: strip(200), holes: [], folds })
        const last = faces.at(-1)!
        expect(plateNormal(last)).toEqual({ x: expect.closeTo(0, 9), y: expect.closeTo(0, 9), z: expect.closeTo(1, 9) })
        // down by the inner arc, the web, and the outer arc
        const a = (angleDeg * Math.PI) / 180
        expect(onPlate(last, { x: 0, y: 0 }).z).toBeCloseTo(-(3 * (1 - Math.cos(a)) + web * Math.sin(a) + 6 * (1 - Math.cos(a))), 6)
      }),
    ))
  test('a hole goes with the face it is in, as far from the fold as it was cut', () => {
    const fold = { atMm: 50, angleDeg: 90, side: 'up' as const }
    const hole = { at: { x: 80, y: 20 }, diameterMm: 9 }
    const { faces } = foldedStrip({ ...sheet, outline: strip(120), holes: [hole], folds: [fold] })
    const face = faces.find((f) => f.holes)!
    expect(face.holes![0]!.at.x).toBeCloseTo(80 - 50 - allowanceMm(90, sheet) / 2, 9)
    expect(faces.filter((f) => f.holes)).toHaveLength(1)
  })
  test('faces and bent zones share the blank between them: nothing is lost and nothing counted twice', () => {
    const l = [
      { x: 0, y: 0 },
      { x: 160, y: 10 },
      { x: 160, y: 70 },
      { x: 60, y: 70 },
      { x: 60, y: 40 },
      { x: 0, y: 40 },
    ]
    const cuts = [0, 20, 55, 75, 110, 160]
    const parts = cuts.slice(1).map((to, i) => areaMm2(cutBetween(l, cuts[i]!, to)))
    expect(parts.reduce((s, a) => s + a, 0)).toBeCloseTo(areaMm2(l), 6)
    expect(parts.every((a) => a > 0)).toBe(true)
  })
})
