import { cutState } from '../barsLeft/cutPieces'
import type { Job } from '../job/job'
import { wholeOf } from '../pieces/whole'
import type { Rules } from '../rules/rules'
import { differs, partsAsCut } from './partsAsCut'

/** A part that is another one once something was measured: longer (less than 0 = shorter), holes or corners moved, or another design; `cut` = it was cut already. mm */
export type ChangedPart = { id: string; mark: string; name: string; longerMm: number; placesMm: number; other: boolean; cut: boolean }

/** Less than this nobody cuts anew for. Shop's own, mm */
const SAME_MM = 0.5

/** Which parts of a job are other ones with the vehicle as it was measured at the build, those that are cut already first: they stay as they are, or are made again. */
export function changedParts(job: Job, vehicle: Job['vehicle'], rules: Rules): ChangedPart[] {
  const [before, after] = [job.vehicle, vehicle].map((v) => partsAsCut(wholeOf({ ...job, vehicle: v }, rules).assembly, rules)) as [
    ReturnType<typeof partsAsCut>,
    ReturnType<typeof partsAsCut>,
  ]
  const isCut = (mark: string, flat: boolean) =>
    Boolean(job.built[flat ? 'plates' : 'cut']) || (!flat && cutState(job.built, mark) === 'cut')
  const changed = [...before.values()].flatMap((p): ChangedPart[] => {
    const d = differs(p, after.get(p.id))
    if (!d.other && Math.abs(d.longerMm) < SAME_MM && d.placesMm < SAME_MM) return []
    return [
      {
        id: p.id,
        mark: p.mark,
        name: p.name,
        longerMm: d.longerMm,
        placesMm: d.placesMm,
        other: d.other,
        cut: isCut(p.mark, p.lengthMm === null),
      },
    ]
  })
  return changed.sort((a, b) => Number(b.cut) - Number(a.cut) || Math.abs(b.longerMm) - Math.abs(a.longerMm))
}
