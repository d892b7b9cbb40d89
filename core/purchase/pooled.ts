import type { Tools } from '../calculator/tools'
import type { CutPart } from '../cutList/cutList'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { type CutPlan, planCuts } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import type { Remnant, Stock } from '../stock/stock'
import type { KitRow } from './kit'

/** One thing to order for several jobs: how much of it is for which. */
export type PooledLine = Omit<KitRow, 'here' | 'state' | 'due' | 'said' | 'order'> & {
  for: { jobId: string; title: string; quantity: number }[]
}

/** All that is missing, over all jobs, alike things on one line; what is here or ordered is not ordered again. */
export function pooledLines(jobs: { id: string; title: string; rows: KitRow[] }[]): PooledLine[] {
  const lines = new Map<string, PooledLine>()
  for (const job of jobs)
    for (const row of job.rows) {
      if (row.state !== 'missing') continue
      const { here, state: _, due: __, said: ___, order: ____, ...need } = row
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

/** Something on its way: what of it for which jobs, the day it is to come, and the number of its order; none = it was ordered without one. */
export type ComingLine = PooledLine & { due: string; order?: string }
/** All that was ordered and is not here, order by order, what comes soonest first. */
export function comingLines(jobs: { id: string; title: string; rows: KitRow[] }[]): ComingLine[] {
  const ways = new Map<string, { due: string; order?: string }>()
  for (const { state, due, order } of jobs.flatMap((j) => j.rows))
    if (state === 'ordered' && due) ways.set(`${due} ${order ?? ''}`, { due, ...(order ? { order } : {}) })
  const on = (r: KitRow, way: { due: string; order?: string }) => r.state === 'ordered' && r.due === way.due && r.order === way.order
  return [...ways]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([, way]) =>
      pooledLines(jobs.map((j) => ({ ...j, rows: j.rows.flatMap((r) => (on(r, way) ? [{ ...r, state: 'missing' as const }] : [])) }))).map(
        (l) => ({ ...l, ...way }),
      ),
    )
}

/** What lines of an order come to; metal by the bar is priced by the common plan and left out. Unknown where one has no price. */
export const orderSum = (lines: readonly PooledLine[]): Figure =>
  figure(
    {
      ...{ id: 'purchase.order', name: 'These lines come to', unit: 'money', formula: 'Σ price', source: `catalogue, ${SHOP_RULE}` },
      with: { P: lines.filter((l) => l.kind !== 'sections').map((l): Input => [l.minor, 'money', `price of ${l.name}`]) },
    },
    ({ P }) => sum(P),
  )

export type PooledJob = { id: string; title: string; parts: CutPart[] }
/** What is ordered of bars, what of the rack is used for it, and what no bar on sale or on the rack gives. Minor units; null = not all of it has a bar. */
export type PooledBars = {
  buy: CutPlan['purchases']
  usedOffcuts: number
  unplaced: { profileId: string; marks: string[]; lengthMm: number; reason: string }[]
  togetherMinor: number | null
  oneByOneMinor: number | null
  saves: Figure
}

/**
 * Bars of all jobs planned together, against each job by itself from what the one before it left on the rack. Going job by job is a way of buying together
 * as well: where a search that was cut short found nothing cheaper, that is what is ordered.
 */
export function pooledBars(jobs: PooledJob[], stock: Stock, rules: Rules, timeLimitMs: number, tools: Tools): PooledBars {
  const options = { useRemnants: true, timeLimitMs: Math.max(300, Math.floor(timeLimitMs / (jobs.length + 2))) }
  const all = jobs.flatMap((j) => j.parts.map((p) => ({ ...p, id: `${j.id} ${p.id}` })))
  const common = planCuts(all, stock, rules, { ...options, timeLimitMs: options.timeLimitMs * 2 }, tools)
  let rack = stock
  const alone = jobs.map((j) => {
    const plan = planCuts(j.parts, rack, rules, options, tools)
    rack = { ...rack, remnants: leftBy(plan, rack.remnants) }
    return plan
  })
  const cost = (plans: CutPlan[]): number | null => (plans.every((p) => p.complete) ? sum(plans.map((p) => p.costMinor)) : null)
  const [together, oneByOneMinor] = [cost([common]), cost(alone)]
  const plans = oneByOneMinor !== null && (together === null || oneByOneMinor < together) ? alone : [common]
  const saves = figure(
    {
      ...{ id: 'purchase.saves', name: 'Saved by buying together', unit: 'money', formula: 'S = Σ alone − together' },
      source: 'cut plans, merchant’s prices',
      with: {
        alone: alone.map((p, i): Input => [cost([p]), 'money', `bars of ${jobs[i]?.title ?? ''}, by itself`]),
        together: [cost(plans), 'money', 'bars of all jobs together'],
      },
      assumes: ['job by job, each cuts first from what the one before it left'],
    },
    (v) => sum(v.alone) - v.together,
  )
  const own = new Set(stock.remnants.map((r) => r.id))
  return {
    buy: bought(plans),
    usedOffcuts: sum(plans.flatMap((p) => p.used.filter((u) => own.has(u.remnantId)).map((u) => u.count))),
    unplaced: plans.flatMap((p) => p.profiles.flatMap(({ profileId, unplaced }) => unplaced.map((u) => ({ ...u, profileId })))),
    togetherMinor: cost(plans),
    oneByOneMinor,
    saves,
  }
}

/** The bars that several plans ask for, alike ones on one line. */
function bought(plans: CutPlan[]): CutPlan['purchases'] {
  const lines = new Map<string, CutPlan['purchases'][number]>()
  for (const p of plans.flatMap((plan) => plan.purchases))
    lines.set(p.stockId, { ...p, count: p.count + (lines.get(p.stockId)?.count ?? 0) })
  return [...lines.values()]
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
