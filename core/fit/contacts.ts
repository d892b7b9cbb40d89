import type { Assembly, Joint } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { apart } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import { footRiseMm } from '../solid/foot'
import type { Meeting } from '../touch/meetings'
import type { Solid } from '../touch/solids'
import type { Vehicle } from '../vehicle/vehicle'

const key = (a: string, b: string): string => (a < b ? `${a} ${b}` : `${b} ${a}`)
/** A part whose seat is nearer to the vehicle than this lies on it. mm */
const LIES_MM = 15

/** What the assembly itself says may touch: parts that are joined, feet and what stands on them, what rests on what. */
export function meant(assembly: Assembly, vehicle: Vehicle, brief: Brief): (a: Solid, b: Solid) => boolean {
  const pairs = new Set<string>()
  const put = (a: string, b: string) => pairs.add(key(a, b))
  for (const j of assembly.joints) {
    put(...j.between)
    if (j.gusset) for (const id of j.between) put(j.gusset.plateId, id)
  }
  for (const m of assembly.mounts) {
    put(m.id, m.on)
    if (m.via) {
      put(m.via, m.id)
      put(m.via, m.on)
    }
    if (footRiseMm(m, assembly) < LIES_MM) put(m.on, `body:${m.bodyId ?? ''}`)
  }
  for (const i of assembly.infills) {
    for (const id of i.on) put(i.id, id)
    // mesh and slats are cut round what is fixed in their corners
    for (const j of assembly.joints) if (j.between.some((id) => i.on.includes(id))) for (const id of j.between) put(i.id, id)
    for (const j of assembly.joints) if (j.gusset && j.between.some((id) => i.on.includes(id))) put(i.id, j.gusset.plateId)
  }
  for (const [f, part] of aroundJoints(assembly)) put(f, part)
  for (const f of assembly.fittings) for (const part of f.around ?? []) put(f.id, part)
  for (const c of brief.cargo) {
    const rest = restOf(c, assembly)
    for (const b of rest.under) if (b.on !== null) put(`cargo:${c.id}`, b.on)
    for (const i of assembly.infills) if (rest.under.some((b) => b.on !== null && i.on.includes(b.on))) put(`cargo:${c.id}`, i.id)
    // what stands in a holder or a shut box is not a box of its own size there: its room is judged by the holder
    for (const s of rest.supports.filter((x) => x.holds))
      for (const part of [...assembly.members, ...assembly.plates, ...assembly.fittings])
        if (pieceIdOf(part.id) === pieceIdOf(s.id)) put(`cargo:${c.id}`, part.id)
  }
  const inside = indoors(vehicle)
  return (a, b) => {
    const kinds = [a.kind, b.kind]
    const both = (k: Solid['kind']) => kinds.every((x) => x === k)
    // bodies belong to the vehicle, cargo among itself is judged where it is laid out, feet stand on bodies
    if (both('body') || both('obstacle') || both('cargo') || (kinds.includes('body') && kinds.includes('obstacle'))) return true
    if (kinds.includes('foot') && kinds.includes('body')) return true
    const body = a.kind === 'body' ? a : b.kind === 'body' ? b : null
    if (body && inside(body, body === a ? b : a)) return true
    return pairs.has(key(a.id, b.id))
  }
}

/** A hinge’s or latch’s joint stands in its box, or this near to it. mm */
const BESIDE_MM = 60
/** A hinge, latch or slide that is drawn as a box is what its joint is made of: it touches both parts. */
function aroundJoints(assembly: Assembly): [string, string][] {
  const made = assembly.joints.filter((j) => j.kind === 'hinge' || j.kind === 'latch' || j.kind === 'slide')
  return assembly.fittings.flatMap((f) => {
    const own = new Set(assembly.joints.filter((j) => j.between.includes(f.id)).flatMap((j) => j.between))
    const near = (j: Joint) =>
      (['x', 'y', 'z'] as const).every((k) => Math.abs(j.at[k] - f.middle[k]) <= f.size[k] / 2 + BESIDE_MM) || j.between.includes(f.id)
    return made
      .filter((j) => near(j) && j.between.some((id) => own.has(id)))
      .flatMap((j) => j.between.map((id): [string, string] => [f.id, id]))
  })
}

/** What lies in a closed body, or in an open bed, is inside it and not in its way. */
function indoors(vehicle: Vehicle): (body: Solid, other: Solid) => boolean {
  return (body, other) => {
    const own = vehicle.bodies.find((b) => `body:${b.id}` === body.id)
    const top = own ? own.topZMm : (vehicle.roofHeightMm.value ?? 0)
    const closed = own ? ['cab', 'canopy', 'box'].includes(own.kind) : true
    const mid = middle(other)
    const within = (p: { x: number; y: number; z: number }) =>
      p.z < top - 1 && (!own || (p.x > own.fromXMm && p.x < own.toXMm && Math.abs(p.y) < own.widthMm / 2))
    return closed && !!mid && within(mid) && other.hulls.flat().every(within)
  }
}
const middle = (s: Solid) => s.hulls[0]?.[0] ?? null

/**
 * Two parts that meet in a corner with a third, which both are joined to there: the corner holds them, and how they close on one another is its cut. What
 * rests on the top of something rests.
 */
export function inOneCorner(m: Meeting, assembly: Assembly): boolean {
  if (m.a.kind === 'cargo' || m.b.kind === 'cargo') return rests(m)
  const joints = assembly.joints
  const of = (id: string): Joint[] => joints.filter((j) => j.between.includes(id))
  const other = (j: Joint, id: string) => (j.between[0] === id ? j.between[1] : j.between[0])
  const reach = reachOf(m.a.id, assembly) + reachOf(m.b.id, assembly)
  // deeper in one another than that they are drawn through each other, corner or not
  if (-m.gapMm > 0.6 * Math.min(reachOf(m.a.id, assembly), reachOf(m.b.id, assembly))) return false
  return of(m.a.id).some((ja) =>
    of(m.b.id).some((jb) => other(ja, m.a.id) === other(jb, m.b.id) && apart(ja.at, jb.at) < reach && apart(ja.at, m.at[0]) < 1.5 * reach),
  )
}

/** How far a part's own body reaches from its line. mm */
function reachOf(id: string, assembly: Assembly): number {
  const m = assembly.members.find((x) => x.id === id)
  if (!m) return 30
  const s = profileSection(m.profileId)
  return Math.hypot(s.widthMm, s.heightMm) / 2
}

/** Cargo is soft, and lies where it is put: what touches its underside by no more than this carries it. mm */
const SINKS_MM = 2
function rests({ a, b, gapMm }: Meeting): boolean {
  const [cargo, under] = a.kind === 'cargo' ? [a, b] : [b, a]
  const low = Math.min(...cargo.hulls.flat().map((p) => p.z))
  const top = Math.max(...under.hulls.flat().map((p) => p.z))
  return Math.abs(gapMm) <= SINKS_MM && Math.abs(top - low) <= SINKS_MM + 1
}
