/**
 * Pull-out of a screw from ply or timber: n^0.9·f·d·l·kd, f = 0.52·d^−0.5·l^−0.1·ρ^0.8 (EN 1995-1-1:2004+A1, 8.7.2, eq. 8.38 to 8.40), over γM = 1.3 and
 * the load factor. d = outer thread, l = thread in the wood, mm; ρ in kg/m³; N. A thread shorter than 6·d does not count: 0.
 */
export function screwPullOutN(v: {
  screws: number
  diameterMm: number
  threadMm: number
  densityKgM3: number
  loadFactor: number
}): number {
  if (v.threadMm < 6 * v.diameterMm) return 0
  const strength = 0.52 * v.diameterMm ** -0.5 * v.threadMm ** -0.1 * v.densityKgM3 ** 0.8
  return (v.screws ** 0.9 * strength * v.diameterMm * v.threadMm * Math.min(1, v.diameterMm / 8)) / (1.3 * v.loadFactor)
}
