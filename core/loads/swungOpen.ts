import type { Assembly, Joint, Motion } from '../assembly/assembly'
import { movedParts } from '../assembly/moved'
import { swingsAside } from '../assembly/swingsAside'
import { placingAt } from '../geometry/placing'
import { unit } from '../geometry/vec3'
import type { Carried } from './carried'

/** An arm or a gate swung open as it is held there: how it stands, and what of the cargo is still on something. */
export type Opened = { motion: Motion; assembly: Assembly; carried: Carried[] }

/**
 * Every arm that swings about an upright line, at the end of its way: its latch is undone, its hinge alone carries it, and its stop keeps it from swinging on.
 * What lay on it was taken off first.
 */
export function swungOpen(a: Assembly, carried: Carried[]): Opened[] {
  return a.motions.filter(swingsAside).map((motion) => {
    const going = new Set(motion.moves)
    const moved = movedParts(a, going, placingAt({ kind: 'turn', axis: { at: motion.axis.at, way: unit(motion.axis.way) } }, motion.to))
    const leaves = (j: Pick<Joint, 'between'>) => going.has(j.between[0]) !== going.has(j.between[1])
    const joints = moved.joints
      .filter((j) => !(leaves(j) && j.kind === 'latch'))
      .map(({ axis, ...j }): Joint => (leaves(j) && j.kind === 'hinge' ? { ...j, kind: 'clamp' } : axis ? { ...j, axis } : j))
    return {
      motion,
      assembly: { ...moved, joints },
      carried: carried.filter((c) => !c.bearings.some((b) => b.on !== null && going.has(b.on))),
    }
  })
}
