import type { Assembly, Member } from '../../assembly/assembly'
import { footTypes, type MountKind } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { sectionAxes } from '../../geometry/localAxes'
import { along, apart, cross, dot, minus, times, unit, type Vec3 } from '../../geometry/vec3'
import { type Place, placesOf } from '../../places/places'
import type { Site } from '../family'
import type { BracketsParams, Way } from './params'

const waysIn: Record<Way, Vec3> = {
  ahead: { x: 1, y: 0, z: 0 },
  behind: { x: -1, y: 0, z: 0 },
  left: { x: 0, y: 1, z: 0 },
  right: { x: 0, y: -1, z: 0 },
  up: { x: 0, y: 0, z: 1 },
  down: { x: 0, y: 0, z: -1 },
}
const nearestTo = (way: Way, of: Vec3[]): Vec3 => of.reduce((best, v) => (dot(v, waysIn[way]) > dot(best, waysIn[way]) + 1e-6 ? v : best))

/**
 * What brackets lie on: its first end, the way along it, the way out of its face, and the way each bracket runs over that. `wideMm` = flat face across, null = as
 * much as anybody likes; `deepMm` = how thick it is under that face. mm, of length 1
 */
export type Base = {
  at: Vec3
  way: Vec3
  out: Vec3
  runs: Vec3
  lengthMm: number
  wideMm: number | null
  deepMm: number | null
  member: Member | null
  round: boolean
  slotted: boolean
  /** a place of the vehicle, how a bracket is held there, and where it takes one; null = anywhere. mm */
  place: { place: Place; kind: MountKind; pointsMm: number[] | null } | null
}

/** A plate is bolted on flat there. */
const FLAT_KINDS: MountKind[] = ['rivet nut', 'through-bolt', 'track', 'point']
const kindAt = (p: Place): MountKind | null => FLAT_KINDS.find((k) => p.mounts.includes(k)) ?? null
/** Places of the vehicle that a plate can be bolted on flat. */
export const flatPlaces = (site: Site): Place[] => placesOf(site.vehicle).places.filter((p) => kindAt(p) !== null)

/** Straight tubes of the piece below. */
export const straightBars = (below: Assembly): Member[] =>
  below.members.filter((m) => m.path.length === 2 && apart(m.path[0]!, m.path[1]!) > 150)

/** Null where there is nothing to bolt brackets to. */
export function baseOf(p: BracketsParams, site: Site): Base | null {
  return site.below ? onBar(p, straightBars(site.below)) : onPlace(p, flatPlaces(site))
}

function onBar(p: BracketsParams, bars: Member[]): Base | null {
  const m = bars.find((b) => b.id === p.onMember) ?? bars[0]
  if (!m) return null
  const [from, to] = [m.path[0]!, m.path[1]!]
  const { run, width, height } = sectionAxes(from, to, m.rollDeg)
  const s = profileSection(m.profileId)
  const out = nearestTo(p.face, [width, times(width, -1), height, times(height, -1)])
  const onHeight = Math.abs(dot(out, height)) > 0.5
  const { shape } = profileOf(m.profileId)
  const deepMm = onHeight ? s.heightMm : s.widthMm
  const aside = cross(out, run)
  return {
    at: along(from, out, deepMm / 2),
    way: run,
    out,
    runs: nearestTo(p.runs, [run, times(run, -1), aside, times(aside, -1)]),
    lengthMm: apart(from, to),
    wideMm: onHeight ? s.widthMm : s.heightMm,
    deepMm,
    member: m,
    round: shape.kind === 'round',
    slotted: shape.kind === 'slotted',
    place: null,
  }
}

function onPlace(p: BracketsParams, places: Place[]): Base | null {
  const mine = places.filter((x) => x.id === p.placeId)
  const place = mine.find((x) => x.side === p.side) ?? mine[0] ?? places[0]
  const kind = place ? kindAt(place) : null
  if (!place || !kind) return null
  const line = minus(place.to, place.from)
  const way = unit(line)
  const out = unit(minus(place.normal, times(way, dot(place.normal, way))))
  const aside = cross(out, way)
  const wall = Math.abs(out.z) < 0.5
  return {
    at: along(place.from, { x: 0, y: 0, z: 1 }, wall ? p.upMm : 0),
    way,
    out,
    runs: nearestTo(p.runs, [way, times(way, -1), aside, times(aside, -1)]),
    lengthMm: apart(place.from, place.to),
    ...{ wideMm: null, deepMm: null, member: null, round: false, slotted: false },
    place: { place, kind, pointsMm: place.pointsMm },
  }
}
/** Whether it stands on a wall, whose height over its line is to be said. */
export const onWall = (b: Base | null): boolean => b?.place != null && Math.abs(b.out.z) < 0.5

/** How many bolts a foot of that kind has, in one row along its line; null = each hole is a foot of its own. */
export const rowOf = (kind: MountKind): number | null => (footTypes[kind].boltsPerFoot > 1 ? footTypes[kind].boltsPerFoot : null)
