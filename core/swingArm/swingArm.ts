import { G_M_S2, radians } from '../quantity/units'

export type SwingArm = {
  wheelKg: number
  armKg: number
  /** from the spindle to the middle of the wheel, level; to the arm's own middle; to the latch or the stop. mm */
  wheelReachMm: number
  armReachMm: number
  stopReachMm: number
  /** how far the two collars of the hub stand apart on the spindle. mm */
  collarsMm: number
  /** the ground falls off so much along the way that the arm would swing. degrees */
  slopeDeg: number
}

/**
 * An arm swung open, held by its spindle alone: the moment at the spindle, M = Σ m·g·r; the couple on its two collars, M / h; what its stop holds on a
 * slope, F = Σ m·g·sin θ·r / l. Statics; N, N·mm.
 */
export function swingArm(s: SwingArm): { momentNmm: number; collarN: number; stopN: number } {
  const turns = (s.wheelKg * s.wheelReachMm + s.armKg * s.armReachMm) * G_M_S2
  const momentNmm = turns * Math.cos(radians(s.slopeDeg))
  return { momentNmm, collarN: momentNmm / s.collarsMm, stopN: (turns * Math.sin(radians(s.slopeDeg))) / s.stopReachMm }
}
