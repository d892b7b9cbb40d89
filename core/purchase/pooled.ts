import type { Tools } from '../calculator/tools'
import type { CutPart } from '../cutList/cutList'
import { type CutPlan, planCuts } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import type { Remnant, Stock } from '../stock/stock'
import type { KitRow } from './kit'

/** One thing to order for several jobs: how much of it is for which. */
export type PooledLine = Omit<KitRow, 'here' | 'state' | 'due' | 'said'> & { for: { jobId: string; title: string; quantity: number }[] }

/** All that is missing, over all jobs, alike things on one line; what is here or ordered is not ordered again. */
export function pooledLines(jobs: { id: string; title: string; rows: KitRow[] }[]): PooledLine[] {
  const lines = new Map<string, PooledLine>()
  for (const job of jobs)
    for (const row of job.rows) {
      if (row.state !== 'missing') continue
      const { here, state: _, due: __, said: ___, ...need } = row
      const open = row.quantity - here
      const minor = row.minor === null ? null : Math.round((row.minor * open) / row.quantity)
      const mine = { jobId: job.id, title: job.title, quantity: open }
      const known = lines.get(row.key)
      lines.set(
        row.key,
        known
          ? {
              ...known,
              quantity: known.quantity + open,
              minor: known.minor === null || minor === null ? null : known.minor + minor,
              for: [...known.for, mine],
            }
          : { ...need, quantity: open, minor, for: [mine] },
      )
    }
  return [...lines.values()]
}

/** Something on its way: what of it for which jobs, and the day it is to come. */
export type ComingLine = PooledLine & { due: string }
/** All that was ordered and is not here, what comes soonest first. */
export const comingLines = (jobs: { id: string; title: string; rows: KitRow[] }[]): ComingLine[] =>
  [...new Set(jobs.flatMap((j) => j.rows.flatMap((r) => (r.state === 'ordered' && r.due ? [r.due] : []))))].sort().flatMap((due) =>
    pooledLines(
      jobs.map((j) => ({
        ...j,
        rows: j.rows.flatMap((r) => (r.state === 'ordered' && r.due === due ? [{ ...r, state: 'missing' as const }] : [])),
      })),
    ).map((l) => ({ ...l, due })),
  )

export type PooledJob = { id: string; title: string; parts: CutPart[] }
export type PooledBars = { plan: CutPlan; togetherMinor: number; oneByOneMinor: number | null; savesMinor: number | null }
/**
 * Bars of all jobs planned together, against each job by itself from what the one before it left on the rack. Minor units; null = a job's own plan leaves
 * something out, so that there is nothing to compare with.
 */
export function pooledBars(
  jobs: { id: string; title: string; parts: CutPart[] }[],
  stock: Stock,
  rules: Rules,
  timeLimitMs: number,
  tools: Tools,
): PooledBars {
  const options = { useRemnants: true, timeLimitMs: Math.max(300, Math.floor(timeLimitMs / (jobs.length + 2))) }
  const all = jobs.flatMap((j) => j.parts.map((p) => ({ ...p, id: `${j.id} ${p.id}`, name: `${j.title}: ${p.name}` })))
  const plan = planCuts(all, stock, rules, { ...options, timeLimitMs: options.timeLimitMs * 2 }, tools)
  let rack = stock
  let oneByOneMinor: number | null = 0
  for (const j of jobs) {
    const alone = planCuts(j.parts, rack, rules, options, tools)
    oneByOneMinor = oneByOneMinor === null || !alone.complete ? null : oneByOneMinor + alone.costMinor
    rack = { ...rack, remnants: leftBy(alone, rack.remnants) }
  }
  const comparable = plan.complete && oneByOneMinor !== null
  // a search that was cut short may find less together than one by one: then there is nothing to save by it
  const savesMinor = comparable ? Math.max(0, (oneByOneMinor ?? 0) - plan.costMinor) : null
  return { plan, togetherMinor: plan.costMinor, oneByOneMinor: comparable ? oneByOneMinor : null, savesMinor }
}

/** The rack after a plan was cut: what it took is gone, what it keeps has come. */
function leftBy(plan: CutPlan, remnants: Remnant[]): Remnant[] {
  const took = new Map(plan.used.map((u) => [u.remnantId, u.count]))
  const left = remnants.map((r) => ({ ...r, quantity: r.quantity - (took.get(r.id) ?? 0) })).filter((r) => r.quantity > 0)
  const kept = plan.offcuts.map((o, i) => ({
    ...{ id: `kept ${i} ${left.length} ${o.profileId} ${o.lengthMm}`, profileId: o.profileId, lengthMm: o.lengthMm, quantity: o.count },
    ...{ grade: o.grade, place: '', note: '' },
  }))
  return [...left, ...kept]
}
