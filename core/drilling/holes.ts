import { type Assembly, type Joint, type Member, type Mount, memberLengthMm, type Plate } from '../assembly/assembly'
import { facesOf, onPlate, plateNormal } from '../assembly/places'
import { locatedHoleMm, threads } from '../boltHoles/boltHoles'
import { type BoltSize, boltLengthMm, isThin, rivetNutHoleMm } from '../catalogue/bolts'
import { backingPlate, footTypes } from '../catalogue/mounts'
import { profileOf, profileSection } from '../catalogue/profiles'
import { wallOf } from '../catalogue/section'
import { ROWS_APART_MM } from '../fasten/footPull'
import { centreLine, headingAlong, nearestAlong } from '../geometry/centreLine'
import type { Hole } from '../geometry/hole'
import { sectionAxes } from '../geometry/localAxes'
import { along, cross, dot, minus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { ratedAt } from '../places/places'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

/**
 * One part that a bolt passes. Where along a member it is drilled; how thick it is there; null = nobody measured. `nut` = a rivet nut is set in it, and the hole
 * that takes that; null = its maker's to say. `cut` = the hole that a flat part has there of its own, cut with its edge. mm
 */
export type HoleLayer = {
  part: string
  mark: string
  name: string
  atMm: number | null
  throughMm: number | null
  nut?: { drillMm: number | null }
  cut?: Hole
}
/**
 * A place where bolts go through: a hole is one thing however many parts it passes. `drillMm` = the hole in all of them but where a nut is set; where bolts are set out on the
 * vehicle it is larger by twice what they may be off.
 */
export type HolePlace = {
  id: string
  what: 'joint' | 'foot'
  size: BoltSize
  count: number
  apartMm: number | null
  layers: HoleLayer[]
  closeMm: number
  drillMm: number
  /** where it is set out on the vehicle, how far it may be off and who says so; null = between our own parts. mm */
  off: { mm: number; by: 'the shop' | 'vehicles read' } | null
  /** a spacer that the bolt passes between its parts. mm */
  spacerMm: number
  /** sum of the layers; null = one of them is not known, and then no bolt is long enough for certain */
  stackMm: number | null
  boltMm: number | null
  caution: string | null
}

/** A part that stands on its mount begins no farther from it than this. mm */
const ON_SEAT_MM = 3

/**
 * Every place where bolts pass through more than one part: joints, and feet whose body is drilled. Clearance by ISO 273 medium or ASME B18.2.8 normal; where a
 * hole is set out on the vehicle it is d + 2·e (one bolt in two holes, each off by e), e the shop's own. Lengths mm.
 */
export function holePlaces(a: Assembly, vehicle: Vehicle, rules: Rules): HolePlace[] {
  return [...jointPlaces(a), ...a.mounts.flatMap((m) => footPlace(a, m, vehicle, rules))]
}

/** Those between our own parts. */
export const jointPlaces = (a: Assembly): HolePlace[] => a.joints.flatMap((j) => jointPlace(a, j))

function jointPlace(a: Assembly, j: Joint): HolePlace[] {
  const { bolts } = j
  // gone on through a third part it is the other joint's bolt
  if (!bolts || bolts.goesOn) return []
  const way = wayThrough(a, j)
  // a slot takes the bolt by its nut: nothing is drilled there
  const drilled = j.between.filter((id) => !isSlotted(a, id))
  if (!drilled.length) return []
  const layers = drilled.map((id): HoleLayer => {
    const layer = layerOf(a, id, j.at, way)
    return isRivetNut(a, id, bolts) ? { ...layer, nut: { drillMm: rivetNutHoleMm[bolts.size] ?? null } } : layer
  })
  const t = threads[bolts.size]
  return [
    {
      id: j.id,
      what: 'joint',
      size: bolts.size,
      count: bolts.count,
      apartMm: bolts.apartMm ?? null,
      layers,
      closeMm: t.closeMm,
      drillMm: t.normalMm,
      ...{ off: null, spacerMm: bolts.spacerMm ?? 0 },
      ...bolted(bolts.size, layers, bolts.spacerMm),
      caution: layers.some((l) => isBought(a, l.part)) ? 'A bought part that is drilled keeps its rating only if its maker says so.' : null,
    },
  ]
}

/** Through the foot, what stands on it, the sheet of the body and the plate behind it. */
function footPlace(a: Assembly, m: Mount, vehicle: Vehicle, rules: Rules): HolePlace[] {
  const type = footTypes[m.kind]
  if (!type.drilled || m.theirs) return []
  const t = threads[type.bolt.size]
  const line = vehicle.mounts.find((x) => x.id === m.placeId)
  const skin = (line ? line.skin : ratedAt(vehicle, m.placeId).skin)?.thicknessMm ?? null
  const stands = standsOn(a, m)
  const off: HolePlace['off'] = m.offMm === undefined ? { mm: rules.holeErrorMm, by: 'the shop' } : { mm: m.offMm, by: 'vehicles read' }
  const spacerMm = m.spacerMm ?? 0
  const layers: HoleLayer[] = [
    ...(stands ? [layerOf(a, m.on, m.place, m.normal)] : [{ part: m.id, mark: m.mark, name: type.name, atMm: null, throughMm: null }]),
    {
      ...{ part: `body:${m.placeId}`, mark: 'body', name: 'sheet of the body', atMm: null, throughMm: skin },
      ...(type.nut === 'rivet nut' ? { nut: { drillMm: rivetNutHoleMm[type.bolt.size] ?? null } } : {}),
    },
    ...(m.backingMm === null
      ? []
      : [{ part: `${m.id}:plate`, mark: 'plate', name: 'backing plate', atMm: null, throughMm: backingPlate.thicknessMm }]),
  ]
  return [
    {
      id: m.id,
      what: 'foot',
      size: type.bolt.size,
      count: type.boltsPerFoot,
      apartMm: type.boltsPerFoot > 1 ? ROWS_APART_MM : null,
      layers,
      closeMm: t.closeMm,
      drillMm: locatedHoleMm(type.bolt.size, off.mm),
      ...{ off, spacerMm },
      ...bolted(type.bolt.size, layers, spacerMm),
      caution: type.caution,
    },
  ]
}

export const isSlotted = (a: Assembly, id: string): boolean => {
  const member = a.members.find((m) => m.id === id)
  return member !== undefined && profileOf(member.profileId).shape.kind === 'slotted'
}
/** Where the thread that a bolt is turned into is a rivet nut: in sheet or a wall too thin for a thread of its own. */
export function isRivetNut(a: Assembly, id: string, bolts: NonNullable<Joint['bolts']>): boolean {
  if (bolts.into !== id) return false
  const member = a.members.find((m) => m.id === id)
  const wallMm = member ? wallOf(profileOf(member.profileId).shape) : (a.plates.find((p) => p.id === id)?.thicknessMm ?? null)
  return wallMm !== null && isThin(wallMm, bolts.size)
}

const isBought = (a: Assembly, id: string): boolean => a.fittings.some((f) => f.id === id)

/** A member whose underside, or a flat part whose face, lies on the place itself. */
export function standsOn(a: Assembly, m: Mount): boolean {
  const member = a.members.find((x) => x.id === m.on)
  if (!member) return a.plates.some((p) => p.id === m.on)
  const line = centreLine(member.path, member.bendRadiiMm)
  const { offMm } = nearestAlong(line, m.place)
  return offMm - reachOf(member, m.place, m.normal) / 2 < ON_SEAT_MM
}

function bolted(bolt: BoltSize, layers: HoleLayer[], spacerMm = 0): Pick<HolePlace, 'stackMm' | 'boltMm'> {
  if (layers.some((l) => l.throughMm === null)) return { stackMm: null, boltMm: null }
  const stackMm = layers.reduce((s, l) => s + (l.throughMm ?? 0), spacerMm)
  return { stackMm, boltMm: boltLengthMm(bolt, stackMm) }
}

/** Which way a bolt goes through a joint: through a flat part square to it; of two members square to both; else up. */
export function wayThrough(a: Assembly, j: Joint): Vec3 {
  const plate = a.plates.find((p) => j.between.includes(p.id))
  if (plate) return plateNormalAt(plate, j.at)
  const headings = j.between.flatMap((id) => {
    const m = a.members.find((x) => x.id === id)
    if (!m) return []
    const line = centreLine(m.path, m.bendRadiiMm)
    return [headingAlong(line, nearestAlong(line, j.at).atMm)]
  })
  const square = headings.length === 2 ? cross(headings[0]!, headings[1]!) : null
  return square && size(square) > 1e-6 ? unit(square) : { x: 0, y: 0, z: 1 }
}

/** Of a folded part the face that lies nearest to the place. */
function plateNormalAt(p: Plate, at: Vec3): Vec3 {
  const flat = (p.faces ?? []).filter((f) => !f.bend)
  if (!flat.length) return plateNormal(p)
  const off = (f: (typeof flat)[number]): number => {
    const xs = f.outline.map((q) => along(along(f.pose.origin, f.pose.along, q.x), f.pose.up, q.y))
    const middle = xs.reduce((s, q) => along(s, q, 1 / xs.length), { x: 0, y: 0, z: 0 })
    return Math.abs(dot(plateNormal(f), { x: at.x - middle.x, y: at.y - middle.y, z: at.z - middle.z }))
  }
  return plateNormal(flat.reduce((best, f) => (off(f) < off(best) ? f : best)))
}

/** How far a bolt goes through a member that way, where it is drilled. mm */
function reachOf(m: Member, at: Vec3, way: Vec3): number {
  const line = centreLine(m.path, m.bendRadiiMm)
  const run = headingAlong(line, nearestAlong(line, at).atMm)
  const s = profileSection(m.profileId)
  const { shape } = profileOf(m.profileId)
  const { width, height } = sectionAxes(at, along(at, run, 1), m.rollDeg)
  // an open section is passed by its wall
  if (shape.kind === 'angle') return shape.thicknessMm
  if (shape.kind === 'channel') return shape.webMm
  return Math.abs(dot(width, way)) > Math.abs(dot(height, way)) ? s.widthMm : s.heightMm
}

/** The hole that a flat part has where a bolt goes, whichever of its faces that is in. mm */
const SAME_PLACE_MM = 0.5
function ownHole(p: Plate, at: Vec3): Hole | null {
  for (const f of facesOf(p))
    for (const h of f.holes ?? []) {
      const from = minus(at, onPlate(f, h.at))
      const aside = minus(from, times(plateNormal(f), dot(from, plateNormal(f))))
      if (size(aside) < SAME_PLACE_MM) return h
    }
  return null
}

function layerOf(a: Assembly, id: string, at: Vec3, way: Vec3): HoleLayer {
  const member = a.members.find((m) => m.id === id)
  if (member) {
    const { atMm } = nearestAlong(centreLine(member.path, member.bendRadiiMm), at)
    return { part: id, mark: member.mark, name: member.name, atMm, throughMm: reachOf(member, at, way) }
  }
  const plate = a.plates.find((p) => p.id === id)
  if (plate) {
    const cut = ownHole(plate, at)
    return { part: id, mark: plate.mark, name: plate.name, atMm: null, throughMm: plate.thicknessMm, ...(cut ? { cut } : {}) }
  }
  const fitting = a.fittings.find((f) => f.id === id)
  return { part: id, mark: fitting?.mark ?? '', name: fitting?.name ?? 'bought part', atMm: null, throughMm: null }
}

const nutWords = ({ drillMm }: NonNullable<HoleLayer['nut']>): string =>
  drillMm === null ? 'a rivet nut’s hole by its maker' : `{g ${drillMm}} for its rivet nut`
const cutWords = ({ diameterMm, slot }: Hole): string => (slot ? `slot {g ${slot.lengthMm}} × {g ${diameterMm}}` : `{g ${diameterMm}}`)
/** What a layer is called on a list, with the hole that a nut in it takes, or that it is cut with; lengths in braces. */
export const layerWords = (l: HoleLayer): string =>
  [l.name, ...(l.nut ? [nutWords(l.nut)] : []), ...(l.cut ? [`cut with it: ${cutWords(l.cut)}`] : [])].join(', ')

/** What is drilled in one member: the middles of its places from its first end, in order, each with what goes there. mm */
export type DrillRow = {
  part: string
  mark: string
  name: string
  lengthMm: number
  at: { atMm: number; place: HolePlace; drillMm: number | null; nut: boolean; mates: string[] }[]
}

/** Members that are drilled, each with its places from its first end. A slotted profile is not drilled: its nuts slide. */
export function drillList(a: Assembly, places: HolePlace[]): DrillRow[] {
  return a.members.flatMap((m): DrillRow[] => {
    if (isSlotted(a, m.id)) return []
    const at = places
      .flatMap((place) =>
        place.layers.flatMap((l) =>
          l.part === m.id && l.atMm !== null
            ? [
                {
                  atMm: l.atMm,
                  place,
                  drillMm: l.nut ? l.nut.drillMm : place.drillMm,
                  nut: l.nut !== undefined,
                  mates: place.layers.filter((o) => o !== l).map((o) => o.mark),
                },
              ]
            : [],
        ),
      )
      .sort((x, y) => x.atMm - y.atMm)
    return at.length ? [{ part: m.id, mark: m.mark, name: m.name, lengthMm: memberLengthMm(m), at }] : []
  })
}

/** What a layer was when it was ticked as drilled: the same place and size give the same mark. */
export const holeMark = (p: HolePlace, l: HoleLayer): string =>
  `${p.size} ${p.count} ${(l.nut ? (l.nut.drillMm ?? 0) : (l.cut?.diameterMm ?? p.drillMm)).toFixed(1)}${l.cut?.slot ? `×${l.cut.slot.lengthMm.toFixed(1)}` : ''} ${l.atMm === null ? '-' : l.atMm.toFixed(1)}`.slice(
    0,
    40,
  )
/** The name under which a drilled layer is kept with the job. */
const HOLE = 'hole:'
export const holeKey = (p: HolePlace, l: HoleLayer): string => `${HOLE}${p.id}:${l.part}`.slice(0, 120)
/** Among the ticks of a job, those of holes. */
export const isHoleKey = (key: string): boolean => key.startsWith(HOLE)
