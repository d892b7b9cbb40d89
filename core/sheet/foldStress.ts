/**
 * A bracket folded once, bending at its fold: σ = 6·(F·a + M) / (b·t²), the flexure of a rectangle (Gere & Goodno, Mechanics of Materials, 8th ed., 5.5).
 * Force in N at a mm from the fold, what else turns the leg in N·mm, width and thickness in mm. MPa
 */
export const foldStressMPa = (f: { forceN: number; armMm: number; momentNmm: number; wideMm: number; thicknessMm: number }): number =>
  (6 * (f.forceN * f.armMm + f.momentNmm)) / (f.wideMm * f.thicknessMm ** 2)
