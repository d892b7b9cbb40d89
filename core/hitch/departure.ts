import { degrees, type Radians } from '../quantity/units'

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
