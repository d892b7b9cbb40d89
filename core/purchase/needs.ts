import { type Assembly, plateAreaMm2, plateMassKg } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { profileOf } from '../catalogue/profiles'
import type { CoatProduct } from '../coat/products'
import { cutList } from '../cutList/cutList'
import { hardwareOrder } from '../cutList/hardwareOrder'
import type { Rules } from '../rules/rules'
import { type Coated, coatNeeds } from './coatNeeds'
import type { NeedKind } from './suppliers'

/**
 * One line of what must be here before a job is begun. Sections in mm of cut parts, sheet in mm² of parts, coats in litres, the rest in pieces with spares; lengths in the
 * name in braces, mm. `eachMinor` = price of one piece, or of all of it where it is metal by the kilogram; null = not known.
 */
export type Need = {
  key: string
  kind: NeedKind
  name: string
  unit: 'mm' | 'mm²' | 'piece' | 'l'
  quantity: number
  /** of it, spares */
  spares: number
  minor: number | null
}

/** All that a job's kit is made of. */
export const kitNeeds = (made: { assembly: Assembly; pieces: readonly Coated[] }, coats: readonly CoatProduct[], rules: Rules): Need[] => [
  ...needsOf(made.assembly, rules),
  ...coatNeeds(made.pieces, coats, rules),
]

export const sectionKey = (profileId: string): string => `section ${profileId}`

/** All that is bought for what is made: nothing that is there already. Alike things on one line. */
export function needsOf(assembly: Assembly, rules: Rules): Need[] {
  const lines = new Map<string, Need>()
  const add = (n: Need) => {
    const known = lines.get(n.key)
    lines.set(
      n.key,
      known
        ? {
            ...known,
            quantity: known.quantity + n.quantity,
            spares: known.spares + n.spares,
            minor: known.minor === null || n.minor === null ? null : known.minor + n.minor,
          }
        : n,
    )
  }
  for (const p of cutList(assembly))
    add({
      ...{ key: sectionKey(p.profileId), kind: 'sections', name: profileOf(p.profileId).name, unit: 'mm' },
      ...{ quantity: p.lengthMm * p.quantity, spares: 0, minor: null },
    })
  for (const p of assembly.plates) {
    const m = materialOf(p.materialId)
    add({
      ...{
        key: `sheet ${p.materialId} ${p.thicknessMm}`,
        kind: 'sheet',
        name: `${m.name}${/sheet/.test(m.name) ? '' : ' sheet'}, {g ${p.thicknessMm}}`,
        unit: 'mm²',
      },
      ...{ quantity: plateAreaMm2(p), spares: 0, minor: Math.round(plateMassKg(p) * m.pricePerKgMinor) },
    })
  }
  for (const i of assembly.infills)
    add({
      ...{ key: `infill ${i.kind} ${i.name}`, kind: 'sheet', name: i.name, unit: 'piece', quantity: 1, spares: 0, minor: i.priceMinor },
    })
  for (const m of assembly.mounts) {
    if (m.theirs) continue
    const foot = footTypes[m.kind]
    add({ ...{ key: `foot ${m.kind}`, kind: 'feet', name: foot.name, unit: 'piece', quantity: 1, spares: 0, minor: foot.priceMinor } })
  }
  for (const f of assembly.fittings)
    if (!f.there)
      add({
        ...{ key: `fitting ${f.name}`, kind: 'accessories', name: f.name, unit: 'piece', quantity: 1, spares: 0, minor: f.priceMinor },
      })
  for (const h of hardwareOrder(assembly, rules))
    add({
      ...{ key: `small ${h.name}`, kind: 'small parts', name: h.name, unit: 'piece', quantity: h.quantity + h.spares, spares: h.spares },
      minor: h.eachMinor === null ? null : h.eachMinor * (h.quantity + h.spares),
    })
  return [...lines.values()]
}
