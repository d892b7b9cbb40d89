import type { Material } from '../catalogue/materials'
import { type Figure, figure } from '../figure/figure'
import type { Rules } from '../rules/rules'

/** What bent sheet or plate may be stressed to, clear of any weld: its yield over the shop's factor. MPa */
export const allowableFigure = (id: string, material: Material, rules: Rules): Figure =>
  figure(
    {
      id,
      name: `${material.name}, allowable`,
      unit: 'MPa',
      formula: 'σ ≤ fy / Ω',
      source: material.source,
      with: { fy: [material.yieldMPa, 'MPa', 'yield'], Ω: [rules.yieldSafety, '', 'safety factor'] },
    },
    ({ fy, Ω }) => fy / Ω,
  )
