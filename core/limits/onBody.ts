import type { Assembly, Mount } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { whereIs } from '../places/places'
import { restOf } from '../resting/rest'
import type { Body, Sourced, Vehicle } from '../vehicle/vehicle'

/** The vehicle's own roof: its cab, its box, or the whole of a vehicle of one body. */
export const ROOF = 'roof'
export const RECEIVER = 'receiver'
/** The room of a van: no snow lies there, and no roof bears it. */
export const INSIDE = 'inside'
/** The back wall of a cab, a bumper: borne by the frame, rated by its axles. */
const SHELL = 'shell'

/** The body that bears a mount, as limits are named: `roof`, `receiver`, or a body's id. */
export const bodyKey = (vehicle: Vehicle, bodyId: string | null): string => {
  const body = vehicle.bodies.find((b) => b.id === bodyId)
  return body && body.kind !== 'cab' && body.kind !== 'box' ? body.id : ROOF
}

const mountKey = (vehicle: Vehicle, m: Mount): string => {
  if (m.kind === 'receiver') return RECEIVER
  const where = whereIs(m.placeId)
  return where === 'inside' ? INSIDE : where === 'shell' ? SHELL : bodyKey(vehicle, m.bodyId)
}

/** For each part: the bodies that it stands on, by itself or through what it is joined to. Parts tied together stand on all that any of them stands on. */
export function onBodies(assembly: Assembly, vehicle: Vehicle): Map<string, string[]> {
  const parts = [...assembly.members, ...assembly.plates, ...assembly.fittings].map((p) => p.id)
  const root = new Map(parts.map((id) => [id, id]))
  const top = (id: string): string => {
    const up = root.get(id)
    return up === undefined || up === id ? id : top(up)
  }
  const tie = (a: string, b: string) => {
    if (root.has(a) && root.has(b)) root.set(top(a), top(b))
  }
  for (const j of assembly.joints) {
    tie(j.between[0], j.between[1])
    if (j.gusset) tie(j.gusset.plateId, j.between[0])
  }
  for (const m of assembly.mounts) if (m.via) tie(m.via, m.on)
  const under = new Map<string, Set<string>>()
  for (const m of assembly.mounts) {
    const key = mountKey(vehicle, m)
    const set = under.get(top(m.on)) ?? new Set<string>()
    under.set(top(m.on), set.add(key))
  }
  const of = (id: string): string[] => [...(under.get(top(id)) ?? [])]
  return new Map([
    ...parts.map((id): [string, string[]] => [id, of(id)]),
    ...assembly.infills.map((i): [string, string[]] => [i.id, i.on.flatMap(of)]),
    ...assembly.mounts.map((m): [string, string[]] => [m.id, [mountKey(vehicle, m)]]),
  ])
}

/** For each item: the bodies that bear it. */
export function cargoBodies(assembly: Assembly, vehicle: Vehicle, brief: Brief): [string, string[]][] {
  const bodies = onBodies(assembly, vehicle)
  return brief.cargo.map((c) => {
    const { supports, under } = restOf(c, assembly)
    const on = (s: (typeof supports)[number]): string[] => {
      const own = s.bearings.filter((b) => under.includes(b))
      const by = own.length ? own : s.bearings
      const parts = by.flatMap((b) => (b.on === null ? [] : (bodies.get(b.on) ?? [])))
      return parts.length ? parts : [bodyKey(vehicle, s.bodyId)]
    }
    return [c.id, [...new Set(supports.flatMap(on))]]
  })
}

export type Rated = { key: string; name: string; moving: Sourced; parked: Sourced; needed: boolean }
/** What each body's maker lets it bear. A bed or a tray is rated by its axles unless its maker says more; a roof, canopy or cover always needs its rating. */
export const ratedBodies = (vehicle: Vehicle): Rated[] => [
  { key: ROOF, name: 'Roof', moving: vehicle.roofMovingKg, parked: vehicle.roofParkedKg, needed: true },
  ...vehicle.bodies
    .filter((b) => bodyKey(vehicle, b.id) === b.id)
    .map((b: Body) => ({
      key: b.id,
      name: b.name,
      moving: b.movingKg,
      parked: b.parkedKg,
      needed: b.kind === 'canopy' || b.kind === 'cover',
    })),
]
