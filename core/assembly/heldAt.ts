import { centreLine, nearestAlong } from '../geometry/centreLine'
import { type Assembly, type Member, memberEnds, memberLengthMm } from './assembly'
import { kept } from './kept'

function findHeldMm(m: Member, a: Assembly): number[] {
  const line = centreLine(m.path, m.bendRadiiMm)
  const at = [
    ...a.mounts.filter((x) => x.on === m.id).map((x) => x.place),
    ...a.joints.filter((j) => j.between[0] === m.id && a.members.some((o) => o.id === j.between[1])).map((j) => j.at),
    ...a.joints
      .filter((j) => j.between.includes(m.id) && a.plates.some((p) => j.between.includes(p.id) && a.mounts.some((x) => x.on === p.id)))
      .map((j) => j.at),
  ]
  return at.map((p) => nearestAlong(line, p).atMm).sort((x, y) => x - y)
}

function findCarriedMm(m: Member, a: Assembly): number[] {
  const line = centreLine(m.path, m.bendRadiiMm)
  const mounts = a.mounts.filter((x) => x.on === m.id).map((x) => x.place)
  const parts = new Set([...a.members, ...a.plates].map((p) => p.id))
  const joints = a.joints.filter((j) => j.between.includes(m.id) && j.between.every((id) => parts.has(id)))
  const under = joints.filter((j) => j.between[0] === m.id || !a.members.some((o) => o.id === j.between[0]))
  const held = [...mounts, ...under.map((j) => j.at)]
  const at = mounts.length > 1 ? mounts : held.length ? held : joints.map((j) => j.at)
  return at.map((p) => nearestAlong(line, p).atMm).sort((x, y) => x - y)
}

function findUnheldMm(m: Member, a: Assembly): number {
  const [from, to] = memberEnds(m)
  const upright = Math.abs(from.z - to.z) > Math.hypot(from.x - to.x, from.y - to.y)
  const held = heldAtMm(m, a)
  const gaps = held.slice(1).map((x, i) => x - held[i]!)
  return upright || !gaps.length ? 2 * memberLengthMm(m) : Math.max(...gaps)
}

/** Places along a member where something holds it: a mount it stands on, or a joint by which it lies on another part. In order, mm from its first end. */
export const heldAtMm = kept(findHeldMm)

/**
 * Places that carry a member: its mounts where it stands on two or more, else its mount and whatever it lies on or is held by; what lies on it carries nothing.
 * One that lies on nothing counts every joint. In order, mm from its first end.
 */
export const carriedAtMm = kept(findCarriedMm)

/**
 * Length that a member may lean or buckle over: between the places that hold it; twice its own where it stands upright or is held at one place only, for its
 * head may sway (AISC 360-16, table C-A-7.1, cases d and e). mm
 */
export const unheldMm = kept(findUnheldMm)
