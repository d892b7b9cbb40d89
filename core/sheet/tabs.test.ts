import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { isInside } from '../geometry/contours'
import { edgeOfHole } from '../geometry/hole'
import { areaMm2 } from '../geometry/polygon'
import { leastAllowanceMm, mostTabs, tabbedEdge, tabPlaces, tabSlot } from './tabs'

describe('tabs along an edge', () => {
  test('three of 40 on 400: 280 are left over four gaps of 70, so their middles stand at 90, 200 and 310', () =>
    expect(tabPlaces(400, { count: 3, tabMm: 40, allowanceMm: 0.5 })).toEqual([90, 200, 310].map((v) => expect.closeTo(v, 9))))
  test('as many as leave three quarters of a tab beside each: on 400 five of 40, for 5·40 + 6·30 = 380, and six are none', () => {
    expect(mostTabs(400, 40)).toBe(5)
    expect(tabPlaces(400, { count: 5, tabMm: 40, allowanceMm: 0 })).toHaveLength(5)
    expect(tabPlaces(400, { count: 6, tabMm: 40, allowanceMm: 0 })).toEqual([])
    expect(mostTabs(20, 40)).toBe(0)
  })
  test('an edge with two tabs of 30, 4 out, has 2·30·4 more metal, and is as long from end to end', () => {
    const plain = [
      { x: 0, y: 0 },
      { x: 200, y: 0 },
      { x: 200, y: 100 },
      { x: 0, y: 100 },
    ]
    const tabbed = [...tabbedEdge(plain[0]!, plain[1]!, [50, 150], 30, 4), ...plain.slice(1)]
    expect(areaMm2(tabbed)).toBeCloseTo(200 * 100 + 2 * 30 * 4, 9)
    expect(Math.min(...tabbed.map((p) => p.y))).toBe(-4)
  })
})

describe('the allowance that a round corner asks for', () => {
  /** A square corner in a slot whose corner is an arc of radius r about (r, r): how far it must stand off both sides, by trying. */
  const byTrying = (r: number) => {
    let off = 0
    while (Math.hypot(r - off, r - off) > r) off += 1e-5
    return off
  }
  test.each([0.2, 1, 1.5, 3])('kerf %d: both sides together what trying finds', (kerf) =>
    expect(leastAllowanceMm(kerf)).toBeCloseTo(2 * byTrying(kerf / 2), 3),
  )
  test('a kerf of 1.5 asks for 0.44', () => expect(leastAllowanceMm(1.5)).toBeCloseTo(0.4393, 4))
})

test('whatever the tab: its section goes into its slot with half the allowance all round', () => {
  fc.assert(
    fc.property(
      fc.record({
        tabMm: fc.integer({ min: 10, max: 80 }),
        t: fc.integer({ min: 1, max: 8 }),
        allowanceMm: fc.double({ min: 0.05, max: 2, noNaN: true }),
        along: fc.constantFrom('x' as const, 'y' as const),
      }),
      ({ tabMm, t, allowanceMm, along }) => {
        const slot = tabSlot({ x: 5, y: -3 }, along, t, { count: 1, tabMm, allowanceMm })
        const edge = edgeOfHole(slot)
        expect(areaMm2(edge)).toBeCloseTo((tabMm + allowanceMm) * (t + allowanceMm), 6)
        const [x, y] = along === 'x' ? [tabMm / 2, t / 2] : [t / 2, tabMm / 2]
        for (const [a, b] of [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ] as const) {
          expect(isInside({ x: 5 + a * x, y: -3 + b * y }, edge)).toBe(true)
          expect(isInside({ x: 5 + a * (x + allowanceMm / 2 + 0.01), y: -3 + b * y }, edge)).toBe(false)
        }
      },
    ),
  )
})
