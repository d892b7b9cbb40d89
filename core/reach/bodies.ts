import { type Placing, placed } from '../geometry/placing'
import type { Vec3 } from '../geometry/vec3'
import type { Kit, KitBody } from '../touch/kit'
import { boxRound } from '../touch/meetings'
import type { Solid } from '../touch/solids'

export type Box = ReturnType<typeof boxRound>
/** One convex body of a solid, as it stands. */
export type Held = { solid: Solid; body: KitBody; corners: Vec3[]; box: Box }

export const heldOf = (kit: Kit, s: Solid): Held[] =>
  s.hulls.flatMap((corners) => {
    const body = kit.body(corners)
    return body ? [{ solid: s, body, corners, box: boxRound(corners) }] : []
  })

const STILL: Placing = { turn: { x: 0, y: 0, z: 0, w: 1 }, shift: { x: 0, y: 0, z: 0 } }
/** A body put somewhere else; null = back where it was drawn. */
export function put(kit: Kit, h: Held, at: Placing | null): Held {
  kit.place(h.body, at ?? STILL)
  return { ...h, box: boxRound(at ? h.corners.map((c) => placed(at, c)) : h.corners) }
}

export const overlaps = (a: Box, b: Box): boolean =>
  (['x', 'y', 'z'] as const).every((k) => a.low[k] <= b.high[k] + 1 && b.low[k] <= a.high[k] + 1)
