import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { onLayerN, rampPullN } from './rampPull'

const number = z.number()

export const rampPullCalculator = calculator({
  name: 'ramp-pull',
  title: 'Winch on a ramp',
  about:
    'The pull that a load needs up a ramp, what is left of the winch on its outer layers, and whether the weakest of winch, rope and anchors holds it.',
  formula: 'F = m·g·(sin α + μ·cos α); Rn = R·r₁ / (r₁ + (n − 1)·d)',
  source: 'statics of an inclined plane; a drum’s torque over its radius',
  input: z.object({
    massKg: number.min(0).max(20_000).meta({ title: 'Mass of the load', unit: 'kg' }),
    slopeDeg: number.min(0).max(60).meta({ title: 'Slope of the ramp', unit: '°' }),
    rolling: number.min(0).max(2).default(0.1).meta({ title: 'Rolling or sliding, share of the weight' }),
    winchN: number.min(0).max(1e6).nullable().default(null).meta({ title: 'Winch, rated on its first layer', unit: 'N' }),
    drumRadiusMm: number.min(5).max(500).default(32).meta({ title: 'Radius of the drum', unit: 'mm' }),
    ropeMm: number.min(1).max(40).default(5).meta({ title: 'Rope', unit: 'mm' }),
    layer: number.int().min(1).max(10).default(3).meta({ title: 'Layers on the drum' }),
    weakestN: number.min(0).max(1e6).nullable().default(null).meta({ title: 'Weakest of rope, hook and anchors', unit: 'N' }),
  }),
  output: z.object({ pullN: number, winchLeftN: number.nullable(), used: number.nullable(), verdict: z.string() }),
  example: { massKg: 420, slopeDeg: 18, rolling: 0.1, winchN: 9000, drumRadiusMm: 32, ropeMm: 5, layer: 3, weakestN: 6000 },
  run: (v) => {
    const pullN = rampPullN(v)
    const winchLeftN = v.winchN === null ? null : onLayerN(v.winchN, v.drumRadiusMm, v.ropeMm, v.layer)
    const holds = winchLeftN === null || v.weakestN === null ? null : Math.min(winchLeftN, v.weakestN)
    const used = holds === null ? null : holds > 0 ? pullN / holds : 99
    return { pullN, winchLeftN, used, verdict: used === null ? 'not assessed' : used > 1 ? 'over' : 'within what is given' }
  },
})
