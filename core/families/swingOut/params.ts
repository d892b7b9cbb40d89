import { z } from 'zod'
import { boxId, lengthBetween as mm, roundId } from '../choices'

const newtons = z.number().min(0).max(200_000).nullable().default(null)

/** A carrier that swings aside: a cross beam in the receiver, an upright spindle at one end, an arm with the spare wheel on it. mm, from the pin or the middle */
export const SwingOutParams = z.object({
  hinge: z.enum(['left', 'right']).default('left'),
  behindMm: mm(150, 900).default(320),
  hingeOutMm: mm(200, 1100).default(620),
  latchOutMm: mm(100, 1100).default(560),
  /** from the top of the cross beam to the underside of the arm */
  liftMm: mm(40, 500).default(80),
  opensDeg: z.number().min(60).max(150).default(110),
  /** middle of the wheel over the middle of the arm, and towards the latch from the middle of the vehicle */
  hubUpMm: mm(60, 800).default(330),
  hubAsideMm: mm(-500, 500).default(0),
  wheelMm: mm(400, 1200).default(790),
  wheelWideMm: mm(120, 450).default(255),
  /** from the wheel's mounting face to its inner edge */
  backspaceMm: mm(40, 300).default(150),
  studs: z.number().int().min(3, 'three studs at least').max(6, 'six studs at most').default(3),
  studCircleMm: mm(90, 230).default(139.7),
  /** the wheel with its tyre, as weighed; null = nobody did. kg */
  wheelKg: z.number().min(1).max(120).nullable().default(null),
  beamProfileId: boxId.default('square-50x4-steel'),
  armProfileId: boxId.default('square-50x4-steel'),
  spindleProfileId: roundId.default('round-42x3-steel'),
  /** what the makers of spindle and latch let them hold; null = nobody knows. N */
  spindleN: newtons,
  latchN: newtons,
  sway: z.enum(['insert', 'clamp', 'none']).default('insert'),
  /** how much narrower the tongue is than its receiver, as measured; null = not measured */
  slackMm: z.number().min(0).max(6).nullable().default(null),
  cutDeg: z.number().min(5).max(45).default(8),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type SwingOutParams = z.infer<typeof SwingOutParams>
