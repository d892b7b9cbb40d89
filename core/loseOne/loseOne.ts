import type { Assembly, Joint } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { markOf } from '../assembly/marks'
import type { Brief } from '../brief/brief'
import type { Job } from '../job/job'
import type { Limit } from '../limits/limit'
import { rackLimits } from '../limits/rackLimits'
import { carriedBy } from '../loads/carried'
import { loadCases } from '../loads/loadCases'
import { wholeOf } from '../pieces/whole'
import type { Rules } from '../rules/rules'
import { anchorsOf } from '../securing/anchors'
import { securingLimits } from '../securing/securing'

export const losable = ['foot', 'bolt', 'weld', 'strap'] as const
export type Losable = (typeof losable)[number]
/** What is left of a limit: its name, what governs it, how far it is used, and how far it was. Null = not assessed. */
export type Then = { limit: string; at: string; ratio: number | null; before: number | null; missing: string[] }
/**
 * One thing gone. `falls` = the marks of what has nothing left to hold it; `next` = what comes loose or breaks first of what bears more then, null where nothing
 * does. `secondNeeded` is null where that cannot be said, because what it would be judged by is not assessed.
 */
export type WithoutOne = {
  id: string
  kind: Losable
  name: string
  pieceId: string | null
  falls: string | null
  next: Then | null
  secondNeeded: boolean | null
}

/** One thing that may be lost, and the job's facts without it. */
type Loss = Pick<WithoutOne, 'id' | 'kind' | 'name' | 'pieceId'> & { assembly?: Assembly; brief?: Brief; cargoId?: string }

/**
 * The job solved again with any one foot, bolt, weld or strap gone, the worst first: what falls, or what is then used most, under every load case of its road
 * and speed. A joint of several bolts loses one of them, one bolt or weld all of itself; a foot goes with its bolts. Shop's own check of redundancy: it asks
 * what one failure leads to, and says nothing of how likely that is.
 */
export function loseOne(job: Job, rules: Rules): WithoutOne[] {
  const { assembly } = wholeOf(job, rules)
  const limitsOf = (a: Assembly, brief: Brief) => {
    const rack = rackLimits({ assembly: a, carried: carriedBy(a, brief), vehicle: job.vehicle, brief, rules, tests: job.loadTests })
    return { limits: rack.limits, fallen: rack.unstable.flatMap((u) => u.parts) }
  }
  const strapsHold = (brief: Brief) =>
    securingLimits({
      cargo: brief.cargo,
      anchors: anchorsOf(job, assembly),
      cases: loadCases(rules, brief.road),
      speedKmh: brief.speedKmh,
      rules,
    })
  const whole = limitsOf(assembly, job.brief)
  const strapped = strapsHold(job.brief)
  const found = [...losses(assembly), ...strapLosses(job.brief)].map((l): WithoutOne => {
    const { id, kind, name, pieceId } = l
    if (l.brief) {
      const own = strapsHold(l.brief).filter((x) => x.id === `straps.${l.cargoId}`)
      return { id, kind, name, pieceId, falls: null, ...judged(l, own, strapped) }
    }
    const left = limitsOf(l.assembly ?? assembly, job.brief)
    const loose = left.fallen.filter((part) => !whole.fallen.includes(part)).map((part) => markOf(assembly, part))
    if (loose.length) return { id, kind, name, pieceId, falls: loose.join(', '), next: null, secondNeeded: true }
    return { id, kind, name, pieceId, falls: null, ...judged(l, left.limits.filter(holding), whole.limits) }
  })
  return found.sort((a, b) => badness(b) - badness(a))
}

/** What holds or carries: overhangs and spans are no longer or shorter for a bolt lost. */
const holding = (l: Limit): boolean => l.group === 'rack' && l.ref !== null && !/^(overhang|span|bar\.sag)/.test(l.id)

/** The worst of what bears more than before, or that its own piece leaves unassessed. */
function judged(lost: Loss, left: Limit[], before: Limit[]): Pick<WithoutOne, 'next' | 'secondNeeded'> {
  const was = (l: Limit) => before.find((b) => b.id === l.id && b.pieceId === l.pieceId)?.ratio ?? null
  const more = left.filter((l) => l.ratio !== null && l.ratio > (was(l) ?? 0) + 1e-6)
  const dark = left.find((l) => l.ratio === null && (l.pieceId === lost.pieceId || was(l) !== null))
  const worst = more.length ? more.reduce((a, b) => ((b.ratio ?? 0) > (a.ratio ?? 0) ? b : a)) : null
  const over = worst !== null && (worst.ratio ?? 0) > 1
  const shown = over ? worst : (dark ?? worst)
  if (!shown) return { next: null, secondNeeded: false }
  const missing = [...new Set([...shown.used.missing, ...shown.allowed.missing])]
  return {
    next: { limit: shown.name, at: shown.used.name, ratio: shown.ratio, before: was(shown), missing },
    secondNeeded: over ? true : dark ? null : false,
  }
}

/** What falls first, then by how far the rest is used; what is not assessed before what is well within. */
const badness = (w: WithoutOne): number => (w.falls ? 1e6 : w.secondNeeded === null ? 1 : (w.next?.ratio ?? 0))

function losses(a: Assembly): Loss[] {
  const feetIds = new Set(a.mounts.map((m) => m.id))
  const feet = a.mounts.map(
    (m): Loss => ({
      id: m.id,
      kind: 'foot',
      name: `Foot ${m.mark}`,
      pieceId: pieceIdOf(m.id),
      assembly: { ...a, mounts: a.mounts.filter((o) => o !== m) },
    }),
  )
  const joints = a.joints.flatMap((j): Loss[] => {
    if (j.between.some((id) => feetIds.has(id))) return []
    const kind = j.kind === 'weld' ? 'weld' : 'bolt'
    const count = j.bolts?.count ?? 1
    const fewer: Joint[] = count > 1 && j.bolts ? [{ ...j, bolts: { ...j.bolts, count: count - 1 } }] : []
    const between = `${markOf(a, j.between[0])} to ${markOf(a, j.between[1])}`
    return [
      {
        id: j.id,
        kind,
        name:
          kind === 'weld'
            ? `Weld ${between}`
            : count > 1
              ? `One of ${count} bolts, ${between}`
              : `${j.kind === 'pin' ? 'Pin' : 'Bolt'}, ${between}`,
        pieceId: pieceIdOf(j.id),
        assembly: { ...a, joints: a.joints.flatMap((o) => (o === j ? fewer : [o])) },
      },
    ]
  })
  return [...feet, ...joints]
}

const strapLosses = (brief: Brief): Loss[] =>
  brief.cargo.flatMap((c) => {
    const { securing } = c
    if (securing?.by !== 'straps' || c.counts === 'parked') return []
    return securing.straps.map(
      (s, i): Loss => ({
        id: `${c.id}/strap:${i}`,
        kind: 'strap',
        name: `Strap ${i + 1} of ${c.name}, ${s.way === 'over' ? 'over the top' : `against going ${s.way}`}`,
        pieceId: null,
        cargoId: c.id,
        brief: {
          ...brief,
          cargo: brief.cargo.map((o) =>
            o === c ? { ...c, securing: { ...securing, straps: securing.straps.filter((_, k) => k !== i) } } : o,
          ),
        },
      }),
    )
  })
