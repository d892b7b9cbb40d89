import type { Point } from '../geometry/vec3'
import type { Vehicle } from '../vehicle/vehicle'
import { bounds, type Entity, type Sheet, type ViewName } from './sheet'
import { drawnVehicle } from './vehicleOutline'

/** Somebody of 1.75 m to see the size of things by: shares of the height as artists' canons have them. mm */
export const PERSON_MM = 1750
/** So far from the vehicle somebody stands. mm */
const BESIDE_MM = 450
/** Ahead of it in the side view, clear of the heights that stand at both ends. */
const AHEAD_MM = 1000

/** Half of an outline from the crown to the sole, across and up, in shares of the height; the other half mirrors it. */
const HALF: [number, number][] = [
  [0, 1],
  [0.033, 0.985],
  [0.044, 0.94],
  [0.036, 0.885],
  [0.026, 0.865],
  [0.03, 0.845],
  [0.11, 0.815],
  [0.128, 0.78],
  [0.138, 0.64],
  [0.15, 0.49],
  [0.125, 0.48],
  [0.108, 0.62],
  [0.096, 0.72],
  [0.09, 0.6],
  [0.1, 0.5],
  [0.088, 0.28],
  [0.066, 0.03],
  [0.085, 0],
  [0.02, 0],
  [0.02, 0.25],
  [0.006, 0.46],
]

/** A person standing ahead of the vehicle in the side view and beside it in the view from behind; from above, shoulders and head. */
export function person(view: ViewName, vehicle: Vehicle, height: string): Entity[] {
  const d = drawnVehicle(vehicle)
  const common = { layer: 'datum' as const, closed: true }
  if (view === 'plan') {
    const at = { x: d.rear - BESIDE_MM, y: 0 }
    const oval = (rx: number, ry: number): Point[] =>
      Array.from({ length: 24 }, (_, i) => ({ x: at.x + rx * Math.cos((i * Math.PI) / 12), y: at.y + ry * Math.sin((i * Math.PI) / 12) }))
    return [
      { kind: 'polygon', ...common, points: oval(125, 230) },
      { kind: 'polygon', ...common, points: oval(95, 75) },
    ]
  }
  const x = view === 'side' ? d.front + AHEAD_MM : -(d.width / 2 + BESIDE_MM)
  const to =
    (side: 1 | -1) =>
    ([across, up]: [number, number]): Point => ({ x: x + side * across * PERSON_MM, y: up * PERSON_MM })
  return [
    { kind: 'polygon', ...common, points: [...HALF.map(to(1)), ...[...HALF].reverse().map(to(-1))] },
    { kind: 'text', layer: 'datum', at: { x, y: PERSON_MM + 50 }, text: height, anchor: 'middle', size: 'small' },
  ]
}

/** The view with somebody in it, its frame made as large. */
export function withPerson(sheet: Sheet, vehicle: Vehicle, height: string): Sheet {
  const more = person(sheet.view, vehicle, height)
  const { min, max } = bounds(more)
  return {
    ...sheet,
    entities: [...sheet.entities, ...more],
    box: {
      min: { x: Math.min(sheet.box.min.x, min.x), y: Math.min(sheet.box.min.y, min.y) },
      max: { x: Math.max(sheet.box.max.x, max.x), y: Math.max(sheet.box.max.y, max.y) },
    },
  }
}
