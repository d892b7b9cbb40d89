import { describe, expect, test } from 'vitest'
import { areaMm2 } from '../geometry/polygon'
import type { Member, Notch } from './assembly'
import { notchEdges, notchedOutline, notchedOutMm3, sectionAt } from './notch'

/** A flat of 40 × 8 on edge, 1000 long. */
const bar = (notches: Notch[], profileId = 'flat-40x8-steel'): Member => ({
  ...{ id: 'a', mark: 'A', name: 'Strip', profileId, notches },
  path: [
    { x: 0, y: 0, z: 0 },
    { x: 1000, y: 0, z: 0 },
  ],
  ends: [{ kind: 'square' }, { kind: 'square' }],
})
const at = (atMm: number, depthMm: number, edge: Notch['edge'], lengthMm = 30): Notch => ({ atMm, lengthMm, depthMm, edge })

describe('notches of a flat bar', () => {
  test('by hand: 15 out of 40 leaves 25, I = 8·25³/12; beside the notch all of it', () => {
    const m = bar([at(300, 15, 'under')])
    expect(sectionAt(m, 300).iyMm4).toBeCloseTo((8 * 25 ** 3) / 12, 6)
    expect([sectionAt(m, 284).heightMm, sectionAt(m, 316).heightMm]).toEqual([40, 40])
    expect(notchEdges(m)).toEqual([285, 315])
  })
  test('from both edges at one place both are gone: 15 and 10 leave 15', () => {
    const m = bar([at(300, 15, 'under'), at(305, 10, 'over')])
    expect(sectionAt(m, 300).heightMm).toBeCloseTo(15, 9)
    // only the upper one reaches so far
    expect(sectionAt(m, 319).heightMm).toBeCloseTo(30, 9)
  })
  test('its outline from the side is what is left of 1000 × 40, whichever edge a notch is in, and agrees with the metal taken', () => {
    for (const edge of ['under', 'over'] as const) {
      const m = bar([at(700, 12, edge), at(200, 15, edge)])
      const area = areaMm2(notchedOutline(m, 1000))
      expect(area).toBeCloseTo(1000 * 40 - 30 * 12 - 30 * 15, 6)
      expect((1000 * 40 - area) * 8).toBeCloseTo(notchedOutMm3(m), 6)
    }
  })
  test('deeper than the bar leaves next to nothing, never less than nothing', () =>
    expect(sectionAt(bar([at(300, 60, 'under')]), 300).heightMm).toBeGreaterThan(0))
})
