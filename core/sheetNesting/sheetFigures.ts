import { materialOf } from '../catalogue/materials'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { type SheetGroup, sheetOf } from './sheetPlan'

/** What the sheets of a group cost whole: by their mass; one that was begun costs what it takes to clean it. Minor units */
export function sheetsFigure(g: SheetGroup): Figure {
  const material = materialOf(g.materialId)
  const used = g.nest.sheets.map((s) => sheetOf(g, s.sheetId))
  return figure(
    {
      id: `sheets.${g.materialId}.${g.thicknessMm}`,
      name: `Sheets of ${material.name}`,
      unit: 'money',
      formula: 'P = Σ A·t·ρ·p + Σ R',
      source: `catalogue, ${SHOP_RULE}; whole sheets, what is left over stays here`,
      with: {
        A: used.flatMap((s, i): Input[] => (s.offcut ? [] : [[(s.width * s.height) / 1e6, 'm²', `sheet ${i + 1}`]])),
        t: [g.thicknessMm, 'gauge', 'thickness'],
        ρ: [material.densityKgM3, 'kg/m³', 'density'],
        p: [material.pricePerKgMinor, 'money', 'price of a kilogram'],
        R: used.flatMap((s): Input[] => (s.offcut ? [[s.price, 'money', `to clean the begun sheet ${s.offcut.place}`]] : [])),
      },
    },
    ({ A, t, ρ, p, R }) => sum(A.map((m2) => Math.round((m2 * t * ρ * p) / 1000))) + sum(R),
  )
}
