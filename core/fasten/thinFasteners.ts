/** Blind rivets, rivet nuts and T-slot nuts: what one takes in pull and shear is its maker's to say; null = not known. N */
export type ThinFastener = { count: number; tensionN: number; shearN: number; mayTensionN: number | null; mayShearN: number | null }

/** Share used of a row of alike fasteners, pull and shear added (EN 1993-1-3, 8.3(8): linear). Null while its maker's figure for a force that acts is not known. */
export function thinFastenersUsed(f: ThinFastener): number | null {
  const share = (force: number, may: number | null) => (force === 0 ? 0 : may === null || may <= 0 ? null : force / f.count / may)
  const [pull, shear] = [share(f.tensionN, f.mayTensionN), share(f.shearN, f.mayShearN)]
  return pull === null || shear === null ? null : pull + shear
}

/**
 * What the thinner sheet bears beside one blind rivet: α·fu·d·t/γM2, α = 3.6·√(t/d), at most 2.1 for sheets alike in thickness (EN 1993-1-3, table 8.1), over
 * the load factor. Holds for an end distance of 1.5·d or more; nearer nothing is promised. N
 */
export function rivetBearingN(v: {
  diameterMm: number
  sheetMm: number
  sheetTensileMPa: number
  endMm: number
  loadFactor: number
}): number {
  if (v.endMm < 1.5 * v.diameterMm) return 0
  const alpha = Math.min(2.1, 3.6 * Math.sqrt(v.sheetMm / v.diameterMm))
  return (alpha * v.sheetTensileMPa * v.diameterMm * v.sheetMm) / (1.25 * v.loadFactor)
}

/** Whether a rivet or rivet nut closes on this stack: within its maker's grip range. mm */
export const gripFits = (stackMm: number, leastMm: number, mostMm: number): boolean => stackMm >= leastMm && stackMm <= mostMm
