import { type Placing, placed, turned } from '../geometry/placing'
import type { Kit } from '../touch/kit'
import { boxRound } from '../touch/meetings'
import type { Solid } from '../touch/solids'
import { type Held, overlaps } from './bodies'
import type { BoltEnd, Fastening } from './fastenings'
import type { SeamReach } from './seamSides'
import type { ToolBox, ToolPose } from './tools'

/**
 * How a tool gets there, or what is in its way: `by` of all the ways it could be held the one that meets the fewest things, `any` whatever one of them meets:
 * while all of that is still there, nothing has changed.
 */
export type Access = { pose: ToolPose | null; by: Solid[]; any: Set<Solid> }

/** Sides of a weld that are reached, of all; what is in the way of the others. */
export type SideAccess = { reached: number; sides: number; by: Solid[] }

/** Whether a tool is held there among these bodies, and past which it is not. */
function inTheWay(kit: Kit, pose: ToolPose, bodies: Held[]): Solid[] {
  const found = new Set<Solid>()
  for (const { corners, body } of pose.shape) {
    const box = boxRound(corners.map((c) => placed(pose.at, c)))
    let put = false
    for (const b of bodies) {
      if (found.has(b.solid) || !overlaps(box, b.box)) continue
      if (!put) kit.place(body, pose.at)
      put = true
      if (kit.meets(body, b.body)) found.add(b.solid)
    }
  }
  return [...found]
}

function easiest(kit: Kit, poses: Iterable<ToolPose>, bodies: Held[]): Access {
  let best: Solid[] | null = null
  const any = new Set<Solid>()
  for (const pose of poses) {
    const by = inTheWay(kit, pose, bodies)
    if (!by.length) return { pose, by, any }
    for (const s of by) any.add(s)
    if (!best || by.length < best.length) best = by
  }
  return { pose: null, by: best ?? [], any }
}

function* turning({ at, out }: BoltEnd, f: Fastening, tools: ToolBox): Generator<ToolPose> {
  yield tools.socket(at, out, f.size)
  yield* tools.spanners(at, out, f.size, true)
}
function* holding({ at, out }: BoltEnd, f: Fastening, tools: ToolBox): Generator<ToolPose> {
  yield tools.socket(at, out, f.size)
  yield* tools.spanners(at, out, f.size, false)
}

/** Both ends of every bolt, one of them turned and the other kept still, among these bodies. `at` = where what the bolts are on has gone. */
export function boltAccess(kit: Kit, tools: ToolBox, f: Fastening, all: Held[], at: Placing | null = null): Access {
  const but = new Set(f.but)
  const bodies = all.filter((b) => !but.has(b.solid.id))
  const there = (e: BoltEnd): BoltEnd => (at ? { at: placed(at, e.at), out: turned(at.turn, e.out) } : e)
  const [by, any] = [new Set<Solid>(), new Set<Solid>()]
  let pose: ToolPose | null = null
  for (const { ends } of f.places) {
    const best = placeAccess(kit, tools, f, ends.map(there), bodies)
    if (!best.pose) for (const s of best.by) by.add(s)
    for (const s of best.any) any.add(s)
    pose = best.pose
  }
  return { pose: by.size ? null : pose, by: [...by], any }
}

function placeAccess(kit: Kit, tools: ToolBox, f: Fastening, [p, q]: BoltEnd[], bodies: Held[]): Access {
  const turn = (e: BoltEnd) => easiest(kit, turning(e, f, tools), bodies)
  const hold = (e: BoltEnd) => easiest(kit, holding(e, f, tools), bodies)
  const one = turn(p!)
  if (!q) return one
  const first = both(one, hold(q))
  if (first.pose) return first
  const second = both(turn(q), hold(p!))
  return second.pose || second.by.length < first.by.length ? second : first
}

/** Turned on one end and held on the other: either missing, the whole is. */
const both = (turned: Access, held: Access): Access => ({
  pose: turned.pose && held.pose ? turned.pose : null,
  by: [...new Set([...turned.by, ...held.by])],
  any: new Set([...turned.any, ...held.any]),
})

/** A side is welded where a torch gets to two of the places along it: past a gusset the bead is drawn from its other end. */
const OF_A_SIDE = 2
/** Each side of a weld among these bodies; the two parts that it joins are what its corner is made of. */
export function seamAccess(kit: Kit, tools: ToolBox, seam: SeamReach, all: Held[]): SideAccess {
  const own = new Set<string>(seam.holds)
  const bodies = all.filter((b) => !own.has(b.solid.id))
  const by = new Set<Solid>()
  let reached = 0
  for (const side of seam.sides) {
    const tried = side.places.map((at) => easiest(kit, torches(tools, at, side.from), bodies))
    if (tried.filter((t) => t.pose).length >= OF_A_SIDE) reached++
    else for (const t of tried) for (const s of t.by) by.add(s)
  }
  return { reached, sides: seam.sides.length, by: [...by] }
}
function* torches(tools: ToolBox, at: BoltEnd['at'], from: BoltEnd['out'][]): Generator<ToolPose> {
  for (const way of from) yield tools.torch(at, way)
}
