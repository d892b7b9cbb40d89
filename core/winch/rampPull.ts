import { G_M_S2, radians } from '../quantity/units'

/** What is hauled up a ramp: its mass, the slope, and how it rolls or drags (μ: 0.02 on hard wheels, 0.1 on soft ground, 0.5 and more sliding). kg, degrees */
export type Ramp = { massKg: number; slopeDeg: number; rolling: number }

/** Pull along the ramp, F = m·g·(sin α + μ·cos α) (statics of an inclined plane). N */
export const rampPullN = ({ massKg, slopeDeg, rolling }: Ramp): number =>
  massKg * G_M_S2 * (Math.sin(radians(slopeDeg)) + rolling * Math.cos(radians(slopeDeg)))

/** What a winch on a layer of its drum pulls: the maker’s figure is for the first layer, and each layer more takes a share off: R·r₁/(r₁ + (n − 1)·d). N */
export const onLayerN = (ratedN: number, drumRadiusMm: number, ropeMm: number, layer: number): number =>
  (ratedN * (drumRadiusMm + ropeMm / 2)) / (drumRadiusMm + ropeMm / 2 + (layer - 1) * ropeMm)
