import { type Assembly, type Joint, type Member, memberMiddle, type Plate } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { markOf } from '../assembly/marks'
import { facesOf, plateCentre, plateNormal } from '../assembly/places'
import { centreLine, headingAlong, nearestAlong, pointAlong } from '../geometry/centreLine'
import { along, cross, dot, minus, plus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { partsOf, weldRuns } from '../limits/joinedParts'
import { radians } from '../quantity/units'
import { acrossOf } from './tools'

/** One side of a weld: places along its run, the ways from which a torch may point at it, the best first, and the angle of its corner. mm, of length 1, degrees */
export type SeamSide = { places: Vec3[]; from: Vec3[]; closesDeg: number }
/** A weld by its sides, all of which are welded. */
export type SeamReach = { id: string; name: string; pieceId: string | null; holds: [string, string]; sides: SeamSide[] }

/** How far a torch leans off the middle of its corner, and along the seam, and still makes a bead. degrees; shop's own */
const LEANS_DEG = [0, -22, 22]
const PUSHES_DEG = [0, 30, -30]
/** Places looked at along a run, in halves of it. */
const ALONG = [-0.7, 0, 0.7]

/** Every weld of an assembly with the sides a torch must get to. */
export const seamsOf = (a: Assembly): SeamReach[] =>
  a.joints
    .filter((j) => j.kind === 'weld')
    .map((j) => ({
      id: j.id,
      name: `weld of ${named(a, j.between[0])} to ${named(a, j.between[1])}`,
      pieceId: pieceIdOf(j.id),
      holds: j.between,
      sides: sidesOf(a, j),
    }))

const named = (a: Assembly, id: string): string => {
  const part = [...a.members, ...a.plates].find((p) => p.id === id)
  return part ? `${part.name.toLowerCase()} ${part.mark}`.trim() : markOf(a, id)
}

/**
 * The sides of a fillet between what stands and what it stands on: a run on each, seen from the middle of its open corner. Two tubes that meet end to end are
 * welded from round about.
 */
function sidesOf(a: Assembly, j: Joint): SeamSide[] {
  const [first, second] = j.between.map((id) => partAt(a, id, j.at)) as [PartAt | null, PartAt | null]
  if (!first || !second) return []
  const { alongMm, apartMm, allRound } = weldRuns(j, partsOf(a, j))
  const [base, stands] = second.up ? [second, first] : [first, second]
  const butt = base.up === null
  // a plate is stood on from the side where the other part is
  const n = base.up === null ? stands.run : base.plate && dot(minus(stands.middle, j.at), base.up) < 0 ? times(base.up, -1) : base.up
  const round = allRound || butt
  // laid flat on it, the corner may be on either side of its face
  const flat = stands.plate && stands.up !== null && Math.abs(dot(stands.up, n)) > 0.7
  const runs = round ? acrossNear(n, base.run) : [flat ? acrossNear(n, base.run)[0] : runOf(stands, n)]
  const out = round ? Math.max(alongMm, apartMm) / 2 : apartMm / 2
  const half = round ? out : alongMm / 2
  return runs.flatMap((r) => {
    const aside = unit(cross(n, r))
    return [1, -1].map((s): SeamSide => {
      const way = times(aside, s)
      const middle = along(j.at, way, out)
      const corners = butt ? [way] : flat ? [plus(way, n), minus(way, n)] : [plus(way, n)]
      return {
        closesDeg: butt || flat || lies(stands, n) ? 90 : closing(way, stands, j.at),
        places: ALONG.map((k) => along(middle, r, k * half)),
        from: corners.flatMap((c) => waysIn(unit(c), unit(cross(r, c)), r)),
      }
    })
  })
}

/** It runs past on top of what it is welded to, instead of ending on it: less than some 6° off level. */
const lies = (p: PartAt, n: Vec3): boolean => p.plate || Math.abs(dot(p.run, n)) < 0.1

/** The angle between what is stood on, that way, and the side of what stands on it: how sharp the corner is that the bead lies in. degrees */
function closing(way: Vec3, stands: PartAt, at: Vec3): number {
  const up = dot(minus(stands.middle, at), stands.run) < 0 ? times(stands.run, -1) : stands.run
  return (Math.acos(Math.max(-1, Math.min(1, dot(way, up)))) * 180) / Math.PI
}

/** Two ways across another, one of them as near as may be to what is given. */
function acrossNear(n: Vec3, near: Vec3): [Vec3, Vec3] {
  const level = minus(near, times(n, dot(near, n)))
  const u = size(level) > 0.1 ? unit(level) : acrossOf(n)[0]
  return [u, unit(cross(n, u))]
}

/** From the middle of the corner, leaned to either side of it and pushed or drawn along. */
const waysIn = (middle: Vec3, lean: Vec3, run: Vec3): Vec3[] =>
  PUSHES_DEG.flatMap((p) =>
    LEANS_DEG.map((l) => unit(plus(plus(middle, times(lean, Math.tan(radians(l)))), times(run, Math.tan(radians(p)))))),
  )

/** What a part is at a joint: the way its length runs there, and which way is out of it towards the joint; null where the joint is on its line. */
type PartAt = { run: Vec3; up: Vec3 | null; plate: boolean; middle: Vec3 }
function partAt(a: Assembly, id: string, at: Vec3): PartAt | null {
  const m = a.members.find((x) => x.id === id)
  if (m) return memberAt(m, at)
  const p = a.plates.find((x) => x.id === id)
  return p ? plateAt(p, at) : null
}

/** Nearer to its line than this a joint is at its end, not on its side. mm */
const ON_LINE_MM = 3
function memberAt(m: Member, at: Vec3): PartAt {
  const line = centreLine(m.path, m.bendRadiiMm)
  const near = nearestAlong(line, at)
  const run = headingAlong(line, near.atMm)
  const off = minus(at, pointAlong(line, near.atMm))
  const level = minus(off, times(run, dot(off, run)))
  return { run, up: size(level) > ON_LINE_MM ? unit(level) : null, plate: false, middle: memberMiddle(m) }
}

/** The face that lies nearest; out of it on the side where the joint is. */
function plateAt(p: Plate, at: Vec3): PartAt {
  const off = (f: { pose: Plate['pose'] }) => Math.abs(dot(plateNormal(f), minus(at, f.pose.origin)))
  const face = facesOf(p).reduce((best, f) => (off(f) < off(best) ? f : best))
  return { run: face.pose.along, up: plateNormal(face), plate: true, middle: plateCentre(p) }
}

/** The way that a run goes: along a flat part's edge, or along a member. */
function runOf(first: PartAt, n: Vec3): Vec3 {
  const edge = first.plate && first.up ? cross(first.up, n) : first.run
  const level = minus(edge, times(n, dot(edge, n)))
  return size(level) > 0.1 ? unit(level) : acrossOf(n)[0]
}
