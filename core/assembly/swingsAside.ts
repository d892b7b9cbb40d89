import { unit, type Vec3 } from '../geometry/vec3'

/** A line this near upright is one that something swings about; a lid's lies level. */
const UPRIGHT = 0.9

/** An arm or a gate of a piece that swings aside about an upright line: what stands behind it is opened after it, and its hinge carries it alone then. */
export const swingsAside = (m: { kind: 'turn' | 'slide'; axis: { way: Vec3 } }): boolean =>
  m.kind === 'turn' && Math.abs(unit(m.axis.way).z) > UPRIGHT
