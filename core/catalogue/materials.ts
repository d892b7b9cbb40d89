/** Base metals the shop works in. Strengths are minimum yield of the named grade and temper, unwelded. */
export type Material = {
  id: string
  name: string
  group: 'steel' | 'stainless' | 'aluminium'
  densityKgM3: number
  elasticMPa: number
  shearMPa: number
  yieldMPa: number
  /** minimum tensile strength, for holes bearing on bolts */
  tensileMPa: number
  /** yield within 25 mm of a weld: Aluminum Design Manual 2015, table A.4.3; steels keep theirs */
  weldedYieldMPa: number
  /** tensile strength there, for the metal beside a weld */
  weldedTensileMPa: number
  source: string
  /** merchant's price for bar and sheet, minor units per kg; shop's own figure until a quote is in */
  pricePerKgMinor: number
  /** what the choice carries with it, for the swap table */
  notes: string
}

export const materials: Material[] = [
  {
    id: 'steel',
    name: 'Steel S235',
    group: 'steel',
    densityKgM3: 7850,
    elasticMPa: 210_000,
    shearMPa: 81_000,
    yieldMPa: 235,
    tensileMPa: 360,
    weldedYieldMPa: 235,
    weldedTensileMPa: 360,
    source: 'EN 10219-1, S235JRH; EN 1993-1-1, 3.2.6',
    pricePerKgMinor: 310,
    notes: 'MIG or stick; needs coating; isolate from aluminium',
  },
  {
    id: 'stainless',
    name: 'Stainless 304',
    group: 'stainless',
    densityKgM3: 7900,
    elasticMPa: 200_000,
    shearMPa: 77_000,
    yieldMPa: 210,
    tensileMPa: 520,
    weldedYieldMPa: 210,
    weldedTensileMPa: 520,
    source: 'EN 10088-2, 1.4301; EN 1993-1-4',
    pricePerKgMinor: 880,
    notes: 'TIG; no coat needed; galls; isolate from aluminium',
  },
  {
    id: 'al6061t6',
    name: 'Aluminium 6061-T6',
    group: 'aluminium',
    densityKgM3: 2700,
    elasticMPa: 68_900,
    shearMPa: 26_000,
    yieldMPa: 240,
    tensileMPa: 260,
    weldedYieldMPa: 105,
    weldedTensileMPa: 165,
    source: 'Aluminum Design Manual 2015, table A.4.3 (35 ksi)',
    pricePerKgMinor: 1050,
    notes: 'TIG or spool gun; strength falls to about 105 MPa within 25 mm of a weld',
  },
  {
    id: 'al5052h32',
    name: 'Aluminium 5052-H32 sheet',
    group: 'aluminium',
    densityKgM3: 2680,
    elasticMPa: 70_300,
    shearMPa: 25_900,
    yieldMPa: 160,
    tensileMPa: 215,
    weldedYieldMPa: 65,
    weldedTensileMPa: 170,
    source: 'Aluminum Design Manual 2015, table A.4.3 (23 ksi)',
    pricePerKgMinor: 980,
    notes: 'folds well; TIG; strength falls to about 65 MPa within 25 mm of a weld',
  },
  {
    id: 'al6063t5',
    name: 'Aluminium 6063-T5',
    group: 'aluminium',
    densityKgM3: 2700,
    elasticMPa: 68_900,
    shearMPa: 26_000,
    yieldMPa: 110,
    tensileMPa: 150,
    weldedYieldMPa: 55,
    weldedTensileMPa: 115,
    source: 'Aluminum Design Manual 2015, table A.4.3 (16 ksi)',
    pricePerKgMinor: 940,
    notes: 'Bolted extrusion; strength falls to about 55 MPa within 25 mm of a weld',
  },
  {
    id: 'al6063t6',
    name: 'Aluminium 6063-T6',
    group: 'aluminium',
    densityKgM3: 2700,
    elasticMPa: 68_900,
    shearMPa: 26_000,
    yieldMPa: 170,
    tensileMPa: 205,
    weldedYieldMPa: 55,
    weldedTensileMPa: 115,
    source: 'Aluminum Design Manual 2015, table A.4.3 (25 ksi)',
    pricePerKgMinor: 960,
    notes: 'TIG; strength falls to about 55 MPa within 25 mm of a weld',
  },
]

export const materialOf = (id: string): Material => {
  const found = materials.find((m) => m.id === id)
  if (!found) throw new Error(`no material ${id}`)
  return found
}
