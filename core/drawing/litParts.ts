import type { Assembly } from '../assembly/assembly'
import type { Entity, Layer, Sheet } from './sheet'

const PARTS = new Set<Layer>(['member', 'plate', 'infill', 'fitting', 'foot', 'anchor'])

/** The parts that carry one of those marks. */
export const partsMarked = (a: Assembly, marks: readonly string[]): Set<string> => {
  const wanted = new Set(marks)
  return new Set([...a.members, ...a.plates, ...a.infills, ...a.fittings, ...a.mounts].filter((p) => wanted.has(p.mark)).map((p) => p.id))
}

/** More marks than this cover what they point at: then only their list says them. */
const MOST_MARKS = 8

/** A view for one step of the work: the parts it is about as they are, with their marks where these are few; all the rest faint, and no figures. */
export function litParts(sheet: Sheet, lit: Set<string>, marks: readonly string[]): Sheet {
  const named = new Set(new Set(marks).size <= MOST_MARKS ? marks : [])
  const entities = sheet.entities.flatMap((e): Entity[] => {
    if (e.kind === 'balloon') return named.has(e.text) ? [e] : []
    if (e.kind === 'dimension' || e.layer === 'mark' || e.layer === 'swing' || e.layer === 'datum' || e.layer === 'limit') return []
    if (e.layer === 'cargo' || e.layer === 'centre' || e.layer === 'strap' || e.kind === 'text') return []
    return PARTS.has(e.layer) && !(e.ref && lit.has(e.ref)) ? [{ ...e, layer: 'likeness' }] : [e]
  })
  return { ...sheet, entities }
}
