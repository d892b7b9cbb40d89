/** A post held at its foot, pushed at its top. mm, N, MPa. */
export type Post = { forceN: number; reachMm: number; elasticMPa: number; secondMomentMm4: number }

/** How far it gives: F·L³/3EI, so twice the reach gives eight times as much (Gere & Goodno, 8th ed., table G-1, case 4). mm */
export const postGivesMm = (p: Post): number => (p.forceN * p.reachMm ** 3) / (3 * p.elasticMPa * p.secondMomentMm4)

/** With a gusset that makes it as good as solid up to a height: only what stands free above it bends. mm */
export const gussetedGivesMm = (p: Post, gussetMm: number): number => postGivesMm({ ...p, reachMm: Math.max(0, p.reachMm - gussetMm) })

/**
 * With a brace that holds one height from moving but lets the post turn there: what stands above bends by F·c³/3EI, and leans by c·θ with
 * θ = M·g/4EI of a beam fixed at its far end and turned at the near one (Gere & Goodno, 8th ed., ch. 10: propped cantilever). mm
 */
export function bracedGivesMm(p: Post, braceMm: number): number {
  const above = Math.max(0, p.reachMm - braceMm)
  const EI = p.elasticMPa * p.secondMomentMm4
  return (p.forceN * above ** 3) / (3 * EI) + (p.forceN * above ** 2 * braceMm) / (4 * EI)
}
