import { type Assembly, memberLengthMm } from '../assembly/assembly'
import { type CutPart, cutList } from '../cutList/cutList'
import { familyOf } from '../families/all'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { firstFit } from '../nesting/firstFit'
import { nestBars } from '../nesting/nestBars'
import { nestingInput, planCuts } from '../nesting/planCuts'
import type { Tools } from '../nesting/tools'
import type { Rules } from '../rules/rules'
import type { Stock } from '../stock/stock'

export type StockAdvice = {
  option: string
  label: string
  shorterMm: number
  savingMinor: number
  barsFewer: number
  costMinor: number
  job: Job
  worsens: string[]
}
const STEP_MM = 1 // a bench rule and a saw stop are set to the millimetre: the shop's own

/**
 * The least shortening, within the range the user allows, that saves stock. Shorter pieces fit wherever longer ones did, so the cost
 * never rises with the shortening: the steps of the cost are found by halving. One answer for each way the family can shorten a bar, and for
 * each the cheapest cost in range plus the first cheaper step before it. Every answer is evaluated again: limits it pushes over are named.
 */
export function stockAdvice(job: Job, stock: Stock, rules: Rules, tools: Tools): StockAdvice[] {
  const family = familyOf(job.design)
  const now = evaluate(job, rules)
  const overNow = new Set(now.limits.filter((l) => l.state === 'over').map((l) => l.id))
  const costed = (shorter: Job) => {
    const plan = planCuts(cutList(assemblyOf(shorter, rules)), stock, rules, { useRemnants: job.cut.useRemnants, timeLimitMs: 2000 }, tools)
    return {
      costMinor: plan.complete ? plan.costMinor : Number.POSITIVE_INFINITY,
      bars: plan.profiles.reduce((s, p) => s + p.bars.length, 0),
    }
  }
  const base = costed(job)
  if (!cutList(now.assembly).length) return []
  return family.shorten.flatMap((option) => {
    const most = Math.floor(Math.min(job.cut.maxShorterMm, option.most(job.design.params)) / STEP_MM)
    if (most < Math.max(1, option.least(job.design.params))) return []
    const changed = (steps: number): Job => ({
      ...job,
      design: { ...job.design, params: option.apply(job.design.params, steps * STEP_MM) },
    })
    const costs = new Map([[0, base]])
    const at = (steps: number) => {
      const known = costs.get(steps) ?? costed(changed(steps))
      costs.set(steps, known)
      return known
    }
    const cheapest = at(most).costMinor
    if (!(cheapest < base.costMinor - 0.5)) return []
    const best = firstAtMost(most, cheapest, (s) => at(s).costMinor)
    const first = firstAtMost(best, base.costMinor - 1, (s) => at(s).costMinor)
    return [...new Set([first, best])].map((steps): StockAdvice => {
      const better = changed(steps)
      const after = evaluate(better, rules)
      return {
        option: option.id,
        label: option.label,
        // what the bars really lose: a way that cannot do less than its least does that
        shorterMm: longest(now.assembly) - longest(after.assembly),
        job: better,
        costMinor: at(steps).costMinor,
        savingMinor: base.costMinor === Number.POSITIVE_INFINITY ? 0 : base.costMinor - at(steps).costMinor,
        barsFewer: base.bars - at(steps).bars,
        worsens: [...after.limits.filter((l) => l.state === 'over' && !overNow.has(l.id)).map((l) => l.name)],
      }
    })
  })
}

const assemblyOf = (job: Job, rules: Rules): Assembly => familyOf(job.design).assemble(job.design.params, job.vehicle, rules).assembly
const longest = (a: Assembly): number => Math.max(0, ...a.members.map(memberLengthMm))

/** Least whole number in 1…most whose cost is at most `target`; the cost falls as the number grows. */
function firstAtMost(most: number, target: number, cost: (steps: number) => number): number {
  let [low, high] = [0, most]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (cost(middle) <= target + 0.5) high = middle
    else low = middle
  }
  return high
}

export type LengthComparison = {
  profileId: string
  lengthMm: number
  bars: number
  costMinor: number
  wasteMm: number
  unplaced: number
  /** the same with bars shortened each way the advisor knows, as far as the job allows; null where pieces still do not fit */
  shortened: { option: string; label: string; bars: number | null; costMinor: number | null }[]
}

/** Each length on sale on its own: bars, cost and waste if only that length were bought, as drawn and with bars shortened in each of the advisor's ways. */
export function compareLengths(job: Job, stock: Stock, rules: Rules, tools: Tools): LengthComparison[] {
  const family = familyOf(job.design)
  const partsOf = (params: Job['design']['params']) => cutList(assemblyOf({ ...job, design: { ...job.design, params } }, rules))
  const parts = partsOf(job.design.params)
  const ways = family.shorten.flatMap((o) => {
    const by = Math.min(job.cut.maxShorterMm, o.most(job.design.params))
    return by >= Math.max(STEP_MM, o.least(job.design.params))
      ? [{ option: o.id, label: o.label, parts: partsOf(o.apply(job.design.params, by)) }]
      : []
  })
  return [...new Set(parts.map((p) => p.profileId))].flatMap((profileId) =>
    stock.sale
      .filter((s) => s.profileId === profileId && s.priceMinor !== null)
      .sort((a, b) => b.lengthMm - a.lengthMm)
      .map((only): LengthComparison => {
        const single = (list: CutPart[]) => {
          const input = nestingInput(
            list.filter((p) => p.profileId === profileId),
            profileId,
            { sale: [only], remnants: [] },
            rules,
            { useRemnants: false, timeLimitMs: 1000 },
          )
          const start = firstFit(input)
          return start.bars.length <= 1 ? start : nestBars(input, tools)
        }
        const plain = single(parts)
        const pieces = plain.bars.reduce((s, b) => s + b.cuts.reduce((t, c) => t + c.length, 0), 0)
        return {
          profileId,
          lengthMm: only.lengthMm,
          bars: plain.bars.length,
          costMinor: plain.cost,
          wasteMm: plain.bars.length * only.lengthMm - pieces,
          unplaced: plain.unplaced.reduce((s, u) => s + u.quantity, 0),
          shortened: ways.map(({ option, label, parts: shorter }) => {
            const tried = single(shorter)
            const placed = tried.unplaced.length === 0
            return { option, label, bars: placed ? tried.bars.length : null, costMinor: placed ? tried.cost : null }
          }),
        }
      }),
  )
}
