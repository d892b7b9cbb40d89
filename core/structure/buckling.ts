/** Least of the two radii of gyration decides; K = 1, length between places that hold the member aside. */
export type Strut = { lengthMm: number; areaMm2: number; leastInertiaMm4: number; elasticMPa: number; yieldMPa: number; aluminium: boolean }

/**
 * What a strut may be pushed with. AISC 360-16, E3: Fcr = 0.658^(fy/Fe)·fy while fy/Fe ≤ 2.25, else 0.877·Fe, Fe = π²E/(L/r)², over Ω = 1.67. For aluminium
 * the same curve times 0.85 for crookedness over Ω = 1.65 (Aluminum Design Manual 2015, E.2 has 0.85 in both its branches). N; slenderness L/r.
 */
export function strutMayPush(s: Strut): { slenderness: number; criticalMPa: number; mayN: number } {
  const slenderness = s.lengthMm / Math.sqrt(s.leastInertiaMm4 / s.areaMm2)
  const euler = (Math.PI ** 2 * s.elasticMPa) / Math.max(1e-9, slenderness) ** 2
  const curve = s.yieldMPa / euler <= 2.25 ? 0.658 ** (s.yieldMPa / euler) * s.yieldMPa : 0.877 * euler
  const criticalMPa = s.aluminium ? 0.85 * curve : curve
  return { slenderness, criticalMPa, mayN: (criticalMPa * s.areaMm2) / (s.aluminium ? 1.65 : 1.67) }
}

/** A thin or open section bent between places that keep it from leaning over. mm, mm⁴, MPa, N·mm */
export type Leaning = {
  lengthMm: number
  leastInertiaMm4: number
  torsionMm4: number
  elasticMPa: number
  shearMPa: number
  yieldMomentNmm: number
}

/**
 * What share of its yield moment a flat, angle or channel keeps before it leans over and twists: Mcr = (π/L)·√(E·Imin·G·J), warping left out (Timoshenko &
 * Gere, Theory of Elastic Stability, 2nd ed., 6.2: a narrow rectangle in uniform bending), and curve d of EN 1993-1-1, 6.3.2.2: χ = 1/(Φ + √(Φ² − λ²)),
 * Φ = (1 + 0.76·(λ − 0.2) + λ²)/2, λ = √(My/Mcr). Curve d is the lowest there is, and lies under those of EN 1999-1-1, 6.3.2.2 for aluminium.
 */
export function keepsUpright(v: Leaning): { criticalNmm: number; share: number } {
  const criticalNmm = (Math.PI / v.lengthMm) * Math.sqrt(v.elasticMPa * v.leastInertiaMm4 * v.shearMPa * v.torsionMm4)
  const slenderness = Math.sqrt(v.yieldMomentNmm / criticalNmm)
  if (slenderness <= 0.2) return { criticalNmm, share: 1 }
  const phi = (1 + 0.76 * (slenderness - 0.2) + slenderness ** 2) / 2
  return { criticalNmm, share: Math.min(1, 1 / (phi + Math.sqrt(phi ** 2 - slenderness ** 2))) }
}
