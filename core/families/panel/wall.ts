import type { Vec3 } from '../../geometry/vec3'
import { along, cross, minus, size, times } from '../../geometry/vec3'
import { measured } from '../../places/measured'
import { type Place, placesOf } from '../../places/places'
import type { Site } from '../family'

/** A wall that a panel stands before: `at` = its first end at the floor, `way` along it, `out` of it. mm */
export type Wall = {
  place: Place
  at: Vec3
  way: Vec3
  out: Vec3
  lengthMm: number
  /** ribs from its first end; null = screws may stand anywhere */
  ribsMm: number[] | null
  /** from floor to roof; null = nobody measured it */
  heightMm: number | null
}

export const wallsOf = (site: Site): Place[] => placesOf(site.vehicle).places.filter((p) => p.kind === 'van rib' || p.kind === 'cab wall')

export function wallOf(p: { placeId: string; side: 'left' | 'right' }, site: Site): Wall | null {
  const walls = wallsOf(site)
  const mine = walls.filter((w) => w.id === p.placeId)
  const place = mine.find((w) => w.side === p.side) ?? mine[0] ?? walls[0]
  if (!place) return null
  const run = minus(place.to, place.from)
  const lengthMm = size(run)
  const floorMm = place.kind === 'van rib' ? measured(site.vehicle, 'van.floorHeight').value : floorBefore(site)
  return {
    place,
    at: { ...place.from, z: floorMm ?? place.from.z },
    way: times(run, 1 / Math.max(1e-9, lengthMm)),
    out: place.normal,
    lengthMm,
    ribsMm: place.pointsMm,
    heightMm: place.kind === 'van rib' ? measured(site.vehicle, 'van.height').value : null,
  }
}

/** The bed's floor at the foot of a cab's wall. mm */
const floorBefore = (site: Site): number | null => placesOf(site.vehicle).places.find((p) => p.kind === 'bed floor')?.from.z ?? null

const UP: Vec3 = { x: 0, y: 0, z: 1 }
/** A panel's own x, so that its thickness lies away from the wall; and whether that runs against the wall's own way. */
export const facing = (wall: Wall): { x: Vec3; flip: boolean } => {
  const x = cross(UP, wall.out)
  return { x, flip: size(minus(x, wall.way)) > 1 }
}
/** A place before the wall: so far along it, over the floor and out of it. mm */
export const before = (wall: Wall, alongMm: number, upMm: number, outMm: number): Vec3 =>
  along(along(along(wall.at, wall.way, alongMm), UP, upMm), wall.out, outMm)
