import type { Assembly, Joint, Mount } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { markOf } from '../assembly/marks'
import { onPlate } from '../assembly/places'
import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { footTypes } from '../catalogue/mounts'
import { profileSection } from '../catalogue/profiles'
import { isSlotted, standsOn, wayThrough } from '../drilling/holes'
import { ROWS_APART_MM } from '../fasten/footPull'
import { centreLine, headingAlong, nearestAlong } from '../geometry/centreLine'
import { isRound } from '../geometry/hole'
import { along, apart, cross, dot, minus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { FOOT } from '../solid/foot'
import type { Held } from './bodies'
import { acrossOf } from './tools'

/** Where a tool is set on a bolt, and the way out from the metal. mm, of length 1 */
export type BoltEnd = { at: Vec3; out: Vec3 }
/** One bolt: its ends that a tool must get to. One end only = the other is a thread or a captive nut. */
export type BoltPlace = { ends: BoltEnd[] }
/** The bolts of one joint, or of a foot that is drilled for. `lacks` = why nobody can say whether they are reached. */
export type Fastening = {
  id: string
  name: string
  pieceId: string | null
  size: BoltSize
  count: number
  /** ids of the parts it holds together; a foot's holds what stands on it */
  holds: string[]
  places: BoltPlace[]
  /** bodies that its tools need not keep clear of: likenesses, larger than what they stand for */
  but: string[]
  lacks: string | null
}

/** Every bolted joint of an assembly, and every foot that is screwed or bolted into drilled sheet from outside. */
export const fasteningsOf = (a: Assembly, bodies: Held[]): Fastening[] => [
  ...a.joints.flatMap((j) => jointBolts(a, j, bodies)),
  ...a.mounts.flatMap((m) => footBolts(a, m, bodies)),
]

function jointBolts(a: Assembly, j: Joint, bodies: Held[]): Fastening[] {
  const { bolts } = j
  // the bolts of a hinge or a latch are those of the hinge and the latch themselves, each in its own part
  if (!bolts || bolts.goesOn || !(j.kind === 'bolt' || j.kind === 'slide')) return []
  const fittings = new Set(a.fittings.map((f) => f.id))
  // a plate in the corner lies between the two
  const layers = [...j.between, ...(j.gusset ? [j.gusset.plateId] : [])]
  const own = bodies.filter((b) => layers.includes(b.solid.id))
  const rows = (bolts.rows ?? [j.at]).map((at) => ({ ...j, at }))
  const found = rows.flatMap((row) => {
    const way = unit(wayThrough(a, row))
    const spread = boltPlaces(a, row, way).map((at) => endsOf(a, row, at, way, own, fittings))
    // where they are not as far apart as that they are judged by their middle
    return spread.every((p) => p !== null) ? spread : [endsOf(a, row, row.at, way, own, fittings)]
  })
  // one that nobody can place leaves all of them open
  const stood = found.every((p) => p !== null) ? found.flatMap((p) => p ?? []) : []
  const places = bolts.heads?.map((h): BoltPlace => ({ ends: [{ at: h.at, out: h.out }] })) ?? stood
  const [p, q] = j.between.map((id) => named(a, id))
  return [
    {
      id: j.id,
      name: `${bolts.count > 1 ? `${bolts.count} bolts` : 'bolt'} of ${p} to ${q}`,
      pieceId: pieceIdOf(j.id),
      size: bolts.size,
      count: bolts.count,
      holds: [...j.between],
      places,
      but: j.between.filter((id) => fittings.has(id)),
      lacks: places.length ? null : 'where its bolts stand is not known',
    },
  ]
}

const named = (a: Assembly, id: string): string => {
  const part = [...a.members, ...a.plates, ...a.fittings].find((p) => p.id === id)
  return part ? `${part.name.toLowerCase()} ${part.mark}`.trim() : markOf(a, id)
}

/** The holes of a flat part that stand round the joint; else a row along the member; else the middle. */
function boltPlaces(a: Assembly, j: Joint, way: Vec3): Vec3[] {
  const { count, apartMm, size: bolt } = j.bolts!
  const d = boltSizes[bolt].diameterMm
  for (const plate of a.plates.filter((p) => j.between.includes(p.id) && !p.faces)) {
    const holes = plate.holes.filter((h) => isRound(h) && h.diameterMm >= d && h.diameterMm < 1.6 * d).map((h) => onPlate(plate, h.at))
    const near = holes.sort((p, q) => apart(p, j.at) - apart(q, j.at)).slice(0, count)
    if (near.length === count && near.every((p) => apart(p, j.at) < 1.5 * (apartMm ?? 60))) return near
  }
  if (count < 2 || !apartMm || j.bolts!.rows) return [j.at]
  const run = runOf(a, j, way)
  return [-0.5, 0.5].map((s) => along(j.at, run, s * apartMm))
}

/** Along the line that the bolts stand in; else along the narrower member, over the wider one's width; else along a bought thing: as far as that lies across the bolt. */
function runOf(a: Assembly, j: Joint, way: Vec3): Vec3 {
  const [m] = a.members
    .filter((x) => j.between.includes(x.id))
    .sort((p, q) => profileSection(p.profileId).widthMm - profileSection(q.profileId).widthMm)
  const line = m ? centreLine(m.path, m.bendRadiiMm) : null
  const fitting = a.fittings.find((f) => j.between.includes(f.id))
  const h = j.axis ? j.axis : line ? headingAlong(line, nearestAlong(line, j.at).atMm) : fitting ? longWay(fitting.size, way) : null
  if (!h) return acrossOf(way)[0]
  const level = minus(h, times(way, dot(h, way)))
  return size(level) > 0.1 ? unit(level) : acrossOf(way)[0]
}

/** The longest way of a box that lies across another way. */
function longWay(box: Vec3, way: Vec3): Vec3 {
  const [x, y, z] = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
    { x: 0, y: 0, z: 1 },
  ] as const
  return (
    [
      [x, box.x],
      [y, box.y],
      [z, box.z],
    ] as const
  ).reduce<[Vec3, number]>((best, [v, mm]) => (Math.abs(dot(v, way)) < 0.7 && mm > best[1] ? [v, mm] : best), [acrossOf(way)[0], -1])[0]
}

/** Parts nearer to one another along a bolt than this lie on each other. mm */
const LIES_MM = 3
/** Where a bolt comes out of the parts that it holds; null where it goes through neither. */
function endsOf(a: Assembly, j: Joint, at: Vec3, way: Vec3, own: Held[], fittings: Set<string>): BoltPlace | null {
  const through = own
    .filter((b) => !fittings.has(b.solid.id))
    .flatMap((b) => {
      const cut = cutOf(b, at, way)
      return cut ? [{ id: b.solid.id, ...cut }] : []
    })
    .sort((p, q) => p.low - q.low)
  const stack = grown(through)
  if (!stack) return null
  const [first, last]: [BoltEnd, BoltEnd] = [
    { at: along(at, way, stack.low), out: times(way, -1) },
    { at: along(at, way, stack.high), out: way },
  ]
  // the side of a bought thing has its maker's thread, that of a slot a captive nut: what is turned is on the other
  const blind = j.bolts?.into ?? j.between.find((id) => fittings.has(id) || isSlotted(a, id))
  if (!blind) return { ends: [first, last] }
  const side = sideOf(a, blind, along(at, way, (stack.low + stack.high) / 2), way, own)
  return { ends: [side > 0 ? first : last] }
}

/** On which side of a place something lies along a way. */
function sideOf(a: Assembly, id: string, at: Vec3, way: Vec3, own: Held[]): number {
  const fitting = a.fittings.find((f) => f.id === id)
  if (fitting) return dot(minus(fitting.middle, at), way)
  const cuts = own.filter((b) => b.solid.id === id).flatMap((b) => cutOf(b, at, way) ?? [])
  return cuts.reduce((s, c) => s + (c.low + c.high) / 2, 0)
}

/** What lies on one another round the place nearest to the joint. */
function grown(cuts: { low: number; high: number }[]): { low: number; high: number } | null {
  const off = (c: { low: number; high: number }) => Math.max(0, c.low, -c.high)
  const seed = [...cuts].sort((p, q) => off(p) - off(q))[0]
  if (!seed || off(seed) > FOOT.pad.x) return null
  let { low, high } = seed
  for (let going = true; going; ) {
    going = false
    for (const c of cuts)
      if ((c.low < low || c.high > high) && c.low <= high + LIES_MM && c.high >= low - LIES_MM) {
        low = Math.min(low, c.low)
        high = Math.max(high, c.high)
        going = true
      }
  }
  return { low, high }
}

/** From where to where a line goes through a convex body: clipped by every face's plane (Cyrus & Beck 1978). mm along it; null = it misses */
function cutOf({ body }: Held, at: Vec3, way: Vec3): { low: number; high: number } | null {
  let [low, high] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY]
  const { corners, faces } = body.convex
  // faces are kept once for each way: a body ends on both sides of it
  for (const n of [...faces, ...faces.map((f) => times(f, -1))]) {
    const room = Math.max(...corners.map((c) => dot(n, c))) - dot(n, at)
    const goes = dot(n, way)
    if (Math.abs(goes) < 1e-9) {
      if (room < 0) return null
    } else if (goes > 0) high = Math.min(high, room / goes)
    else low = Math.max(low, room / goes)
  }
  return low < high ? { low, high } : null
}

/** Sine of the slope from which a member stands on its foot rather than lies on it. */
const STEEP = 0.35
/** Room beside an upright for a ring spanner on each side, in diameters. Shop's own */
const BESIDE = 4
/** A bolt goes no farther up than this through what stands on its foot: flat parts that lie on one another. mm */
const HIGHEST_MM = 80
/** Bolts and screws of a foot into drilled sheet: reached from outside, over its pad or over what they go through. What is behind the sheet is not judged. */
function footBolts(a: Assembly, m: Mount, bodies: Held[]): Fastening[] {
  const type = footTypes[m.kind]
  if (!type.drilled || m.theirs) return []
  const member = a.members.find((x) => x.id === m.on)
  const line = member ? centreLine(member.path, member.bendRadiiMm) : null
  const head = line ? headingAlong(line, nearestAlong(line, m.place).atMm) : { x: 1, y: 0, z: 0 }
  const level = minus(head, times(m.normal, dot(head, m.normal)))
  // what stands on end on a foot has its bolts on both sides of the way it leans
  const upright = member !== undefined && Math.abs(dot(head, m.normal)) > STEEP
  const flat = size(level) > 0.1 ? unit(level) : acrossOf(m.normal)[0]
  const run = upright ? cross(m.normal, flat) : flat
  const d = boltSizes[type.bolt.size].diameterMm
  const apartMm = upright ? Math.max(ROWS_APART_MM, profileSection(member.profileId).widthMm + BESIDE * d) : ROWS_APART_MM
  const rows = type.boltsPerFoot > 1 ? [-0.5, 0.5] : [0]
  return [
    {
      id: m.id,
      name: `${type.boltsPerFoot > 1 ? `${type.boltsPerFoot} bolts` : 'bolt'} of foot ${m.mark}`,
      pieceId: pieceIdOf(m.id),
      size: type.bolt.size,
      count: type.boltsPerFoot,
      holds: [m.on],
      places: rows.map((k) => {
        const at = along(m.place, run, k * apartMm)
        return { ends: [{ at: along(at, m.normal, standsOn(a, m) ? topOver(a, m, at, bodies) : FOOT.pad.z), out: m.normal }] }
      }),
      but: [m.id, `body:${m.bodyId ?? ''}`],
      lacks: null,
    },
  ]
}

/** How high over its place a bolt comes out of what stands there: out of the member, or of the flat parts that lie on one another. mm */
function topOver(a: Assembly, m: Mount, at: Vec3, bodies: Held[]): number {
  const plates = new Set(a.plates.map((p) => p.id))
  const cuts = (ids: (id: string) => boolean) =>
    bodies
      .filter((b) => ids(b.solid.id))
      .flatMap((b) => cutOf(b, at, m.normal) ?? [])
      .filter((c) => c.high > 0 && c.low < HIGHEST_MM)
  if (!plates.has(m.on)) return Math.max(FOOT.pad.z, ...cuts((id) => id === m.on).map((c) => Math.min(c.high, HIGHEST_MM)))
  const own = cuts((id) => id === m.on)
  return own.length ? (grown([...own, ...cuts((id) => id !== m.on && plates.has(id))])?.high ?? FOOT.pad.z) : FOOT.pad.z
}
