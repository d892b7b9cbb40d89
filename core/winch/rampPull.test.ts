import { describe, expect, test } from 'vitest'
import { onLayerN, rampPullN } from './rampPull'

describe('hauling up a ramp', () => {
  test('hung straight up it is the weight; on the level only what rolls or drags', () => {
    expect(rampPullN({ massKg: 100, slopeDeg: 90, rolling: 0.3 })).toBeCloseTo(980.665, 3)
    expect(rampPullN({ massKg: 100, slopeDeg: 0, rolling: 0.1 })).toBeCloseTo(98.0665, 4)
  })
  test('by hand: 400 kg up 30° on soft ground: 400·9.80665·(0.5 + 0.1·0.866) = 2301 N', () =>
    expect(rampPullN({ massKg: 400, slopeDeg: 30, rolling: 0.1 })).toBeCloseTo(2301, 0))
  test('each layer on the drum takes a share off: a 6 mm rope on a drum of 30 pulls 33/39 of it on the second', () => {
    expect(onLayerN(9000, 30, 6, 1)).toBe(9000)
    expect(onLayerN(9000, 30, 6, 2)).toBeCloseTo((9000 * 33) / 39, 9)
  })
})
