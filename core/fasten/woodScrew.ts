/** k_mod for short loads, EN 1995-1-1:2004+A1, table 3.1: solid timber and plywood, dry or sheltered (service class 1 and 2) and out of doors (3). */
export const woodPlaces = { 'dry or sheltered': 0.9, 'out of doors': 0.7 } as const
export type WoodPlace = keyof typeof woodPlaces
export const woodPlaceNames = Object.keys(woodPlaces) as [WoodPlace, ...WoodPlace[]]

export type WoodScrews = {
  screws: number
  /** outer thread */
  diameterMm: number
  /** thread in the wood */
  threadMm: number
  /** characteristic density, the one that all but five in a hundred pieces reach */
  densityKgM3: number
  place: WoodPlace
  loadFactor: number
}

/**
 * Pull-out of screws across the grain: k_mod·n^0.9·f·d·l·k_d / (γM·γQ), f = 0.52·d^−0.5·l^−0.1·ρ^0.8, k_d = d/8 ≤ 1, γM = 1.3
 * (EN 1995-1-1:2004+A1, 2.4.3 and 8.7.2, eq. 8.38 to 8.40). N. A thread shorter than 6·d holds nothing by this rule: 0. Null outside 6 to 12 mm,
 * for which the rule was made: thinner screws are their maker's to rate.
 */
export function screwPullOutN(v: WoodScrews): number | null {
  if (v.diameterMm < 6 || v.diameterMm > 12) return null
  if (v.threadMm < 6 * v.diameterMm) return 0
  const strength = 0.52 * v.diameterMm ** -0.5 * v.threadMm ** -0.1 * v.densityKgM3 ** 0.8
  const characteristic = v.screws ** 0.9 * strength * v.diameterMm * v.threadMm * Math.min(1, v.diameterMm / 8)
  return (woodPlaces[v.place] * characteristic) / (1.3 * v.loadFactor)
}
