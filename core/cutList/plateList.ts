import { type Assembly, plateMassKg } from '../assembly/assembly'
import { boxOf } from '../assembly/places'
import { materialOf } from '../catalogue/materials'

export type FlatPart = {
  mark: string
  name: string
  thicknessMm: number
  /** the box of its outline, as it is cut */
  flatLengthMm: number
  flatWidthMm: number
  material: string
  quantity: number
  massEachKg: number
}

/** Every flat part as it is cut, alike ones on one line, in the order they are drawn. What was there already is not cut. mm, kg. */
export function plateList(assembly: Assembly): FlatPart[] {
  const parts: { key: string; part: FlatPart }[] = []
  for (const p of assembly.plates) {
    const { size } = boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 })))
    const { mark, name, thicknessMm } = p
    const key = JSON.stringify([mark, name, thicknessMm, p.materialId, p.bends, p.holes, p.outline])
    const alike = parts.find((o) => o.key === key)
    if (alike) alike.part.quantity++
    else
      parts.push({
        key,
        part: {
          mark,
          name,
          thicknessMm,
          flatLengthMm: size.x,
          flatWidthMm: size.y,
          material: materialOf(p.materialId).name,
          quantity: 1,
          massEachKg: plateMassKg(p),
        },
      })
  }
  return parts.map((p) => p.part)
}
