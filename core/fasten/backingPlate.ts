export type SkinCheck = { name: string; stressMPa: number; allowedMPa: number; used: number; formula: string; source: string }
export type BackingPlate = {
  pullN: number
  plateAcrossMm: number
  plateThicknessMm: number
  plateYieldMPa: number
  washerMm: number
  skinThicknessMm: number
  skinYieldMPa: number
  /** to the nearest rib, seam or edge that holds the skin */
  panelRadiusMm: number
  skinElasticMPa: number
  safety: number
}
const POISSON = 0.3

/**
 * Bending beside a stiff round plate pulled out of a skin that is held at a radius: M = (P/4π)·[2a²/(a² − b²)·ln(a/b) − 1] per mm (Timoshenko,
 * Strength of Materials II, 3rd ed., art. 23: for a/b = 2 the stress is 0.405·P/t²). N·mm/mm. Stretching of the skin is left out, so it holds only while the skin moves less than its thickness.
 */
export const skinMoment = (pullN: number, plateRadiusMm: number, panelRadiusMm: number): number => {
  const [a, b] = [panelRadiusMm, Math.min(plateRadiusMm, panelRadiusMm * 0.999)]
  return (pullN / (4 * Math.PI)) * (((2 * a * a) / (a * a - b * b)) * Math.log(a / b) - 1)
}

/**
 * How far the skin sinks or rises beside a stiff round plate, held and clamped at the panel's radius: w = (P·a²/4πD)·[(1 − β²)/4 − β²·ln²β/(1 − β²)],
 * β = b/a, D = E·t³/12(1 − ν²) (Timoshenko, Strength of Materials II, 3rd ed., art. 23: for a/b = 2 it is 0.0237·P·a²/E·t³). mm
 */
export function skinSinksMm(v: Omit<BackingPlate, 'plateThicknessMm' | 'plateYieldMPa' | 'washerMm' | 'skinYieldMPa' | 'safety'>): number {
  const beta = Math.min(0.999, v.plateAcrossMm / 2 / v.panelRadiusMm)
  const D = (v.skinElasticMPa * v.skinThicknessMm ** 3) / (12 * (1 - POISSON ** 2))
  const shape = (1 - beta ** 2) / 4 - (beta ** 2 * Math.log(beta) ** 2) / (1 - beta ** 2)
  return ((v.pullN * v.panelRadiusMm ** 2) / (4 * Math.PI * D)) * shape
}

/** A backing plate on thin skin, pulled or pressed: the skin tearing round its edge, the skin bending beside it, and the plate bending over the washer. MPa. */
export function backingPlateChecks(v: BackingPlate): SkinCheck[] {
  const radius = v.plateAcrossMm / 2
  const check = (name: string, stressMPa: number, allowedMPa: number, formula: string, source: string): SkinCheck => ({
    name,
    stressMPa,
    allowedMPa,
    used: stressMPa / allowedMPa,
    formula,
    source,
  })
  return [
    check(
      'skin tearing round the plate',
      v.pullN / (4 * v.plateAcrossMm * v.skinThicknessMm),
      (0.6 * v.skinYieldMPa) / v.safety,
      'τ = P / (4·s·t) ≤ 0.6·fy / Ω',
      'AISC 360-16, J4.2: shear yielding 0.6·Fy',
    ),
    check(
      'skin bending beside the plate',
      (6 * skinMoment(v.pullN, radius, v.panelRadiusMm)) / v.skinThicknessMm ** 2,
      v.skinYieldMPa / v.safety,
      'σ = 6·M / t², M = (P/4π)·[2a²/(a² − b²)·ln(a/b) − 1]',
      'Timoshenko, Strength of Materials II, 3rd ed., art. 23',
    ),
    check(
      'plate bending over the washer',
      ((6 * v.pullN) / (4 * Math.PI * v.plateThicknessMm ** 2)) * ((1 + POISSON) * Math.log(Math.max(1, v.plateAcrossMm / v.washerMm)) + 1),
      v.plateYieldMPa / v.safety,
      'σ = 6·M / t², M = (P/4π)·[(1 + ν)·ln(a/r) + 1]',
      'Roark, 8th ed., table 11.2, case 16',
    ),
  ]
}

/** The force that uses the weakest of the three up: each stress grows with the force. N. */
export const backingPlateHoldsN = (v: Omit<BackingPlate, 'pullN'>): number =>
  1 / Math.max(...backingPlateChecks({ ...v, pullN: 1 }).map((c) => c.used))

/** Up to this force the skin moves less than its own thickness, and the theory of small deflections speaks for it; beyond it only a load test does. N */
export const plateTheoryEndsN = (v: Omit<BackingPlate, 'pullN'>): number => v.skinThicknessMm / skinSinksMm({ ...v, pullN: 1 })
