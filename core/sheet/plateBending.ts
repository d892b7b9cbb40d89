/** A rectangular plate held along its four edges and free to turn there, pressed over a patch about its middle. mm, MPa, N */
export type PatchGiven = {
  longMm: number
  shortMm: number
  thicknessMm: number
  elasticMPa: number
  poisson: number
  /** size of the patch, along the long and the short side; no larger than the plate */
  patchLongMm: number
  patchShortMm: number
  forceN: number
}
export type PatchResult = { stressMPa: number; sinksMm: number }

const TERMS = 61

/**
 * Bending at the middle of the plate by Navier's double series for a load spread evenly over a rectangle about its middle (Timoshenko & Woinowsky-Krieger,
 * Theory of Plates and Shells, 2nd ed., art. 28, eq. 130 and 133):
 * a_mn = 16·P / (π²·m·n·u·v) · sin(mπ/2)·sin(nπ/2)·sin(mπu/2a)·sin(nπv/2b), w = Σ a_mn / (π⁴·D·(m²/a² + n²/b²)²), σ = 6·M / t².
 * Small deflections: a sheet that sinks by more than its thickness is stiffer than this, so that the stress given is on the high side.
 */
export function patchOnPlate(g: PatchGiven): PatchResult {
  const [a, b, t] = [g.longMm, g.shortMm, g.thicknessMm]
  const [u, v] = [Math.min(g.patchLongMm, a), Math.min(g.patchShortMm, b)]
  const D = (g.elasticMPa * t ** 3) / (12 * (1 - g.poisson ** 2))
  let [w, mx, my] = [0, 0, 0]
  for (let m = 1; m <= TERMS; m += 2)
    for (let n = 1; n <= TERMS; n += 2) {
      const sign = Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2)
      const load =
        ((16 * g.forceN) / (Math.PI ** 2 * m * n * u * v)) *
        sign *
        Math.sin((m * Math.PI * u) / (2 * a)) *
        Math.sin((n * Math.PI * v) / (2 * b))
      const waves = (m / a) ** 2 + (n / b) ** 2
      // at the middle each wave stands at its own crest or trough
      const term = (load * sign) / (Math.PI ** 4 * D * waves ** 2)
      w += term
      mx += term * D * Math.PI ** 2 * ((m / a) ** 2 + g.poisson * (n / b) ** 2)
      my += term * D * Math.PI ** 2 * ((n / b) ** 2 + g.poisson * (m / a) ** 2)
    }
  return { stressMPa: (6 * Math.max(mx, my)) / t ** 2, sinksMm: w }
}
