import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { copeRound } from './cope'

export const copeCalculator = calculator({
  name: 'cope',
  title: 'Cope of a round tube',
  about:
    'The wrap-round template of a tube that is notched to sit on another: how far in each place round it is cut, and how deep the notch is.',
  formula: 't = (√(R² − (r·sin α − e)²) − r·cos α·cos θ) / sin θ',
  source: 'a straight line cut by a cylinder, point by point round the tube',
  input: z
    .object({
      cutTubeOD: positive('Outside diameter of the tube that is cut', 'mm', 500),
      cutTubeWall: positive('Its wall', 'mm', 100),
      mainTubeOD: positive('Outside diameter of the tube it sits on', 'mm', 1000),
      angle: z.number().min(10, 'less than 10° is no joint that can be cut').max(170).meta({ title: 'Angle between the two', unit: '°' }),
      offset: z.number().min(-500).max(500).default(0).meta({ title: 'Their centre lines pass each other by', unit: 'mm' }),
    })
    .refine((v) => v.cutTubeWall <= v.cutTubeOD / 2, { path: ['cutTubeWall'], message: 'is more than half the diameter: make it thinner' }),
  output: z.object({ points: z.array(z.object({ rotation: number, along: number, around: number })), maxDepth: number, ease: number }),
  example: { cutTubeOD: 38.1, cutTubeWall: 2.5, mainTubeOD: 48.3, angle: 60, offset: 0 },
  run: (v) => {
    const cope = copeRound(v.cutTubeOD, v.cutTubeWall, {
      main: { kind: 'round', radiusMm: v.mainTubeOD / 2 },
      angleDeg: v.angle,
      offsetMm: v.offset,
    })
    return {
      points: cope.points.map((p) => ({ rotation: p.rotationDeg, along: p.alongMm, around: p.aroundMm })),
      maxDepth: cope.maxDepthMm,
      ease: cope.easeMm,
    }
  },
})
