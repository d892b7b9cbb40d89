import type { Assembly } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { cutList } from '../cutList/cutList'
import type { CutPlan } from '../nesting/planCuts'
import { withLengths } from '../quantity/figureText'
import type { DisplayUnits } from '../quantity/units'

/** What is stuck on one part or offcut, lengths in the units of its job; `code` says the same to whoever scans it, with no network. */
export type Label = { mark: string; name: string; of: string; what: 'part' | 'offcut'; code: string }

/** A label for every piece that is cut, every flat part, and every offcut that goes back to the rack. */
export function labelsOf(job: { title: string; revision: number; units: DisplayUnits }, assembly: Assembly, plan: CutPlan): Label[] {
  const label = (what: Label['what'], mark: string, name: string, of: string): Label => {
    const [called, made] = [name, of].map((text) => withLengths(text, job.units)) as [string, string]
    return { what, mark, name: called, of: made, code: [job.title, `revision ${job.revision}`, mark, called, made].join('\n') }
  }
  const mm = (v: number): string => `{${Math.round(v * 10) / 10}}`
  return [
    ...cutList(assembly).flatMap((p) =>
      p.marks.map((mark) => label('part', mark, `${p.name}, ${mm(p.lengthMm)}`, profileOf(p.profileId).name)),
    ),
    ...assembly.plates.map((p) => label('part', p.mark, p.name, `${materialOf(p.materialId).name}, {g ${p.thicknessMm}}`)),
    ...plan.offcuts.flatMap((o) =>
      Array.from({ length: o.count }, () => label('offcut', 'Offcut', mm(o.lengthMm), `${profileOf(o.profileId).name}, ${o.grade}`)),
    ),
  ]
}
