import type { Point } from '../geometry/vec3'
import { leafAt, swingPaths, swingsOf } from '../vehicle/swings'
import type { Body, Vehicle } from '../vehicle/vehicle'
import { box, type Entity, type Layer, project, type ViewName } from './sheet'

export const WHEEL_RADIUS_MM = 340 // drawn size only: no figure is taken from it

/** The figures a vehicle is drawn by, likely ones where they are not measured; its cab's screen from foot to top. mm */
export type Drawn = {
  body: Vehicle['body']
  rear: number
  front: number
  base: number
  width: number
  roofWidthRear: number
  cab: { rearX: number; topX: number; topZ: number; footX: number; bonnetZ: number }
  /** height of the rear lamps' middle, and of the bed's rim */
  lampZ: number
  bedZ: number
}
export function drawnVehicle(vehicle: Vehicle): Drawn {
  const rear = -(vehicle.rearOverhangMm.value ?? 1150)
  const front = rear + (vehicle.lengthMm.value ?? 5400)
  const width = vehicle.widthMm.value ?? 1950
  const roof = roofOf(vehicle, rear, front, width, vehicle.heightMm.value ?? 2000)
  const cab = vehicle.bodies.find((b) => b.kind === 'cab')
  const bed = vehicle.bodies.find((b) => b.kind !== 'cab')
  const open = vehicle.body === 'pickup' || vehicle.body === 'truck'
  const [topX, topZ] = cab ? [cab.toXMm, cab.topZMm] : [roof.to, roof.z]
  const bonnetZ = Math.min(topZ * (cab ? 0.55 : 0.5), 1150)
  const bedZ = bed?.topZMm ?? Math.min(roof.z * 0.58, 1100)
  return {
    body: vehicle.body,
    rear,
    front,
    base: vehicle.wheelbaseMm.value ?? 3300,
    width,
    roofWidthRear: roof.widthRear,
    cab: {
      rearX: cab?.fromXMm ?? (open ? roof.from : rear),
      topX,
      topZ,
      footX: cab ? topX + (front - topX) * 0.55 : Math.min(front - 60, topX + (front - topX) * 0.62),
      bonnetZ,
    },
    lampZ: Math.min(open ? bedZ - 120 : 1150, topZ * 0.5),
    bedZ,
  }
}

/**
 * The vehicle as a quiet background, from its measured figures. What lies between them (bonnet, screen, bed) is a likeness only, and
 * anything drawn from a missing figure is dashed on the layer `assumed`.
 */
export function vehicleOutline(vehicle: Vehicle, view: ViewName): Entity[] {
  const v = (key: 'lengthMm' | 'widthMm' | 'heightMm' | 'wheelbaseMm' | 'rearOverhangMm' | 'trackWidthMm', likely: number) =>
    vehicle[key].value ?? likely
  const guessed = (...keys: ('lengthMm' | 'widthMm' | 'heightMm' | 'wheelbaseMm' | 'rearOverhangMm')[]): Layer =>
    keys.some((k) => vehicle[k].value === null) ? 'assumed' : 'vehicle'
  const length = v('lengthMm', 5400)
  const rear = -v('rearOverhangMm', 1150)
  const front = rear + length
  const width = v('widthMm', 1950)
  const height = v('heightMm', 2000)
  const base = v('wheelbaseMm', 3300)
  const roof = roofOf(vehicle, rear, front, width, height)
  if (view === 'plan') {
    return [
      {
        kind: 'polygon',
        layer: guessed('lengthMm', 'rearOverhangMm', 'widthMm'),
        closed: true,
        points: planBody(rear, front, width),
        dashed: guessed('lengthMm', 'rearOverhangMm', 'widthMm') === 'assumed',
      },
      {
        kind: 'polygon',
        layer: roof.known ? 'roof' : 'assumed',
        closed: true,
        dashed: !roof.known,
        filled: roof.known,
        points: [
          { x: roof.from, y: -roof.widthRear / 2 },
          { x: roof.to, y: -roof.widthFront / 2 },
          { x: roof.to, y: roof.widthFront / 2 },
          { x: roof.from, y: roof.widthRear / 2 },
        ],
      },
      ...planLines(vehicle, rear, front, width, roof),
    ]
  }
  if (view === 'side') {
    const layer = guessed('lengthMm', 'rearOverhangMm', 'heightMm')
    const silhouette: Entity[] = vehicle.bodies.length
      ? vehicle.bodies.flatMap((b) => bodySide(b, front))
      : [
          {
            kind: 'polygon',
            layer,
            closed: true,
            dashed: layer === 'assumed',
            points: sideBody(vehicle.body, rear, front, roof.z, roof.from, roof.to),
          },
        ]
    return [
      ...silhouette,
      ...[0, base].map(
        (x): Entity => ({
          kind: 'circle',
          layer: guessed('wheelbaseMm'),
          centre: { x, y: WHEEL_RADIUS_MM },
          radius: WHEEL_RADIUS_MM,
          filled: true,
        }),
      ),
      { kind: 'line', layer: 'datum', from: { x: rear - 150, y: 0 }, to: { x: front + 150, y: 0 } },
    ]
  }
  const half = width / 2
  const shoulder = Math.min(roof.z * 0.55, 1250)
  return [
    {
      kind: 'polygon',
      layer: guessed('widthMm', 'heightMm'),
      closed: true,
      dashed: guessed('widthMm', 'heightMm') === 'assumed',
      points: [
        { x: -half, y: 320 },
        { x: half, y: 320 },
        { x: half, y: shoulder },
        { x: roof.widthRear / 2, y: roof.z - 60 },
        { x: roof.widthRear / 2 - 60, y: roof.z },
        { x: -roof.widthRear / 2 + 60, y: roof.z },
        { x: -roof.widthRear / 2, y: roof.z - 60 },
        { x: -half, y: shoulder },
      ],
    },
    ...[-1, 1].map(
      (side): Entity => ({
        kind: 'polygon',
        layer: 'vehicle',
        closed: true,
        filled: true,
        points: box(
          { x: side * (v('trackWidthMm', width - 260) / 2) - 110, y: 0 },
          { x: side * (v('trackWidthMm', width - 260) / 2) + 110, y: 2 * WHEEL_RADIUS_MM },
        ),
      }),
    ),
    { kind: 'line', layer: 'datum', from: { x: -half - 150, y: 0 }, to: { x: half + 150, y: 0 } },
  ]
}

function roofOf(vehicle: Vehicle, rear: number, front: number, width: number, height: number) {
  const keys = ['roofFromXMm', 'roofToXMm', 'roofWidthRearMm', 'roofWidthFrontMm', 'roofHeightMm'] as const
  return {
    known: keys.every((k) => vehicle[k].value !== null),
    from: vehicle.roofFromXMm.value ?? rear + 200,
    to: vehicle.roofToXMm.value ?? front - 1400,
    widthRear: vehicle.roofWidthRearMm.value ?? width - 260,
    widthFront: vehicle.roofWidthFrontMm.value ?? width - 300,
    z: vehicle.roofHeightMm.value ?? height - 20,
  }
}

/** The foot of the screen, and behind a cab the edge of the bed: a likeness, so that front and rear are told at a glance. */
function planLines(vehicle: Vehicle, rear: number, front: number, width: number, roof: { from: number; to: number }): Entity[] {
  const cab = vehicle.bodies.find((b) => b.kind === 'cab')
  const roofEnd = cab?.toXMm ?? roof.to
  const screen = roofEnd + (front - roofEnd) * 0.62
  const bed = vehicle.bodies.length === 0 && (vehicle.body === 'pickup' || vehicle.body === 'truck')
  return [
    {
      kind: 'polygon',
      layer: 'vehicle',
      closed: false,
      points: [
        { x: screen - 120, y: -width * 0.44 },
        { x: screen, y: -width * 0.3 },
        { x: screen, y: width * 0.3 },
        { x: screen - 120, y: width * 0.44 },
      ],
    },
    ...vehicle.bodies
      .filter((b) => b.kind !== 'cab')
      .map(
        (b): Entity => ({
          kind: 'polygon',
          layer: 'vehicle',
          closed: true,
          points: box({ x: b.fromXMm, y: -b.widthMm / 2 }, { x: b.toXMm, y: b.widthMm / 2 }),
        }),
      ),
    ...(cab
      ? [
          {
            kind: 'polygon',
            layer: 'vehicle',
            closed: true,
            points: box({ x: cab.fromXMm, y: -cab.widthMm * 0.38 }, { x: cab.toXMm, y: cab.widthMm * 0.38 }),
          } as Entity,
        ]
      : []),
    ...(bed
      ? [
          {
            kind: 'polygon',
            layer: 'vehicle',
            closed: true,
            points: box({ x: rear + 60, y: -width / 2 + 90 }, { x: roof.from - 90, y: width / 2 - 90 }),
          } as Entity,
        ]
      : []),
  ]
}

/** One body from the side. */
function bodySide(b: Body, front: number): Entity[] {
  const layer: Layer = 'vehicle'
  if (b.kind === 'cab') {
    const bonnet = Math.min(b.topZMm * 0.55, 1150)
    const screen = b.toXMm + (front - b.toXMm) * 0.55
    return [
      {
        kind: 'polygon',
        layer,
        closed: true,
        points: [
          { x: b.fromXMm, y: b.bottomZMm },
          { x: front, y: b.bottomZMm },
          { x: front, y: bonnet * 0.82 },
          { x: screen, y: bonnet },
          { x: b.toXMm, y: b.topZMm },
          { x: b.fromXMm, y: b.topZMm },
        ],
      },
    ]
  }
  return [{ kind: 'polygon', layer, closed: true, points: box({ x: b.fromXMm, y: b.bottomZMm }, { x: b.toXMm, y: b.topZMm }) }]
}

/** Every leaf that swings, as it stands open, and the paths of its two far corners; one that opens nobody knows how far is drawn shut. */
export function swingLines(vehicle: Vehicle, view: ViewName): Entity[] {
  return swingsOf(vehicle).flatMap((swing): Entity[] => {
    const common = { layer: 'swing' as const, ref: `swing:${swing.id}`, dashed: true }
    const paths = swingPaths(swing).map((path) => path.map((p) => project(view, p)))
    const leaf = leafAt(swing, swing.opensDeg ?? 0).corners.map((p) => project(view, p))
    return [
      { kind: 'polygon', closed: true, points: leaf, ...common },
      ...paths.flatMap((points): Entity[] => (points.length ? [{ kind: 'polygon', closed: false, points, ...common }] : [])),
    ]
  })
}

const planBody = (rear: number, front: number, width: number): Point[] => {
  const nose = Math.min(420, width / 4)
  return [
    { x: rear, y: -width / 2 },
    { x: front - nose, y: -width / 2 },
    { x: front, y: -width / 2 + nose * 0.7 },
    { x: front, y: width / 2 - nose * 0.7 },
    { x: front - nose, y: width / 2 },
    { x: rear, y: width / 2 },
  ]
}

function sideBody(body: Vehicle['body'], rear: number, front: number, roofZ: number, from: number, to: number): Point[] {
  const sill = 320
  const bonnet = Math.min(roofZ * 0.5, 1150)
  const screen = [
    { x: front, y: sill },
    { x: front, y: bonnet * 0.82 },
    { x: Math.min(front - 60, to + (front - to) * 0.62), y: bonnet },
    { x: to, y: roofZ },
  ]
  if (body === 'pickup' || body === 'truck') {
    const bed = Math.min(roofZ * 0.58, 1100)
    return [{ x: rear, y: sill }, ...screen, { x: from, y: roofZ }, { x: from - 90, y: bed }, { x: rear, y: bed }]
  }
  return [{ x: rear, y: sill }, ...screen, { x: from, y: roofZ }, { x: rear, y: roofZ - 120 }]
}
