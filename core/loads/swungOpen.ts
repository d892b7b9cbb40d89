import type { Assembly, Joint, Motion } from '../assembly/assembly'
import { movedParts } from '../assembly/moved'
import { centreOfParts, partMasses } from '../assembly/places'
import { swingsAside } from '../assembly/swingsAside'
import { greatest } from '../figure/greatest'
import { placingAt } from '../geometry/placing'
import { plus, times, unit } from '../geometry/vec3'
import type { Carried } from './carried'

/** An arm or a gate swung so far and held there: how it stands, and what of the cargo is still on something. */
export type Opened = { motion: Motion; atDeg: number; assembly: Assembly; carried: Carried[] }

/** So far apart are the places on its way that are looked at. degrees */
const STEP_DEG = 15

/**
 * Every arm that swings about an upright line, at every step of its way, its end first: its latch is undone, its hinge alone carries it, and somebody or its
 * stop keeps it from swinging on. What lay on it was taken off first.
 */
export function swungThrough(a: Assembly, carried: Carried[]): Opened[] {
  return a.motions.filter(swingsAside).flatMap((motion) => {
    const steps = Math.max(1, Math.ceil(Math.abs(motion.to - motion.from) / STEP_DEG))
    return Array.from({ length: steps }, (_, i) => swungTo(a, carried, motion, motion.to - ((motion.to - motion.from) * i) / steps))
  })
}

/** Of each arm where it ends, and where its weight stands farthest from what the piece stands on, as that is seldom its end. */
export function swungOpen(a: Assembly, carried: Carried[]): Opened[] {
  const feet = a.mounts.reduce((s, m) => plus(s, times(m.place, 1 / Math.max(1, a.mounts.length))), { x: 0, y: 0, z: 0 })
  const farMm = (o: Opened) => {
    const { x, y } = centreOfParts(partMasses(o.assembly).filter((p) => o.motion.moves.includes(p.id)))
    return x === null || y === null ? 0 : Math.hypot(x - feet.x, y - feet.y)
  }
  const all = swungThrough(a, carried)
  return [...new Set(all.map((o) => o.motion))].flatMap((motion) => {
    const own = all.filter((o) => o.motion === motion)
    return [...new Set([own[0], greatest(own, farMm)])].flatMap((o) => o ?? [])
  })
}

function swungTo(a: Assembly, carried: Carried[], motion: Motion, atDeg: number): Opened {
  const going = new Set(motion.moves)
  const moved = movedParts(a, going, placingAt({ kind: 'turn', axis: { at: motion.axis.at, way: unit(motion.axis.way) } }, atDeg))
  const leaves = (j: Pick<Joint, 'between'>) => going.has(j.between[0]) !== going.has(j.between[1])
  const joints = moved.joints
    .filter((j) => !(leaves(j) && j.kind === 'latch'))
    .map(({ axis, ...j }): Joint => (leaves(j) && j.kind === 'hinge' ? { ...j, kind: 'clamp' } : axis ? { ...j, axis } : j))
  return {
    motion,
    atDeg,
    assembly: { ...moved, joints },
    carried: carried.filter((c) => !c.bearings.some((b) => b.on !== null && going.has(b.on))),
  }
}
