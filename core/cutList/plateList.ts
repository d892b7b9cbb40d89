import type { Assembly, Plate } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'

export type FlatPart = Pick<Plate, 'mark' | 'name' | 'thicknessMm' | 'flatLengthMm' | 'flatWidthMm'> & {
  material: string
  quantity: number
  massEachKg: number
}

/** Every flat part as it is cut, alike ones on one line, in the order they are drawn. mm, kg. */
export function plateList(assembly: Assembly): FlatPart[] {
  const parts: FlatPart[] = []
  for (const p of assembly.plates) {
    const { mark, name, thicknessMm, flatLengthMm, flatWidthMm } = p
    const own = { mark, name, thicknessMm, flatLengthMm, flatWidthMm, material: materialOf(p.materialId).name }
    const alike = parts.find((o) => (Object.keys(own) as (keyof typeof own)[]).every((key) => o[key] === own[key]))
    if (alike) alike.quantity += p.quantity
    else parts.push({ ...own, quantity: p.quantity, massEachKg: p.massKg })
  }
  return parts
}
