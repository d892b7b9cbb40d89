import type { Point } from '../geometry/vec3'
import type { Vehicle } from '../vehicle/vehicle'
import { box, type Entity, type ViewName } from './sheet'
import { type Drawn, drawnVehicle, WHEEL_RADIUS_MM } from './vehicleOutline'

/**
 * Glass, doors, arches, lamps and bumpers: what tells at a glance which vehicle this is and which way it faces. A likeness of our own, stretched between
 * what was measured; no figure is ever taken from it, and it is drawn faint on a layer of its own.
 */
export function likeness(vehicle: Vehicle, view: ViewName): Entity[] {
  const d = drawnVehicle(vehicle)
  if (view === 'side') return side(d)
  return view === 'rear' ? fromBehind(d) : fromAbove(d)
}

const line = (...points: Point[]): Entity => ({ kind: 'polygon', layer: 'likeness', closed: false, points })
const shape = (...points: Point[]): Entity => ({ kind: 'polygon', layer: 'likeness', closed: true, points })
const glass = (...points: Point[]): Entity => ({ kind: 'polygon', layer: 'likeness', closed: true, filled: true, points })
const ring = (centre: Point, radius: number): Entity => ({ kind: 'circle', layer: 'likeness', centre, radius })
const at = (x: number, y: number): Point => ({ x, y })

const SILL_MM = 320
/** Half a circle over a wheel, a hand wider than the tyre. */
const arch = (x: number): Entity => {
  const r = WHEEL_RADIUS_MM * 1.2
  return line(
    ...Array.from({ length: 13 }, (_, i) => {
      const turn = Math.PI - (Math.PI * i) / 12
      return at(x + r * Math.cos(turn), WHEEL_RADIUS_MM + r * Math.sin(turn))
    }),
  )
}

function side(d: Drawn): Entity[] {
  const { cab } = d
  const shoulder = Math.min(cab.topZ - 420, Math.max(cab.bonnetZ + 40, cab.topZ * 0.48))
  const windowTop = Math.min(cab.topZ - 110, shoulder + 640)
  /** The screen's own slope, at a height. */
  const screen = (z: number) => cab.footX + ((cab.topX - cab.footX) * (z - cab.bonnetZ)) / (cab.topZ - cab.bonnetZ)
  const doorFront = Math.min(screen(shoulder) - 130, d.base - WHEEL_RADIUS_MM * 1.35)
  const doorRear = Math.max(cab.rearX + 60, doorFront - 1150)
  const upper = Math.min(screen(windowTop) - 90, doorFront - 60)
  const second = doorRear - cab.rearX > 700
  return [
    arch(0),
    arch(d.base),
    ...[0, d.base].flatMap((x) => [
      ring(at(x, WHEEL_RADIUS_MM), WHEEL_RADIUS_MM * 0.62),
      ring(at(x, WHEEL_RADIUS_MM), WHEEL_RADIUS_MM * 0.14),
    ]),
    // front door with its window and handle
    line(at(doorRear, SILL_MM + 60), at(doorRear, windowTop), at(upper, windowTop), at(doorFront, shoulder), at(doorFront, SILL_MM + 60)),
    glass(at(doorRear + 60, shoulder), at(doorFront - 60, shoulder), at(upper - 40, windowTop - 50), at(doorRear + 60, windowTop - 50)),
    line(at(doorRear + 80, shoulder - 110), at(doorRear + 230, shoulder - 110)),
    shape(...box(at(doorFront - 60, shoulder + 20), at(doorFront + 60, shoulder + 210))),
    ...(second ? behindTheDoor(d, doorRear, shoulder, windowTop) : []),
    line(at(WHEEL_RADIUS_MM * 1.25, SILL_MM + 60), at(d.base - WHEEL_RADIUS_MM * 1.25, SILL_MM + 60)),
    // bumpers and lamps
    line(at(d.front, SILL_MM + 230), at(d.front - 330, SILL_MM + 230)),
    line(at(d.rear, SILL_MM + 210), at(d.rear + 260, SILL_MM + 210)),
    glass(
      at(d.front - 30, cab.bonnetZ * 0.66),
      at(d.front - 30, cab.bonnetZ * 0.78),
      at(d.front - 260, cab.bonnetZ * 0.82),
      at(d.front - 200, cab.bonnetZ * 0.68),
    ),
    glass(...box(at(d.rear + 15, d.lampZ - 190), at(d.rear + 85, d.lampZ + 190))),
  ]
}

/** Behind the front door: a second one in a crew cab, the sliding door's field in a van, windows in a camper. */
function behindTheDoor(d: Drawn, doorRear: number, shoulder: number, windowTop: number): Entity[] {
  const { cab } = d
  if (d.body === 'pickup' || d.body === 'truck') {
    const rear = Math.max(cab.rearX + 60, doorRear - 950)
    return [
      line(at(rear, SILL_MM + 60), at(rear, windowTop), at(doorRear, windowTop)),
      glass(at(rear + 50, shoulder), at(doorRear - 40, shoulder), at(doorRear - 40, windowTop - 50), at(rear + 50, windowTop - 50)),
      line(at(rear + 80, shoulder - 110), at(rear + 230, shoulder - 110)),
    ]
  }
  const field = Math.max(WHEEL_RADIUS_MM * 1.4, doorRear - 1250)
  return [
    shape(...box(at(field, SILL_MM + 60), at(doorRear - 50, Math.min(cab.topZ - 140, windowTop + 260)))),
    line(at(d.rear + 120, shoulder - 40), at(field, shoulder - 40)),
    ...(d.body === 'camper'
      ? [
          glass(...box(at(field + 120, shoulder), at(doorRear - 170, windowTop - 50))),
          ...(field - d.rear > 900 ? [glass(...box(at(d.rear + 320, shoulder), at(field - 160, windowTop - 50)))] : []),
        ]
      : []),
  ]
}

function fromBehind(d: Drawn): Entity[] {
  const half = d.width / 2
  const boxy = d.body === 'van' || d.body === 'camper'
  const glassLow = Math.min(d.cab.topZ - 420, Math.max(d.lampZ + 60, d.cab.topZ * 0.52))
  const glassHigh = d.cab.topZ - 150
  const inset = d.roofWidthRear / 2 - 130
  return [
    line(at(-half + 40, SILL_MM + 210), at(half - 40, SILL_MM + 210)),
    ...[-1, 1].map((s) => glass(...box(at(s * (half - 25), d.lampZ - 190), at(s * (half - 135), d.lampZ + 190)))),
    shape(...box(at(-260, SILL_MM + 260), at(260, SILL_MM + 370))),
    ...(boxy
      ? [
          line(at(0, SILL_MM + 60), at(0, glassHigh + 60)),
          ...[-1, 1].map((s) =>
            glass(at(s * 60, glassLow), at(s * (inset + 40), glassLow), at(s * inset, glassHigh), at(s * 60, glassHigh)),
          ),
        ]
      : [
          glass(at(-inset - 40, glassLow), at(inset + 40, glassLow), at(inset, glassHigh), at(-inset, glassHigh)),
          line(at(-half + 60, d.bedZ), at(half - 60, d.bedZ)),
        ]),
  ]
}

function fromAbove(d: Drawn): Entity[] {
  const half = d.width / 2
  const { cab } = d
  const nose = Math.min(420, d.width / 4)
  return [
    // the screen's glass, the bonnet's creases, mirrors, lamps
    glass(
      at(cab.footX - 120, -half * 0.88),
      at(cab.footX, -half * 0.6),
      at(cab.footX, half * 0.6),
      at(cab.footX - 120, half * 0.88),
      at(cab.topX + 40, half * 0.8),
      at(cab.topX + 40, -half * 0.8),
    ),
    ...[-1, 1].flatMap((s) => [
      line(at(cab.footX + 30, s * half * 0.55), at(d.front - 60, s * half * 0.42)),
      shape(...box(at(cab.footX - 230, s * half), at(cab.footX - 110, s * (half + 190)))),
      glass(
        at(d.front - nose * 0.75, s * (half - 40)),
        at(d.front - 90, s * (half - nose * 0.5)),
        at(d.front - 130, s * (half - nose * 0.75)),
        at(d.front - nose, s * (half - 120)),
      ),
      glass(...box(at(d.rear + 12, s * (half - 25)), at(d.rear + 60, s * (half - 180)))),
    ]),
  ]
}
