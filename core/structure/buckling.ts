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
