import type { Job } from '../job/job'
import { wholeOf } from '../pieces/whole'
import type { Rules } from '../rules/rules'
import { type AsCut, type Differs, differs, partsAsCut } from './partsAsCut'
import { type ReadFigure, readingsOf } from './readingsOf'

/** What a part would be out by if a reading is out by its tolerance: too short, holes or corners off, a cut turned.  mm, degrees */
export type PartAtStake = {
  id: string
  mark: string
  name: string
  shortMm: number
  longMm: number
  placesMm: number
  turnsDeg: number
  /** another design altogether: another number of cuts or holes */
  other: boolean
  costMinor: number
}
/** One reading with the parts that it could scrap, and what making those again costs. Minor units */
export type ReadingAtStake = Pick<ReadFigure, 'id' | 'sheet' | 'label' | 'unit' | 'value' | 'tolerance' | 'method'> & {
  parts: PartAtStake[]
  costMinor: number
}
/** A part that is cut so much longer and trimmed at the fit: the worst of all its readings together, mm, up to the next whole one. Null = it is bent or flat, and cannot be trimmed. */
export type LeftLong = { id: string; mark: string; name: string; byMm: number | null }
export type AtStake = { readings: ReadingAtStake[]; leaveLong: LeftLong[] }

/** A cut that turns by less than this closes all the same. Shop's own, degrees */
const TURNS_DEG = 0.3

/**
 * Every reading taken off by its tolerance, both ways, and the whole job put together anew: which parts would then have been cut wrong by more than a part is
 * out as made, and what making them again costs in metal and hours. The dearest first, so that it is read again first. A part that a reading only makes longer or
 * shorter is left long instead, by the worst of all such readings at once (Σ|t|).
 */
export function atStake(job: Job, rules: Rules): AtStake {
  const of = (vehicle: Job['vehicle']) => partsAsCut(wholeOf({ ...job, vehicle }, rules).assembly, rules)
  const asRead = of(job.vehicle)
  const long = new Map<string, number>()
  const readings = readingsOf(job.vehicle).flatMap((r): ReadingAtStake[] => {
    if (r.tolerance <= 0) return []
    const [less, more] = [of(r.with(r.value - r.tolerance)), of(r.with(r.value + r.tolerance))]
    const parts = [...asRead.values()].flatMap((p): PartAtStake[] => {
      const [a, b] = [differs(p, less.get(p.id)), differs(p, more.get(p.id))]
      // small errors of many readings add up, so all of them count here
      long.set(p.id, (long.get(p.id) ?? 0) + Math.max(0, a.longerMm, b.longerMm))
      const found = out(p, a, b, rules)
      return found ? [found] : []
    })
    const { id, sheet, label, unit, value, tolerance, method } = r
    const costMinor = parts.reduce((s, p) => s + p.costMinor, 0)
    return parts.length ? [{ id, sheet, label, unit, value, tolerance, method, parts, costMinor }] : []
  })
  return {
    readings: readings.sort((a, b) => b.costMinor - a.costMinor || b.tolerance - a.tolerance || (a.label < b.label ? -1 : 1)),
    leaveLong: [...asRead.values()]
      .flatMap((p): LeftLong[] => {
        const byMm = long.get(p.id) ?? 0
        return byMm > rules.madeMm ? [{ id: p.id, mark: p.mark, name: p.name, byMm: p.trims ? Math.ceil(byMm - 1e-6) : null }] : []
      })
      .sort((a, b) => (b.byMm ?? Number.POSITIVE_INFINITY) - (a.byMm ?? Number.POSITIVE_INFINITY) || (a.mark < b.mark ? -1 : 1)),
  }
}

function out(part: AsCut, less: Differs, more: Differs, rules: Rules): PartAtStake | null {
  const most = (of: (d: Differs) => number) => Math.max(of(less), of(more))
  const over = (mm: number) => (mm > rules.madeMm ? mm : 0)
  const found = {
    // the part as it should have been is longer than the one that was cut
    shortMm: over(most((d) => d.longerMm)),
    longMm: over(most((d) => -d.longerMm)),
    placesMm: over(most((d) => d.placesMm)),
    turnsDeg: most((d) => d.turnsDeg) > TURNS_DEG ? most((d) => d.turnsDeg) : 0,
    other: less.other || more.other,
  }
  if (!found.other && !found.shortMm && !found.longMm && !found.placesMm && !found.turnsDeg) return null
  // what is only too long is cut again at the fit; all else is made anew
  const scrapped = found.other || found.shortMm || found.placesMm || found.turnsDeg
  const costMinor = scrapped
    ? Math.round((part.minutes / 60) * rules.labourPerHour * 100) + part.metalMinor
    : Math.round((rules.cutMin / 60) * rules.labourPerHour * 100)
  return { id: part.id, mark: part.mark, name: part.name, ...found, costMinor }
}
