import type { MountKind } from '../catalogue/mounts'
import type { Issue } from '../issue/issue'
import { type Place, placesOf } from '../places/places'
import type { FieldSpec, Site } from './family'
import { faultOf } from './parts'

/** How far the line of a floor lies inside its edge, as `core/places` draws it. mm */
const EDGE_MM: Partial<Record<Place['kind'], number>> = { 'bed floor': 60, 'van floor': 80, 'tray edge': 30 }

/** Floors that a box may stand on: the left one of each pair. */
export const floorsOf = (site: Site): Place[] => placesOf(site.vehicle).places.filter((p) => p.side !== 'right' && p.kind in EDGE_MM)
export const floorOf = (p: { placeId: string }, site: Site): Place | null => {
  const floors = floorsOf(site)
  return floors.find((f) => f.id === p.placeId) ?? floors[0] ?? null
}
export const floorFootKind = (floor: Place): MountKind =>
  floor.mounts.includes('through-bolt') ? 'through-bolt' : (floor.mounts[0] ?? 'floor screw')

/** What a box on a floor is too long or too wide for. mm */
export function floorFaults(
  name: string,
  box: { lengthMm: number; widthMm: number; rearX: number; frontMm: number },
  floor: Place,
): Issue[] {
  const [rear, front] = [Math.min(floor.from.x, floor.to.x), Math.max(floor.from.x, floor.to.x)]
  const wide = 2 * (Math.min(Math.abs(floor.from.y), Math.abs(floor.to.y)) + (EDGE_MM[floor.kind] ?? 0))
  const verb = name.endsWith('s') ? ['run', 'are', 'their'] : ['runs', 'is', 'its']
  const room = Math.max(0, Math.round(front - box.frontMm - rear))
  return [
    ...(box.rearX < rear - 0.5
      ? [
          faultOf(
            'lengthMm',
            `The ${name} ${verb[0]} out behind what ${name.endsWith('s') ? 'they stand' : 'it stands'} on: {${room}} at most`,
          ),
        ]
      : []),
    ...(box.widthMm > wide + 1
      ? [
          faultOf(
            'widthMm',
            `The ${name} ${verb[1]} wider than ${verb[2]} floor${floor.kind === 'bed floor' ? ' between the arches' : ''}: {${Math.floor(wide)}} at most`,
          ),
        ]
      : []),
  ]
}

type OnFloor = { placeId: string; frontMm: number }
/** Which floor, and how far behind its front end. */
export const floorFields = (mostBehindMm: number): FieldSpec<OnFloor>[] => [
  { key: 'placeId', label: 'Stands on', kind: 'place', options: (site) => floorsOf(site).map((f) => ({ value: f.id, label: f.name })) },
  { key: 'frontMm', label: 'Behind the front of it', kind: 'length', min: 0, max: mostBehindMm },
]

export const fitsFloor = (site: Site): string | null =>
  floorsOf(site).length ? null : 'it needs a floor to stand on: measure the bed, the tray or the van’s floor at Measure'
