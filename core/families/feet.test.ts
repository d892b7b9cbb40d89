import { describe, expect, test } from 'vitest'
import { siteOn } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { feetAlong, feetOnLine, footFaults, footMeasures, moreFeet } from './feetAlong'
import { besideWhatStands, feetOnEdge, leftEdge, underStay } from './feetOnEdge'

const [van, pickup, camper] = demoVehicles
const line = van.mounts[0]!

describe('feet along a line of the roof', () => {
  test.each([van, pickup, camper].map((v) => [v.name, v] as const))(
    '%s: a new piece begins on places that take feet, two pairs at least, none twice',
    (_, v) => {
      const { mountId, footXMm } = feetAlong(v)
      const own = v.mounts.find((m) => m.id === mountId)!
      expect(footXMm.length).toBeGreaterThanOrEqual(2)
      expect(new Set(footXMm).size).toBe(footXMm.length)
      for (const x of footXMm) expect([x >= own.fromXMm - 1, x <= own.toXMm + 1]).toEqual([true, true])
    },
  )
  test('a pair at each place, on the line’s height, left and right alike', () => {
    const feet = feetOnLine(
      [0, 900],
      line,
      () => 700,
      (side) => `beam:${side}`,
    )
    expect(feet.map((f) => f.mark)).toEqual(['F1L', 'F1R', 'F2L', 'F2R'])
    expect(feet.map((f) => f.place.y)).toEqual([700, -700, 700, -700])
    expect(new Set(feet.map((f) => f.place.z))).toEqual(new Set([line.zMm]))
  })
  test('off the line, and too near one another', () => {
    expect(footFaults([0, 900], line)).toEqual([])
    expect(footFaults([0, 99_000], line)[0]!.fix![0]!.to).toBe(line.toXMm)
    expect(footFaults([0, 60], line)).toHaveLength(1)
  })
  test('one more pair goes into the widest gap, and none into gaps too narrow', () => {
    const p = { mountId: line.id, footXMm: [0, 600, 2000] }
    expect(moreFeet(p, line)[0]!.params.footXMm.at(-1)).toBe(1300)
    expect(moreFeet({ ...p, footXMm: [0, 300] }, line)).toEqual([])
    expect(footMeasures(p, line)[1]!.set(p, 700).footXMm).toEqual([0, 700, 2000])
  })
})

describe('bolted feet along an edge', () => {
  const edge = leftEdge(siteOn(pickup), 'tray.edge', 'bed.rail')!
  test('the first of the wished edges that there is', () => {
    expect(edge.id).toBe('bed.rail')
    expect(leftEdge(siteOn(van), 'tray.edge', 'bed.rail')).toBeNull()
  })
  test('so far in from both ends, and never further apart than asked', () => {
    for (const length of [400, 900, 1350, 2400]) {
      const feet = feetOnEdge({ edge, rearX: 0, frontX: length, half: () => 740 }, 60, 600, []).filter((m) => m.side === 'left')
      const xs = feet.map((m) => m.place.x)
      expect([xs[0], xs.at(-1)]).toEqual([60, length - 60])
      for (const [i, x] of xs.slice(1).entries()) expect(x - xs[i]!).toBeLessThanOrEqual(600 + 1e-9)
    }
  })
  test('a post of 50 over the front feet: they move back until an M8 spanner turns beside it, 25 for half their bolts, 11.2 for its ring, 9 for the bead', () => {
    const xs = feetOnEdge({ edge, rearX: 0, frontX: 900, half: () => 740 }, 60, 600, [{ fromX: 805, toX: 855 }])
      .filter((m) => m.side === 'left')
      .map((m) => m.place.x)
    expect(xs[0]).toBe(60)
    expect(xs.at(-1)).toBeCloseTo(805 - 25 - 11.2 - 9, 5)
  })
  test('under a stay of 30° and 32 deep a spanner lies once its underside is 30 over the rail', () => {
    // its middle starts at the rail's own middle, 20 under the top: 20 + 30 up, and half of 32 along its slope's normal
    const rise = 50 + 16 / Math.cos(Math.PI / 6)
    const stay = underStay(
      [
        { x: 1000, y: 0, z: 1000 * Math.tan(Math.PI / 6) },
        { x: 0, y: 0, z: 0 },
      ],
      32,
      20,
    )
    expect(stay.toX).toBeCloseTo(rise * Math.sqrt(3), 6)
    expect(stay.fromX).toBeCloseTo(-32, 6)
  })
  test('where nothing is free they stay where they are', () => {
    expect(besideWhatStands([300], [{ fromX: 0, toX: 600 }], 50, 550)).toEqual([300])
  })
})
