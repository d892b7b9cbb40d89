/** Blind rivets, rivet nuts and T-slot nuts: what one takes in pull and shear is its maker's to say; null = not known. N */
export type ThinFastener = { count: number; tensionN: number; shearN: number; mayTensionN: number | null; mayShearN: number | null }

/** Share used of a row of alike fasteners, pull and shear added (EN 1993-1-3, 8.3(8): linear). Null while its maker's figure for a force that acts is not known. */
export function thinFastenersUsed(f: ThinFastener): number | null {
  const share = (force: number, may: number | null) => (force === 0 ? 0 : may === null || may <= 0 ? null : force / f.count / may)
  const [pull, shear] = [share(f.tensionN, f.mayTensionN), share(f.shearN, f.mayShearN)]
  return pull === null || shear === null ? null : pull + shear
}

/**
 * What the thinner sheet bears beside one blind rivet: α·fu·d·t/γM2, at most fu·e1·t/(1.2·γM2), over the load factor. α = 3.6·√(t/d) ≤ 2.1 for sheets
 * alike, 2.1 where the other is 2.5 times as thick or more, a straight line between (EN 1993-1-3, table 8.1). Outside what the table holds for
 * (2.6 ≤ d ≤ 6.4 mm, fu ≤ 550 MPa, 1.5·d to the end) nothing is promised: 0. N
 */
export function rivetBearingN(v: {
  diameterMm: number
  sheetMm: number
  /** the thicker sheet; left out = as thick as the thinner */
  otherSheetMm?: number
  sheetTensileMPa: number
  endMm: number
  loadFactor: number
}): number {
  const held = v.diameterMm >= 2.6 && v.diameterMm <= 6.4 && v.sheetTensileMPa <= 550 && v.endMm >= 1.5 * v.diameterMm
  if (!held) return 0
  const alike = Math.min(2.1, 3.6 * Math.sqrt(v.sheetMm / v.diameterMm))
  const thicker = Math.max(1, (v.otherSheetMm ?? v.sheetMm) / v.sheetMm)
  const alpha = alike + (2.1 - alike) * Math.min(1, (thicker - 1) / 1.5)
  const bears = Math.min(alpha * v.diameterMm, v.endMm / 1.2) * v.sheetTensileMPa * v.sheetMm
  return bears / (1.25 * v.loadFactor)
}

/** Whether a rivet or rivet nut closes on this stack: within its maker's grip range. mm */
export const gripFits = (stackMm: number, leastMm: number, mostMm: number): boolean => stackMm >= leastMm && stackMm <= mostMm
