import { type Assembly, type EndTreatment, memberLengthMm, memberMassKg } from '../assembly/assembly'
import { endCutText } from '../tube/endCuts'
import { tubePart, workKey } from '../tube/tubeParts'

/** Cut lengths nearer than this share one saw-stop setting, so the cut list shows them as one line. */
export const SAME_CUT_MM = 0.5

export type CutPart = {
  id: string
  /** marks of the single pieces, in the order they are cut */
  marks: string[]
  name: string
  profileId: string
  lengthMm: number
  ends: [EndTreatment, EndTreatment]
  /** the same in words, with what a cope sits on */
  endTexts: [string, string]
  /** copes, their turn and bends, as one line that is equal where the work is; what moved since a plan was accepted is told by it */
  work: string
  /** why its length is not known yet; null = it is */
  lacks: string | null
  quantity: number
  massEachKg: number
}

/** Every member once, alike pieces on one line: profile by profile, longest first. Lengths mm. */
export function cutList(assembly: Assembly): CutPart[] {
  const parts: CutPart[] = []
  for (const m of [...assembly.members].sort((a, b) => memberLengthMm(b) - memberLengthMm(a))) {
    const lengthMm = memberLengthMm(m)
    const part = tubePart(m, assembly)
    const work = workKey(part)
    const alike = parts.find(
      (p) => p.profileId === m.profileId && p.name === m.name && Math.abs(p.lengthMm - lengthMm) < SAME_CUT_MM && p.work === work,
    )
    if (alike) {
      alike.marks.push(m.mark)
      alike.quantity++
    } else {
      parts.push({
        id: m.id,
        marks: [m.mark],
        name: m.name,
        profileId: m.profileId,
        lengthMm,
        ends: m.ends,
        endTexts: [endCutText(part.ends[0]), endCutText(part.ends[1])],
        work,
        lacks: part.lacks,
        quantity: 1,
        massEachKg: memberMassKg(m),
      })
    }
  }
  for (const p of parts) p.marks.sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
  return parts.sort((a, b) => a.profileId.localeCompare(b.profileId, 'en') || b.lengthMm - a.lengthMm)
}
