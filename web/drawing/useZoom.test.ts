import fc from 'fast-check'
import { expect, test } from 'vitest'
import { centredOn, whole, zoomedAt } from './useZoom'

const size = { width: 800, height: 500 }
const place = (z: typeof whole, p: { x: number; y: number }) => ({ x: p.x * z.by + z.shift.x, y: p.y * z.by + z.shift.y })

test('what is under the pointer stays under it while one goes nearer; all the way back the whole sheet is as it was', () => {
  const n = (max: number) => fc.double({ min: 0, max, noNaN: true })
  fc.assert(
    fc.property(n(800), n(500), fc.double({ min: 1, max: 6, noNaN: true }), (x, y, factor) => {
      const once = zoomedAt(whole, { x, y }, factor, size)
      const under = place(once, { x, y })
      expect(under.x).toBeCloseTo(x, 6)
      expect(under.y).toBeCloseTo(y, 6)
      const back = zoomedAt(once, { x: 0, y: 0 }, 1 / 100, size)
      expect([back.by, Math.abs(back.shift.x), Math.abs(back.shift.y)]).toEqual([1, 0, 0])
    }),
  )
})
test('a place that is looked at stands in the middle; at the edge the frame does not look past the sheet', () => {
  expect(place(centredOn({ x: 400, y: 250 }, size), { x: 400, y: 250 })).toEqual({ x: 400, y: 250 })
  const corner = centredOn({ x: 0, y: 500 }, size)
  expect(place(corner, { x: 0, y: 500 })).toEqual({ x: 0, y: 500 })
})
