import type { MountKind } from '../catalogue/mounts'
import type { Vec3 } from '../geometry/vec3'
import { type Body, type MountLine, mountHalfWidthMm, type Sourced, unknownValue, type Vehicle } from '../vehicle/vehicle'
import { bodyOfKind, measured } from './measured'

export const placeKinds = [
  'roof',
  'bed rail',
  'bed-rail lip',
  'stake pocket',
  'bed floor',
  'cab wall',
  'tray edge',
  'canopy side',
  'van floor',
  'van rib',
  'receiver',
  'bumper',
] as const
export type PlaceKind = (typeof placeKinds)[number]

/**
 * Where a mount may stand: a line in space (a point where both ends are one) on a body, which way that body's surface looks there, and what may hold on to
 * it. A mirrored pair is two places of one id. `pointsMm` = fixed places along it from its first end; null = anywhere. mm, vehicle axes.
 */
export type Place = {
  id: string
  side: 'left' | 'right' | 'middle'
  name: string
  kind: PlaceKind
  mounts: MountKind[]
  bodyId: string | null
  from: Vec3
  to: Vec3
  normal: Vec3
  pointsMm: number[] | null
  /** what one mount may press and pull there; unknown = nobody rated it */
  downKg: Sourced
  upKg: Sourced
  skin: MountLine['skin']
}
/** A place that the vehicle has, and the figures its measuring sheet still lacks before anything can stand there. */
export type Wanting = { name: string; lacks: string[] }

const UP: Vec3 = { x: 0, y: 0, z: 1 }

/** Places of a van's room, and of the shell of a cab or a rear end: what stands there is not on a roof. */
const INSIDE_PLACES = new Set(['van.floor', 'van.rib'])
const SHELL_PLACES = new Set(['cab.wall', 'bumper'])
/** Whether a place is in the room of the vehicle, on its shell, or out on one of its bodies. */
export const whereIs = (placeId: string): 'inside' | 'shell' | 'body' =>
  INSIDE_PLACES.has(placeId) ? 'inside' : SHELL_PLACES.has(placeId) ? 'shell' : 'body'

/** Whether anything of it stands in the room of the vehicle. */
export const isInside = (a: { mounts: { placeId: string }[] }): boolean => a.mounts.some((m) => whereIs(m.placeId) === 'inside')

/** Every place of a vehicle: its mount lines, and what its measuring sheets make of bed, tray, canopy, floor and rear end. */
export function placesOf(vehicle: Vehicle): { places: Place[]; wanting: Wanting[] } {
  const found = [
    ...vehicle.mounts.map((line): Place[] | Wanting => linePlaces(vehicle, line)),
    ...bedPlaces(vehicle),
    ...trayPlaces(vehicle),
    ...canopyPlaces(vehicle),
    ...vanPlaces(vehicle),
    ...rearPlaces(vehicle),
  ]
  return { places: found.flatMap((f) => (Array.isArray(f) ? f : [])), wanting: found.flatMap((f) => (Array.isArray(f) ? [] : [f])) }
}

/** The place of that id on that side; null where the vehicle has none. */
export const placeOf = (vehicle: Vehicle, id: string, side: Place['side'] = 'left'): Place | null => {
  const own = placesOf(vehicle).places.filter((p) => p.id === id)
  return own.find((p) => p.side === side) ?? own[0] ?? null
}

export const ratedAt = (vehicle: Vehicle, id: string) =>
  vehicle.placeRatings[id] ?? { downKg: unknownValue, upKg: unknownValue, skin: null }

function linePlaces(vehicle: Vehicle, line: MountLine): Place[] {
  const body = vehicle.bodies.find((b) => b.id === line.bodyId)
  const kind: PlaceKind = body?.kind === 'bed' ? 'bed rail' : body?.kind === 'tray' ? 'tray edge' : 'roof'
  return sides.map(([side, sign]) => {
    const at = (x: number): Vec3 => ({ x, y: sign * mountHalfWidthMm(line, x), z: line.zMm })
    return {
      id: line.id,
      side,
      name: line.name,
      kind,
      mounts: [line.kind],
      bodyId: line.bodyId,
      from: at(line.fromXMm),
      to: at(line.toXMm),
      normal: UP,
      pointsMm: line.pointsXMm?.length ? line.pointsXMm.map((x) => x - line.fromXMm) : null,
      downKg: line.footDownKg,
      upKg: line.footUpKg,
      skin: line.skin,
    }
  })
}

const sides = [
  ['left', 1],
  ['right', -1],
] as const

type Needed = { value: number | null; says: string }
/** A mirrored pair from its half distance at the rear and at the front; or what it lacks. */
function pair(
  vehicle: Vehicle,
  about: { id: string; name: string; kind: PlaceKind; mounts: MountKind[]; body: Body | null; normal?: (sign: number) => Vec3 },
  need: Record<'rearX' | 'frontX' | 'rearHalf' | 'frontHalf' | 'z', Needed> & { first?: Needed },
  pointsMm: number[] | null = null,
): Place[] | Wanting {
  const lacks = [...new Set(Object.values(need).flatMap((n) => (n.value === null ? [n.says] : [])))]
  if (lacks.length) return { name: about.name, lacks }
  const v = (key: keyof typeof need) => need[key]?.value ?? 0
  return sides.map(([side, sign]) => ({
    ...ratedAt(vehicle, about.id),
    id: about.id,
    side,
    name: about.name,
    kind: about.kind,
    mounts: about.mounts,
    bodyId: about.body?.id ?? null,
    from: { x: v('rearX'), y: sign * v('rearHalf'), z: v('z') },
    to: { x: v('frontX'), y: sign * v('frontHalf'), z: v('z') },
    normal: about.normal?.(sign) ?? UP,
    pointsMm,
  }))
}

/** Rails, lips, pockets and floor of a bed, of what the sheet *Bed* holds. */
function bedPlaces(vehicle: Vehicle): (Place[] | Wanting)[] {
  const body = bodyOfKind(vehicle, 'bed')
  const m = (id: string) => measured(vehicle, id)
  if (!body && m('bed.length').value === null) return []
  const frontX = first(m('bed.frontX'), { value: body?.toXMm ?? null, says: 'front wall of the bed, forward of the rear axle' })
  const z = first(m('bed.railHeight'), { value: body?.topZMm ?? null, says: 'top of the bed rail above the ground' })
  const length = m('bed.length')
  const rearX = { value: frontX.value === null || length.value === null ? null : frontX.value - length.value, says: length.says }
  const rail = m('bed.railWidth')
  // over the rails outside, less half a rail; else inside the walls, and half a rail more
  const half = (over: string, inside: string) => {
    const [o, i] = [m(over), m(inside)]
    const wide = rail.value ?? 0
    return {
      value: rail.value === null ? null : o.value !== null ? (o.value - wide) / 2 : i.value !== null ? (i.value + wide) / 2 : null,
      says: rail.value === null ? rail.says : i.says,
    }
  }
  const rails = {
    rearX,
    frontX,
    rearHalf: half('bed.outsideRear', 'bed.widthRear'),
    frontHalf: half('bed.outsideFront', 'bed.widthFront'),
    z,
  }
  const [pocket, pitch, wall, arches] = [m('bed.pocketFirst'), m('bed.pocketPitch'), m('bed.wallHeight'), m('bed.betweenArches')]
  const floor = { value: z.value === null || wall.value === null ? null : z.value - wall.value, says: wall.says }
  const inner = { value: arches.value === null ? null : arches.value / 2 - 60, says: arches.says }
  const fromRear =
    pocket.value === null || length.value === null ? null : pocketsFrom(length.value, pocket.value, pitch.value).sort((a, b) => a - b)
  return [
    pair(
      vehicle,
      { id: 'bed.rail', name: 'Top of the bed rails', kind: 'bed rail', mounts: ['through-bolt', 'bed-rail lip'], body },
      rails,
    ),
    ...(m('bed.lip').value === null
      ? []
      : [pair(vehicle, { id: 'bed.lip', name: 'Lip under the bed rails', kind: 'bed-rail lip', mounts: ['bed-rail lip'], body }, rails)]),
    ...(fromRear === null
      ? []
      : [
          pair(vehicle, { id: 'bed.pocket', name: 'Stake pockets', kind: 'stake pocket', mounts: ['stake pocket'], body }, rails, fromRear),
        ]),
    pair(
      vehicle,
      { id: 'bed.floor', name: 'Bed floor', kind: 'bed floor', mounts: ['floor screw', 'through-bolt'], body },
      { rearX, frontX, rearHalf: inner, frontHalf: inner, z: floor },
    ),
  ]
}

/** Pockets from the front edge on, as places from the rear end. mm */
function pocketsFrom(lengthMm: number, firstMm: number, pitchMm: number | null): number[] {
  if (pitchMm === null || pitchMm < 1) return [lengthMm - firstMm]
  const count = Math.max(1, Math.floor((lengthMm - firstMm) / pitchMm) + 1)
  return Array.from({ length: count }, (_, i) => lengthMm - firstMm - i * pitchMm).filter((at) => at >= 0)
}

function trayPlaces(vehicle: Vehicle): (Place[] | Wanting)[] {
  const body = bodyOfKind(vehicle, 'tray')
  if (!body) return []
  const m = (id: string) => measured(vehicle, id)
  const [length, width, deck, stake, pitch] = ['tray.length', 'tray.width', 'tray.deckHeight', 'tray.stakeFirst', 'tray.stakePitch'].map(m)
  const half = { value: width!.value === null ? null : width!.value / 2 - 30, says: width!.says }
  const need = {
    rearX: { value: length!.value === null ? null : body.toXMm - length!.value, says: length!.says },
    frontX: { value: body.toXMm, says: '' },
    rearHalf: half,
    frontHalf: half,
    z: first(deck!, { value: body.topZMm, says: deck!.says }),
  }
  return [
    pair(vehicle, { id: 'tray.edge', name: 'Edge of the tray', kind: 'tray edge', mounts: ['through-bolt'], body }, need),
    ...(stake!.value === null || length!.value === null
      ? []
      : [
          pair(
            vehicle,
            { id: 'tray.stake', name: 'Stake pockets of the tray', kind: 'stake pocket', mounts: ['stake pocket'], body },
            need,
            pocketsFrom(length!.value, stake!.value, pitch!.value).sort((a, b) => a - b),
          ),
        ]),
  ]
}

function canopyPlaces(vehicle: Vehicle): (Place[] | Wanting)[] {
  const body = bodyOfKind(vehicle, 'canopy')
  if (!body) return []
  const width = measured(vehicle, 'canopy.widthTop')
  const half = { value: width.value === null ? null : width.value / 2, says: width.says }
  return [
    pair(
      vehicle,
      {
        id: 'canopy.side',
        name: 'Side of the canopy',
        kind: 'canopy side',
        mounts: ['through-bolt'],
        body,
        normal: (sign) => ({ x: 0, y: sign, z: 0 }),
      },
      {
        rearX: { value: body.fromXMm, says: '' },
        frontX: { value: body.toXMm, says: '' },
        rearHalf: half,
        frontHalf: half,
        z: { value: body.topZMm - 120, says: '' },
      },
    ),
  ]
}

/** Floor and ribs of a van, of what the sheet *Van inside* holds. */
function vanPlaces(vehicle: Vehicle): (Place[] | Wanting)[] {
  if (vehicle.body !== 'van' && vehicle.body !== 'camper') return []
  const m = (id: string) => measured(vehicle, id)
  const [length, width, waist, z, fromX] = ['van.floorLength', 'van.widthFloor', 'van.widthWaist', 'van.floorHeight', 'van.floorFromX'].map(
    m,
  )
  if ([length, width, z].every((x) => x!.value === null)) return []
  const along = {
    rearX: fromX!,
    frontX: { value: fromX!.value === null || length!.value === null ? null : fromX!.value + length!.value, says: length!.says },
  }
  const half = (x: { value: number | null; says: string }, less: number) => ({
    value: x.value === null ? null : x.value / 2 - less,
    says: x.says,
  })
  const [pitch, firstRib, waistZ] = [m('van.ribPitch'), m('van.ribFirst'), m('van.waistHeight')]
  return [
    pair(
      vehicle,
      { id: 'van.floor', name: 'Van floor', kind: 'van floor', mounts: ['floor screw'], body: null },
      { ...along, rearHalf: half(width!, 80), frontHalf: half(width!, 80), z: z! },
    ),
    ...(pitch.value === null || length!.value === null
      ? []
      : [
          pair(
            vehicle,
            {
              id: 'van.rib',
              name: 'Ribs of the side walls',
              kind: 'van rib',
              mounts: ['rivet nut', 'floor screw'],
              body: null,
              normal: (sign) => ({ x: 0, y: -sign, z: 0 }),
            },
            {
              ...along,
              rearHalf: half(waist!, 0),
              frontHalf: half(waist!, 0),
              z: {
                value: z!.value === null || waistZ.value === null ? null : z!.value + waistZ.value,
                says: waistZ.value === null ? waistZ.says : z!.says,
              },
              first: firstRib,
            },
            ribsOf(length!.value, firstRib.value ?? 0, pitch.value),
          ),
        ]),
  ]
}

/** Ribs from the rear end of the floor. mm */
const ribsOf = (lengthMm: number, firstMm: number, pitchMm: number): number[] =>
  Array.from(
    { length: Math.max(0, Math.floor((lengthMm - firstMm) / Math.max(50, pitchMm)) + 1) },
    (_, i) => firstMm + i * Math.max(50, pitchMm),
  )

/** Receiver, bumper and the wall of the cab. */
function rearPlaces(vehicle: Vehicle): (Place[] | Wanting)[] {
  const m = (id: string) => measured(vehicle, id)
  const [height, toBumper, bumper] = [m('rear.receiverHeight'), m('rear.receiverToBumper'), m('rear.bumperHeight')]
  const rear = measured(vehicle, 'rearOverhangMm')
  const cab = bodyOfKind(vehicle, 'cab')
  const behind: Vec3 = { x: -1, y: 0, z: 0 }
  const lacks = [rear, height, toBumper].flatMap((x) => (x.value === null ? [x.says] : []))
  const hasReceiver = height.value !== null || vehicle.tongueKg.value !== null || vehicle.carrierKg.value !== null
  const receiver: Vec3 = { x: (toBumper.value ?? 0) - (rear.value ?? 0), y: 0, z: height.value ?? 0 }
  const width = (vehicle.widthMm.value ?? 1600) / 2 - 150
  const wallHalf = (measured(vehicle, 'cab.widthAtRail').value ?? 1200) / 2 - 80
  return [
    ...(!hasReceiver
      ? []
      : lacks.length
        ? [{ name: 'Receiver', lacks }]
        : [
            [
              point(
                vehicle,
                { id: 'receiver', name: 'Receiver', kind: 'receiver', mounts: ['receiver'], bodyId: null, normal: behind },
                receiver,
              ),
            ],
          ]),
    ...(bumper.value === null || rear.value === null
      ? []
      : [
          [
            {
              ...point(
                vehicle,
                { id: 'bumper', name: 'Bumper', kind: 'bumper', mounts: ['through-bolt'], bodyId: null, normal: UP },
                { x: -rear.value + 60, y: width, z: bumper.value },
              ),
              to: { x: -rear.value + 60, y: -width, z: bumper.value },
            },
          ],
        ]),
    ...(cab && bodyOfKind(vehicle, 'bed')
      ? [
          [
            {
              ...point(
                vehicle,
                {
                  id: 'cab.wall',
                  name: 'Back wall of the cab',
                  kind: 'cab wall',
                  mounts: ['through-bolt'],
                  bodyId: cab.id,
                  normal: behind,
                },
                { x: cab.fromXMm, y: wallHalf, z: (cab.topZMm + (bodyOfKind(vehicle, 'bed')?.topZMm ?? cab.bottomZMm)) / 2 },
              ),
              to: { x: cab.fromXMm, y: -wallHalf, z: (cab.topZMm + (bodyOfKind(vehicle, 'bed')?.topZMm ?? cab.bottomZMm)) / 2 },
            },
          ],
        ]
      : []),
  ]
}

const point = (vehicle: Vehicle, about: Pick<Place, 'id' | 'name' | 'kind' | 'mounts' | 'bodyId' | 'normal'>, at: Vec3): Place => ({
  ...ratedAt(vehicle, about.id),
  ...about,
  side: 'middle',
  from: at,
  to: at,
  pointsMm: null,
})

const first = <T extends { value: number | null }>(...of: [T, ...T[]]): T => of.find((o) => o.value !== null) ?? of[of.length - 1]!

/** The point of a place at so much from its first end. mm */
export const alongPlace = (p: Place, atMm: number): Vec3 => {
  const length = Math.hypot(p.to.x - p.from.x, p.to.y - p.from.y, p.to.z - p.from.z)
  const t = length > 0 ? Math.max(0, Math.min(1, atMm / length)) : 0
  return { x: p.from.x + (p.to.x - p.from.x) * t, y: p.from.y + (p.to.y - p.from.y) * t, z: p.from.z + (p.to.z - p.from.z) * t }
}
