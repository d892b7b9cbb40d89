import type { Mount } from '../assembly/assembly'
import { boltSizes } from '../catalogue/bolts'
import { footTypes } from '../catalogue/mounts'
import { ROWS_APART_MM } from '../fasten/footPull'
import type { Vec3 } from '../geometry/vec3'
import { type Place, placesOf } from '../places/places'
import type { Site } from './family'

export const sides = [1, -1] as const
export type Side = (typeof sides)[number]
export const nameOf = (side: Side) => (side > 0 ? 'left' : 'right')
export const letterOf = (side: Side) => (side > 0 ? 'L' : 'R')

/** The left one of a pair of edges that bolts go through, by the places' names in the order that is wished for; null where none is measured. */
export const leftEdge = (site: Site, ...ids: string[]): Place | null => {
  const { places } = placesOf(site.vehicle)
  return ids.flatMap((id) => places.find((p) => p.id === id && p.side === 'left') ?? [])[0] ?? null
}

type Along = { edge: Place; rearX: number; frontX: number; half: (x: number) => number }
/** What stands on a base member, from where to where along the vehicle: no bolt goes through there. mm */
export type Standing = { fromX: number; toX: number }

/** A spanner lies under what slopes over a rail once that is so high. mm; shop's own */
const UNDER_MM = 30
/** Where a stay that slopes up ahead keeps tools away from the rail it stands on: from behind its toe until there is room under it. Axes in space, mm */
export function underStay([up, down]: [Vec3, Vec3], deepMm: number, railTopZ: number): Standing {
  const slope = Math.atan2(up.z - down.z, Math.max(1, up.x - down.x))
  const half = deepMm / 2
  const ahead = (railTopZ + UNDER_MM - down.z + half / Math.cos(slope)) / Math.tan(slope)
  return { fromX: down.x - half / Math.sin(slope), toX: Math.min(up.x, down.x + ahead) }
}

/** So far from the middle of a foot a tool still turns its bolts: half of what they are apart, a ring spanner, and a bead of weld. mm; shop's own */
const BESIDE_MM = ROWS_APART_MM / 2 + 1.4 * boltSizes[footTypes['through-bolt'].bolt.size].diameterMm + 9
/** Bolted feet move along their rail until nothing stands over their bolts; where there is no such place they stay, and Fit says so. mm */
export function besideWhatStands(xs: number[], standing: Standing[], low: number, high: number): number[] {
  const taken = standing.map(({ fromX, toX }) => [fromX - BESIDE_MM, toX + BESIDE_MM] as const)
  const free = (x: number) => x >= low && x <= high && taken.every(([from, to]) => x <= from || x >= to)
  return xs.map((x) => {
    if (free(x)) return x
    const near = taken.flat().filter(free)
    return near.length ? near.reduce((a, b) => (Math.abs(b - x) < Math.abs(a - x) ? b : a)) : x
  })
}

/** Bolted feet in pairs along both base members on an edge: so far from their ends and no further apart, then beside what stands on them. mm */
export function feetOnEdge({ edge, rearX, frontX, half }: Along, inMm: number, apartMm: number, standing: Standing[]): Mount[] {
  const [from, to] = [rearX + inMm, frontX - inMm]
  const n = Math.max(2, Math.ceil((to - from) / apartMm) + 1)
  const even = Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
  return besideWhatStands(even, standing, from, to).flatMap((x, i) =>
    sides.map(
      (side): Mount => ({
        id: `foot:${i}:${nameOf(side)}`,
        mark: `F${i + 1}${letterOf(side)}`,
        kind: 'through-bolt',
        placeId: edge.id,
        bodyId: edge.bodyId,
        on: `base:${nameOf(side)}`,
        side: nameOf(side),
        place: { x, y: side * half(x), z: edge.to.z },
        normal: { x: 0, y: 0, z: 1 },
        massKg: footTypes['through-bolt'].massKg,
        backingMm: 50,
        via: null,
      }),
    ),
  )
}
