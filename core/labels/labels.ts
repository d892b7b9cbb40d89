import type { Assembly } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { cutList } from '../cutList/cutList'
import type { CutPlan } from '../nesting/planCuts'
import { flatKinds } from '../sheetNesting/sheetPlan'

/** What is stuck on one part or offcut. Lengths in its words in braces, mm; `code` says the same to whoever scans it, with no network. */
export type Label = { mark: string; name: string; of: string; what: 'part' | 'offcut'; code: string }

/** A label for every piece that is cut, every flat part, and every offcut that goes back to the rack. */
export function labelsOf(job: { title: string; revision: number }, assembly: Assembly, plan: CutPlan): Label[] {
  const label = (what: Label['what'], mark: string, name: string, of: string): Label => {
    const plain = (text: string) => text.replace(/\{(?:g ?)?([\d.]+)\}/g, '$1 mm')
    return { what, mark, name, of, code: [job.title, `revision ${job.revision}`, mark, plain(name), plain(of)].filter(Boolean).join('\n') }
  }
  const mm = (v: number): string => `{${Math.round(v * 10) / 10}}`
  return [
    ...cutList(assembly).flatMap((p) =>
      p.marks.map((mark) => label('part', mark, `${p.name}, ${mm(p.lengthMm)}`, profileOf(p.profileId).name)),
    ),
    ...flatKinds(assembly).flatMap((k) =>
      k.marks.map((mark) => label('part', mark, k.plate.name, `${materialOf(k.plate.materialId).name}, {g ${k.plate.thicknessMm}}`)),
    ),
    ...plan.offcuts.flatMap((o) =>
      Array.from({ length: o.count }, () => label('offcut', 'Offcut', mm(o.lengthMm), `${profileOf(o.profileId).name}, ${o.grade}`)),
    ),
  ]
}
