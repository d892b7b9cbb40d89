import fc from 'fast-check'
import { expect, test } from 'vitest'
import { apart, cross, plus, unit, type Vec3 } from '../geometry/vec3'
import { buildFrame } from '../structure/frame'
import type { FrameNode, Six } from '../structure/frameMember'
import { drawnAt, type MemberShape, movedAt } from './memberShape'

const shapeOf = (atMm: number[], ...six: number[][]): MemberShape => ({
  atMm,
  from: atMm.map((_, i) => 6 * i),
  moved: Float64Array.from(six.flat()),
})
const three = fc.record({
  x: fc.double({ min: -2, max: 2, noNaN: true }),
  y: fc.double({ min: -2, max: 2, noNaN: true }),
  z: fc.double({ min: -2, max: 2, noNaN: true }),
})

test('a bar that only goes and turns as a whole goes everywhere as far as that says: u + θ × r', () => {
  fc.assert(
    fc.property(three, three, three, fc.double({ min: 0, max: 1, noNaN: true }), (to, by, turn, share) => {
      const end = plus({ x: 900, y: 200, z: -100 }, to)
      const line: Vec3[] = [{ x: 0, y: 0, z: 0 }, end]
      const long = apart(line[0]!, end)
      const at = (s: number): Vec3 => plus(by, cross(turn, { x: end.x * s, y: end.y * s, z: end.z * s }))
      const six = (u: Vec3) => [u.x, u.y, u.z, turn.x, turn.y, turn.z]
      const found = movedAt(shapeOf([0, long], six(at(0)), six(at(1))), line, share * long)
      expect(apart(found, at(share))).toBeLessThan(1e-6)
    }),
  )
})
test('a cantilever of one piece under F at its end is at F·s²·(3L − s)/6EI anywhere, whichever way it points (Gere & Goodno, table G-1)', () => {
  const [held, free] = [[true, true, true, true, true, true] as Six<boolean>, [false, false, false, false, false, false] as Six<boolean>]
  const end = { x: 600, y: 0, z: 450 }
  const nodes: FrameNode[] = [
    { id: 'a', x: 0, y: 0, z: 0, fixed: held },
    { id: 'b', ...end, fixed: free },
  ]
  const section = { A: 400, Iy: 60_000, Iz: 60_000, J: 110_000 }
  const frame = buildFrame(nodes, [{ id: 'm', from: 'a', to: 'b', section, material: { E: 210_000, G: 81_000 }, roll: 0 }])
  const across = unit({ x: -450, y: 0, z: 600 })
  const solved = frame.solve({ nodes: [{ node: 'b', force: [90 * across.x, 0, 90 * across.z], moment: [0, 0, 0] }], members: [] })
  const shape: MemberShape = { atMm: [0, 750], from: [0, 6], moved: solved.state.moved() }
  for (const s of [0, 100, 375, 600, 750]) {
    const u = movedAt(shape, [{ x: 0, y: 0, z: 0 }, end], s)
    expect(u.x * across.x + u.z * across.z).toBeCloseTo((90 * s ** 2 * (3 * 750 - s)) / (6 * 210_000 * 60_000), 9)
  }
})
test('beyond its ends it goes as they do; it is drawn at its own places and at none farther apart than 150', () => {
  const shape = shapeOf([0, 400, 500], [1, 0, 0, 0, 0, 0], [2, 0, 0, 0, 0, 0], [3, 0, 0, 0, 0, 0])
  const line = [
    { x: 0, y: 0, z: 0 },
    { x: 0, y: 500, z: 0 },
  ]
  expect([movedAt(shape, line, -20).x, movedAt(shape, line, 520).x]).toEqual([1, 3])
  expect(drawnAt(shape).map(Math.round)).toEqual([0, 133, 267, 400, 500])
})
