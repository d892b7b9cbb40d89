import { type Placing, placed, turned } from '../geometry/placing'
import type { Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import { boxRound } from '../touch/meetings'
import type { Solid } from '../touch/solids'
import { type Held, overlaps } from './bodies'
import type { BoltEnd, Fastening } from './fastenings'
import type { SeamReach, SeamSide } from './seamSides'
import type { Room, ToolBox, ToolPose } from './tools'

/**
 * Whether a tool gets there. `pose` = how the last one was held, null where one is not; `room` = all the room that tools and arms took up; `witness` = of each
 * way that was tried and is shut one thing that shuts it: while all of them are still there, nothing has changed.
 */
export type Access = { pose: ToolPose | null; room: Room[]; witness: Set<Solid> }

/** Bodies that are the last to have been met come first: what shuts one way often shuts the next. */
function firstInTheWay(kit: Kit, room: Room, bodies: Held[]): Solid | null {
  for (const { corners, body } of room.shape) {
    const box = boxRound(corners.map((c) => placed(room.at, c)))
    let put = false
    for (const [i, b] of bodies.entries()) {
      if (!overlaps(box, b.box)) continue
      if (!put) kit.place(body, room.at)
      put = true
      if (!kit.meets(body, b.body)) continue
      bodies.splice(i, 1)
      bodies.unshift(b)
      return b.solid
    }
  }
  return null
}

/** Everything that is in some room. */
export function allInTheWay(kit: Kit, rooms: Room[], bodies: Held[]): Solid[] {
  const found = new Set<Solid>()
  for (const room of rooms)
    for (const { corners, body } of room.shape) {
      const box = boxRound(corners.map((c) => placed(room.at, c)))
      kit.place(body, room.at)
      for (const b of bodies) if (!found.has(b.solid) && overlaps(box, b.box) && kit.meets(body, b.body)) found.add(b.solid)
    }
  return [...found]
}

/** The first way to hold it at a place that is free, with an arm that comes to it from the open. */
function firstFree(kit: Kit, tools: ToolBox, place: Vec3, poses: Iterable<ToolPose>, bodies: Held[]): Access {
  const witness = new Set<Solid>()
  const about = around(place, tools.withinMm)
  const close = bodies.filter((b) => overlaps(about, b.box))
  for (const pose of poses) {
    const near = firstInTheWay(kit, pose, close)
    if (near) {
      witness.add(near)
      continue
    }
    for (const arm of tools.arms(pose.hand)) {
      const shuts = firstInTheWay(kit, arm, bodies)
      if (!shuts) return { pose, room: [pose, arm], witness }
      witness.add(shuts)
    }
  }
  return { pose: null, room: [], witness }
}

const around = (p: Vec3, mm: number) => ({
  low: { x: p.x - mm, y: p.y - mm, z: p.z - mm },
  high: { x: p.x + mm, y: p.y + mm, z: p.z + mm },
})

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
  const bodies = besides(f, all)
  const there = (e: BoltEnd): BoltEnd => (at ? { at: placed(at, e.at), out: turned(at.turn, e.out) } : e)
  let found: Access = { pose: null, room: [], witness: new Set() }
  for (const { ends } of f.places) {
    const place = placeAccess(kit, tools, f, ends.map(there), bodies)
    found = joined(found, place)
    // one that is shut shuts all
    if (!place.pose) return { ...found, pose: null }
  }
  return found
}
const besides = (f: Fastening, all: Held[]): Held[] => {
  const but = new Set(f.but)
  return all.filter((b) => !but.has(b.solid.id))
}
const joined = (a: Access, b: Access): Access => ({
  pose: b.pose,
  room: [...a.room, ...b.room],
  witness: new Set([...a.witness, ...b.witness]),
})

function placeAccess(kit: Kit, tools: ToolBox, f: Fastening, [p, q]: BoltEnd[], bodies: Held[]): Access {
  const turn = (e: BoltEnd) => firstFree(kit, tools, e.at, turning(e, f, tools), bodies)
  const hold = (e: BoltEnd) => firstFree(kit, tools, e.at, holding(e, f, tools), bodies)
  const one = turn(p!)
  if (!q) return one
  const first = both(one, () => hold(q))
  if (first.pose) return first
  const second = both(turn(q), () => hold(p!))
  return second.pose ? second : { ...second, witness: new Set([...first.witness, ...second.witness]) }
}

/** Turned on one end and held on the other: either missing, the whole is. */
function both(turned: Access, hold: () => Access): Access {
  if (!turned.pose) return turned
  const held = hold()
  return { ...joined(turned, held), pose: held.pose ? turned.pose : null }
}

/** What keeps tools from a bolt: of its first end that is shut, the way that meets the fewest things. */
export function whatShuts(kit: Kit, tools: ToolBox, f: Fastening, all: Held[]): Solid[] {
  const bodies = besides(f, all)
  for (const { ends } of f.places)
    for (const e of ends) {
      if (firstFree(kit, tools, e.at, turning(e, f, tools), bodies).pose) continue
      let best: Solid[] | null = null
      for (const pose of turning(e, f, tools)) {
        const near = allInTheWay(kit, [pose], bodies)
        const by = near.length ? near : fewest([...tools.arms(pose.hand)].map((arm) => allInTheWay(kit, [arm], bodies)))
        if (!best || by.length < best.length) best = by
      }
      return best ?? []
    }
  return []
}
const fewest = (lists: Solid[][]): Solid[] => lists.reduce((a, b) => (b.length < a.length ? b : a), lists[0] ?? [])

/** Sides of a weld that are reached, of all; the room that took, and one thing that shuts each way that is shut. */
export type SideAccess = { reached: number; sides: number; room: Room[]; witness: Set<Solid> }

/** A side is welded where a torch gets to two of the places along it: past a gusset the bead is drawn from its other end. */
const OF_A_SIDE = 2
/** Each side of a weld among these bodies; the two parts that it joins are what its corner is made of. */
export function seamAccess(kit: Kit, tools: ToolBox, seam: SeamReach, all: Held[]): SideAccess {
  const own = new Set<string>(seam.holds)
  const bodies = all.filter((b) => !own.has(b.solid.id))
  const found: SideAccess = { reached: 0, sides: seam.sides.length, room: [], witness: new Set() }
  for (const side of seam.sides) {
    let got = 0
    for (const at of side.places) {
      if (got === OF_A_SIDE) break
      const t = firstFree(kit, tools, at, torches(tools, at, side), bodies)
      if (t.pose) got++
      found.room.push(...t.room)
      for (const s of t.witness) found.witness.add(s)
    }
    if (got === OF_A_SIDE) found.reached++
  }
  return found
}
function* torches(tools: ToolBox, at: Vec3, { from }: SeamSide): Generator<ToolPose> {
  for (const way of from) yield tools.torch(at, way)
}
