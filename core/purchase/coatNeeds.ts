import { type Assembly, coatedAreaM2 } from '../assembly/assembly'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { type CoatProduct, productsFor } from '../coat/products'
import type { Rules } from '../rules/rules'
import type { Need } from './needs'

export type Coated = { assembly: Assembly; finish: 'raw' | 'painted' | 'powder' | null }
type Metal = Material['group']

const groupOf = (profileId: string): Metal => materialOf(profileOf(profileId).materialId).group

/** What of an assembly is of one metal, by its surface: m². */
const areaOf = (a: Assembly, metal: Metal): number =>
  coatedAreaM2({
    ...a,
    members: a.members.filter((m) => groupOf(m.profileId) === metal),
    plates: a.plates.filter((p) => materialOf(p.materialId).group === metal),
  })

/** The surface of each metal that is painted by the shop itself; metals with none are left out. m² */
export function paintedAreas(pieces: readonly Coated[]): { metal: Metal; areaM2: number }[] {
  const painted = pieces.filter((p) => p.finish === 'painted')
  return (['steel', 'stainless', 'aluminium'] as const).flatMap((metal) => {
    const areaM2 = painted.reduce((s, p) => s + areaOf(p.assembly, metal), 0)
    return areaM2 > 0 ? [{ metal, areaM2 }] : []
  })
}

/**
 * What is bought to paint with: every coat over the whole surface, litres = A·n / c, c as the product's sheet has it. One whose cover nobody entered is one
 * tin, and says so; a metal that no product is listed for has no line, and its step says that.
 */
export function coatNeeds(pieces: readonly Coated[], list: readonly CoatProduct[], rules: Pick<Rules, 'coats'>): Need[] {
  const found = new Map<string, Need>()
  for (const { metal, areaM2 } of paintedAreas(pieces)) {
    const product = productsFor([metal], list)[0]?.product
    if (!product) continue
    const key = `coat ${product.id}`
    const litres = product.m2PerL === null ? null : (areaM2 * rules.coats) / product.m2PerL
    const before = found.get(key)
    const quantity = (before?.quantity ?? 0) + (litres ?? 0)
    found.set(key, {
      ...{ key, kind: 'coats', spares: 0 },
      name: litres === null ? `${product.name}, a tin: what a litre covers is not entered` : product.name,
      unit: litres === null ? 'piece' : 'l',
      quantity: litres === null ? 1 : quantity,
      minor: litres === null || product.perLMinor === null ? null : Math.round(quantity * product.perLMinor),
    })
  }
  return [...found.values()]
}
