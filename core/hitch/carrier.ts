import { degrees, type Radians } from '../quantity/units'
import type { Vehicle } from '../vehicle/vehicle'

/** A mass with its place; null where nobody measured. kg, mm; x forward of the rear axle, y left of the middle. */
export type PlacedMass = { name: string; massKg: number | null; xMm: number | null; yMm: number; zMm: number | null }

/** The carrier and each thing on it as masses at their places on the vehicle. */
export function carrierMasses(vehicle: Vehicle): PlacedMass[] {
  const c = vehicle.carrier
  if (!c) return []
  const behind = (mm: number | null) => (mm === null || c.pinXMm === null ? null : c.pinXMm - mm)
  return [
    { name: 'hitch carrier', massKg: c.massKg, xMm: behind(c.centreBehindMm), yMm: 0, zMm: c.zMm },
    ...c.loads.map((l) => ({ name: l.name, massKg: l.massKg, xMm: behind(l.behindMm), yMm: 0, zMm: l.zMm })),
  ]
}

/** What a receiver feels: Σ m and Σ m·g·d about the pin (statics). kg and N·mm. */
export function hitchLoad(items: { massKg: number; behindMm: number }[], gMS2: number): { massKg: number; momentNmm: number } {
  return {
    massKg: items.reduce((s, i) => s + i.massKg, 0),
    momentNmm: items.reduce((s, i) => s + i.massKg * gMS2 * i.behindMm, 0),
  }
}

/**
 * Departure angle: between the ground and the line from a low point behind the axle that touches the tyre (ISO 612, 6.11). mm → degrees.
 * With the tyre's circle of radius R on the ground and the point at (d, h): d·sin α + (R − h)·cos α = R.
 */
export function departureDeg(behindAxleMm: number, bottomZMm: number, tyreRadiusMm: number): number {
  const [d, up] = [behindAxleMm, tyreRadiusMm - bottomZMm]
  const reach = Math.hypot(d, up)
  return degrees((Math.asin(Math.min(1, tyreRadiusMm / reach)) - Math.atan2(up, d)) as Radians)
}
