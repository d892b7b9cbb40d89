import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type SwingArm, swingArm } from './swingArm'

const arm: SwingArm = { wheelKg: 32, armKg: 8, wheelReachMm: 700, armReachMm: 600, stopReachMm: 150, collarsMm: 100, slopeDeg: 0 }

describe('an arm swung open', () => {
  test('32 kg at 700 and 8 kg at 600 on level ground: 266.7 N·m at the spindle, 2667 N on each collar 100 apart, nothing on the stop', () => {
    // (32·0.7 + 8·0.6)·9.80665 = 27.2·9.80665
    const { momentNmm, collarN, stopN } = swingArm(arm)
    expect(momentNmm / 1000).toBeCloseTo(266.74, 2)
    expect(collarN).toBeCloseTo(2667.4, 1)
    expect(stopN).toBe(0)
  })
  test('on a slope of 10° the stop at 150 holds 309 N: 266.74·sin 10° / 0.15', () => {
    expect(swingArm({ ...arm, slopeDeg: 10 }).stopN).toBeCloseTo(308.8, 1)
  })
  test('whatever the slope, weight is neither won nor lost: (M)² + (stop·l)² stays; a stop nearer the spindle holds more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 30, noNaN: true }), fc.double({ min: 50, max: 900, noNaN: true }), (slopeDeg, stopReachMm) => {
        const level = swingArm(arm)
        const s = swingArm({ ...arm, slopeDeg, stopReachMm })
        expect(Math.hypot(s.momentNmm, s.stopN * stopReachMm) / level.momentNmm).toBeCloseTo(1, 9)
        expect(swingArm({ ...arm, slopeDeg, stopReachMm: stopReachMm / 2 }).stopN).toBeCloseTo(2 * s.stopN, 6)
      }),
    )
  })
})
