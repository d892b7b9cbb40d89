import { type Assembly, type Joint, type Member, type Mount, memberLengthMm } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { markOf } from '../assembly/marks'
import { footTypes } from '../catalogue/mounts'
import { centreLine, headingAlong, nearestAlong, pointAlong } from '../geometry/centreLine'
import { along, apart, type Vec3 } from '../geometry/vec3'
import type { Job } from '../job/job'
import { turningJoint } from '../limits/held'
import type { Limit } from '../limits/limit'
import { type RackGiven, rackLimits } from '../limits/rackLimits'
import { carriedBy } from '../loads/carried'
import { wholeOf } from '../pieces/whole'
import { alongPlace, placeOf } from '../places/places'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

/** Shop's own: a second bolt so far beside the first, a second foot so far along, and how far from the joint a brace lands. mm */
const SECOND_BOLT_MM = 40
const SECOND_FOOT_MM = 120
const BRACE_MM = 200
/** A place that is further than this from where a part lies is not under it. mm */
const UNDER_MM = 25

export type Added = {
  /** what nothing holds from turning or lifting, and what was put in */
  at: string
  tried: string
  /** most used limit of what carries and holds, before and with it, among those assessed both times; null = none is */
  before: number | null
  after: number | null
  limit: string
  /** limits that are not assessed with it in */
  open: number
}

/**
 * What is added where nothing but grip resists: a second bolt or a brace at a joint that turns, a second foot where the part over it runs on along its place,
 * rails that tie bars standing on single bolts; the whole is solved again with each. What brings the worst limit down most comes first.
 */
export function addOne(job: Job, rules: Rules): Added[] {
  const { assembly } = wholeOf(job, rules)
  const { vehicle, brief, loadTests: tests } = job
  return addedTo({ assembly, carried: carriedBy(assembly, brief), vehicle, brief, rules, tests })
}

export function addedTo(given: RackGiven): Added[] {
  const { assembly, vehicle } = given
  const tries = [...atJoints(assembly), ...atFeet(assembly, vehicle), ...ties(assembly)]
  if (!tries.length) return []
  const before = rackLimits(given).limits.filter(holds)
  return tries
    .map(({ at, tried, with: changed }): Added => {
      const after = rackLimits({ ...given, assembly: changed }).limits.filter(holds)
      const known = (l: Limit, others: Limit[]) =>
        l.ratio !== null && others.some((o) => o.id === l.id && o.pieceId === l.pieceId && o.ratio !== null)
      const was = worstOf(before.filter((l) => known(l, after)))
      const worst = worstOf(after.filter((l) => known(l, before)))
      return {
        at,
        tried,
        before: was?.ratio ?? null,
        after: worst?.ratio ?? null,
        limit: worst?.name ?? '',
        open: after.filter((l) => l.ratio === null).length,
      }
    })
    .sort((a, b) => (a.after ?? Number.POSITIVE_INFINITY) - (b.after ?? Number.POSITIVE_INFINITY))
}

/** What carries or holds; overhangs and spans change with no bolt. */
const holds = (l: Limit): boolean => l.group === 'rack' && l.ref !== null && !/^(overhang|span)/.test(l.id)
const worstOf = (limits: Limit[]): Limit | null =>
  limits.reduce<Limit | null>((worst, l) => ((l.ratio ?? 0) > (worst?.ratio ?? -1) ? l : worst), null)

type Try = { at: string; tried: string; with: Assembly }

function atJoints(a: Assembly): Try[] {
  return a.joints
    .filter((j) => turningJoint(j, a))
    .flatMap((j) => {
      const at = `${markOf(a, j.between[0])} on ${markOf(a, j.between[1])}`
      const braced = j.kind === 'pin' ? null : braceAcross(j, a)
      return [
        ...(j.kind === 'bolt' ? [{ at, tried: 'a second bolt beside the first', with: withBolt(j, a) }] : []),
        ...(braced ? [{ at, tried: 'a welded brace between the two', with: braced }] : []),
      ]
    })
}

const withBolt = (j: Joint, a: Assembly): Assembly => ({
  ...a,
  joints: a.joints.map((o) =>
    o === j ? { ...j, bolts: { size: j.bolts?.size ?? 'M8', ...j.bolts, count: 2, apartMm: SECOND_BOLT_MM } } : o,
  ),
})

/** A straight of the first part's own tube, from one part to the other, the same way from the joint on both. */
function braceAcross(j: Joint, a: Assembly): Assembly | null {
  const [p, q] = j.between.map((id) => a.members.find((m) => m.id === id))
  if (!p || !q) return null
  const [from, to] = [towardsMiddle(p, j.at), towardsMiddle(q, j.at)]
  if (apart(from, to) < BRACE_MM / 2) return null
  const brace: Member = { ...p, id: `${p.id}:brace`, mark: `${p.mark}+`, name: 'brace', path: [from, to], bendRadiiMm: [], ends: p.ends }
  const weld = (other: string, at: Vec3, n: number): Joint => ({ id: `${j.id}:brace${n}`, kind: 'weld', between: [brace.id, other], at })
  return { ...a, members: [...a.members, brace], joints: [...a.joints, weld(p.id, from, 1), weld(q.id, to, 2)] }
}

/** A place of a member so far from another one, towards its own middle. */
function towardsMiddle(m: Member, at: Vec3): Vec3 {
  const line = centreLine(m.path, m.bendRadiiMm)
  const { atMm } = nearestAlong(line, at)
  const length = memberLengthMm(m)
  return pointAlong(line, atMm + (atMm > length / 2 ? -1 : 1) * Math.min(BRACE_MM, length / 2))
}

function atFeet(a: Assembly, vehicle: Vehicle): Try[] {
  return a.mounts
    .filter((m) => footTypes[m.kind].holds.turning === null || footTypes[m.kind].holds.up === null)
    .flatMap((m) => {
      const second = secondOf(m, a, vehicle)
      return second
        ? [{ at: `Foot ${m.mark}`, tried: `a second foot ${SECOND_FOOT_MM} mm along`, with: { ...a, mounts: [...a.mounts, second] } }]
        : []
    })
}

/** Members that stand side by side on feet that let them turn, tied together over those feet by a length of their own tube on each side. */
function ties(a: Assembly): Try[] {
  const turning = a.mounts.filter((m) => footTypes[m.kind].holds.turning === null)
  return [...new Set(turning.map((m) => pieceIdOf(m.id)))].flatMap((pieceId) => {
    const own = turning.filter((m) => pieceIdOf(m.id) === pieceId)
    const made = (['left', 'right', 'middle'] as const).flatMap((side) => {
      const feet = own.filter((m) => m.side === side).flatMap((m) => a.members.find((o) => o.id === m.on) ?? [])
      const places = feet.map((member, i) => ({ member, at: onLine(member, own.filter((m) => m.side === side)[i]!.place) }))
      const ordered = places.sort((p, q) => p.at.x - q.at.x)
      const [first, last] = [ordered[0], ordered[ordered.length - 1]]
      if (!first || !last || apart(first.at, last.at) < BRACE_MM) return []
      const tie: Member = {
        ...first.member,
        id: `${first.member.id}:tie-${side}`,
        mark: 'tie',
        name: 'tie',
        path: ordered.map((p) => p.at),
        bendRadiiMm: [],
      }
      const joints = ordered.map((p, k): Joint => ({ id: `${tie.id}:${k}`, kind: 'weld', between: [tie.id, p.member.id], at: p.at }))
      return [{ tie, joints }]
    })
    if (!made.length) return []
    return [
      {
        at: `Feet ${own.map((m) => m.mark).join(', ')}`,
        tried: 'a rail over each row of feet, welded to every bar',
        with: { ...a, members: [...a.members, ...made.map((m) => m.tie)], joints: [...a.joints, ...made.flatMap((m) => m.joints)] },
      },
    ]
  })
}

const onLine = (m: Member, at: Vec3): Vec3 => {
  const line = centreLine(m.path, m.bendRadiiMm)
  return pointAlong(line, nearestAlong(line, at).atMm)
}

/** The same foot again further along what stands on it, where the place under it runs on as well. */
function secondOf(m: Mount, a: Assembly, vehicle: Vehicle): Mount | null {
  const over = a.members.find((o) => o.id === m.on)
  const place = placeOf(vehicle, m.placeId, m.side === 'middle' ? 'left' : m.side)
  if (!over || !place) return null
  if (place.pointsMm) return null
  const line = centreLine(over.path, over.bendRadiiMm)
  const { atMm } = nearestAlong(line, m.place)
  const length = memberLengthMm(over)
  const way = headingAlong(line, atMm)
  const by = atMm + SECOND_FOOT_MM <= length ? SECOND_FOOT_MM : -SECOND_FOOT_MM
  const at = along(m.place, way, by)
  const under = alongPlace(place, nearestAlong([place.from, place.to], at).atMm)
  if (atMm + by < 0 || apart(at, under) > UNDER_MM) return null
  return { ...m, id: `${m.id}+`, mark: `${m.mark}+`, place: at }
}
