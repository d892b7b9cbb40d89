import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { bendTube } from './bend'

const place = z.number().min(-100_000).max(100_000)

export const tubeBendCalculator = calculator({
  name: 'tube-bend',
  title: 'Tube bend',
  about:
    'Cut length, straights, arcs and tangent marks of a bent tube from where its straight legs meet, with what to pull to for its spring-back.',
  formula: 'arc = R·A; set-back = R·tan(A/2); gain = 2·set-back − arc',
  source: "Machinery's Handbook, 30th ed., arcs and their tangents",
  input: z
    .object({
      outsideDiameter: positive('Outside diameter', 'mm', 500),
      wall: positive('Wall', 'mm', 100),
      centerlineRadius: positive('Centre-line radius of the die', 'mm', 10_000),
      points: z
        .array(z.tuple([place, place, place]))
        .min(2, 'two points at least')
        .max(60, 'sixty points at most'),
      springbackDeg: zero('Spring-back of each bend', '°', 30).default(0),
    })
    .refine((v) => v.wall <= v.outsideDiameter / 2, { path: ['wall'], message: 'is more than half the diameter: make it thinner' }),
  output: z.object({
    cutLength: number,
    straights: z.array(number),
    bends: z.array(
      z.object({ angle: number, rotation: number, arc: number, startMark: number, endMark: number, gain: number, pullTo: number }),
    ),
  }),
  example: {
    outsideDiameter: 38.1,
    wall: 2.5,
    centerlineRadius: 114,
    points: [
      [0, 0, 0],
      [0, 0, 420],
      [0, 1180, 420],
      [0, 1180, 0],
    ],
    springbackDeg: 2,
  },
  run: (v) => {
    if (v.centerlineRadius < v.outsideDiameter / 2)
      throw new Impossible('a bend whose centre-line radius is less than half the tube would fold into itself: use a larger die')
    const tube = bendTube(
      v.points.map(([x, y, z]) => ({ x, y, z })),
      v.points.slice(2).map(() => v.centerlineRadius),
    )
    return {
      cutLength: tube.cutLengthMm,
      straights: tube.straightsMm,
      bends: tube.bends.map((b) => ({
        angle: b.angleDeg,
        rotation: b.rotationDeg,
        arc: b.arcMm,
        startMark: b.startMm,
        endMark: b.endMm,
        gain: b.gainMm,
        pullTo: b.angleDeg + v.springbackDeg,
      })),
    }
  },
})
