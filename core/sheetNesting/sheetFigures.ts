import { materialOf } from '../catalogue/materials'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { type SheetGroup, sizeOfSheet } from './sheetPlan'

/** What the sheets of a group cost whole: by their mass. Minor units */
export function sheetsFigure(g: SheetGroup): Figure {
  const material = materialOf(g.materialId)
  return figure(
    {
      id: `sheets.${g.materialId}.${g.thicknessMm}`,
      name: `Sheets of ${material.name}`,
      unit: 'money',
      formula: 'P = Σ A·t·ρ·p',
      source: `catalogue, ${SHOP_RULE}; whole sheets, what is left over stays here`,
      with: {
        A: g.nest.sheets.map(
          (s, i): Input => [(sizeOfSheet(s.sheetId).width * sizeOfSheet(s.sheetId).height) / 1e6, 'm²', `sheet ${i + 1}`],
        ),
        t: [g.thicknessMm, 'gauge', 'thickness'],
        ρ: [material.densityKgM3, 'kg/m³', 'density'],
        p: [material.pricePerKgMinor, 'money', 'price of a kilogram'],
      },
    },
    ({ A, t, ρ, p }) => sum(A.map((m2) => Math.round((m2 * t * ρ * p) / 1000))),
  )
}
