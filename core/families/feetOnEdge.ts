import type { Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
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
/** Bolted feet in pairs along both base members on an edge: so far from their ends, and no further apart. mm */
export function feetOnEdge({ edge, rearX, frontX, half }: Along, inMm: number, apartMm: number): Mount[] {
  const [from, to] = [rearX + inMm, frontX - inMm]
  const n = Math.max(2, Math.ceil((to - from) / apartMm) + 1)
  return Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1)).flatMap((x, i) =>
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
