import type { Issue } from '../issue/issue'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { type Limit, limitKey } from '../limits/limit'
import { pieceName } from '../pieces/piece'
import { type Built, wholeOf } from '../pieces/whole'
import { neededBeforeCutting } from '../places/neededBeforeCutting'
import { atStake, type ReadingAtStake } from '../remeasure/atStake'
import { type AsCut, differs, partsAsCut } from '../remeasure/partsAsCut'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { asNew, leftBehind } from './asNew'
import { copyToMeasure } from './copyToMeasure'
import { onVehicle, withoutItsVehicle } from './onVehicle'

/** A part that is another one on the other vehicle: longer (less than 0 = shorter), holes or corners moved. mm */
export type PartThere = { mark: string; name: string; becomes: 'another' | 'gone' | 'added' | 'longer' | 'moved'; byMm: number }
/** What becomes of one piece there, and what of it does not work out. */
export type PieceThere = { id: string; name: string; same: number; parts: PartThere[]; issues: Issue[] }
/** A limit that is worse there than it was. */
export type LimitThere = { id: string; name: string; was: Limit['state'] | 'none'; is: Limit['state'] }
export type Reused = {
  job: Job
  pieces: PieceThere[]
  worse: LimitThere[]
  /** figures that the parts hang on and that nobody has read on that vehicle, what could scrap most first */
  measure: ReadingAtStake[]
  /** figures that are not there at all, in words */
  unread: string[]
  /** what is found out anew, and what stays with the first job. Words */
  unknown: string[]
  left: string[]
}

/** Less than this nobody cuts anew for. Shop's own, mm */
const SAME_MM = 0.5

/**
 * A job taken over for another vehicle: its intent is kept, its record is not, and every figure that its parts hang on is named that has to be read there.
 * `unlike` = the vehicle that stands on the shelf is only one of that kind, so that all its figures are assumptions.
 */
export function reuse(job: Job, { title, vehicle, unlike }: { title: string; vehicle: Vehicle; unlike: boolean }, rules: Rules): Reused {
  // under an id of its own, so that a newer revision of the one on the shelf is not taken for this one's figures
  const to = unlike ? copyToMeasure(vehicle, `${vehicle.id}-like`.slice(0, 60), vehicle.name) : vehicle
  const anew = asNew(job, title)
  const { job: bare, lost } = to.id === job.vehicle.id ? { job: anew, lost: [] } : withoutItsVehicle(anew)
  const next: Job = {
    ...onVehicle({ ...bare, brief: withoutItsClient(bare.brief), notes: '' }, to, rules),
    like: { title: job.title, vehicle: job.vehicle.name },
  }
  const [before, after] = [wholeOf(job, rules), wholeOf(next, rules)]
  const [wasCut, isCut] = [partsAsCut(before.assembly, rules), partsAsCut(after.assembly, rules)]
  return {
    job: next,
    pieces: after.built.map((b) => pieceThere(b, wasCut, isCut)),
    worse: worse(evaluate(job, rules).limits, evaluate(next, rules).limits),
    measure: atStake(next, rules).readings.filter((r) => r.method === 'assumed' || r.method === 'unknown'),
    unread: neededBeforeCutting(to)
      .filter((n) => n.state !== 'assumed')
      .map((n) => `${n.label}: ${n.why}`),
    unknown: [...lost, 'what the client agrees to: his load class, and the kinds of use', 'what he must pass under, and his price'],
    left: [...leftBehind(job), ...(job.notes ? ['its notes'] : [])],
  }
}

/** Another client has agreed to nothing yet, and his doors and his purse are his own. */
const withoutItsClient = (brief: Job['brief']): Job['brief'] => ({
  ...brief,
  clientName: '',
  contact: '',
  loadClass: null,
  agreedUses: ['goods'],
  asked: {},
  passages: [],
  budgetMinor: null,
  readyMadeMinor: null,
  readyMadeNote: '',
})

function pieceThere(b: Built, was: Map<string, AsCut>, is: Map<string, AsCut>): PieceThere {
  const mine = (parts: Map<string, AsCut>) => [...parts.values()].filter((p) => p.id.startsWith(`${b.piece.id}/`))
  const parts = [
    ...mine(was).flatMap((p): PartThere[] => {
      const now = is.get(p.id)
      if (!now) return [{ mark: p.mark, name: p.name, becomes: 'gone', byMm: 0 }]
      const d = differs(p, now)
      if (d.other) return [{ mark: now.mark, name: p.name, becomes: 'another', byMm: 0 }]
      if (Math.abs(d.longerMm) >= SAME_MM) return [{ mark: now.mark, name: p.name, becomes: 'longer', byMm: d.longerMm }]
      return d.placesMm >= SAME_MM ? [{ mark: now.mark, name: p.name, becomes: 'moved', byMm: d.placesMm }] : []
    }),
    ...mine(is).flatMap((p): PartThere[] => (was.has(p.id) ? [] : [{ mark: p.mark, name: p.name, becomes: 'added', byMm: 0 }])),
  ]
  const changed = parts.filter((p) => p.becomes !== 'added' && p.becomes !== 'gone').length
  return {
    id: b.piece.id,
    name: pieceName(b.piece),
    same: mine(is).filter((p) => was.has(p.id)).length - changed,
    parts: parts.sort((a, c) => Math.abs(c.byMm) - Math.abs(a.byMm)),
    issues: b.issues,
  }
}

const rank: Record<LimitThere['was'], number> = { none: 0, clear: 0, near: 1, unknown: 2, over: 3 }
function worse(before: Limit[], after: Limit[]): LimitThere[] {
  const was = new Map(before.map((l) => [limitKey(l), l.state]))
  return after.flatMap((l): LimitThere[] => {
    const then = was.get(limitKey(l)) ?? 'none'
    return rank[l.state] > rank[then] && l.state !== 'near' ? [{ id: limitKey(l), name: l.name, was: then, is: l.state }] : []
  })
}
