import { type CutPart, cutList } from '../cutList/cutList'
import { familyOf } from '../families/all'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Rules } from '../rules/rules'
import type { Stock } from '../stock/stock'
import { firstFit } from './firstFit'
import { nestBars, type Tools } from './nestBars'
import { nestingInput, planCuts } from './planCuts'

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
    const plan = planCuts(cutList(evaluateAssembly(shorter)), stock, rules, { useRemnants: job.cut.useRemnants, timeLimitMs: 2000 }, tools)
    return {
      costMinor: plan.complete ? plan.costMinor : Number.POSITIVE_INFINITY,
      bars: plan.profiles.reduce((s, p) => s + p.bars.length, 0),
    }
  }
  const base = costed(job)
  if (!cutList(now.assembly).length) return []
  return family.shorten.flatMap((option) => {
    const most = Math.floor(Math.min(job.cut.maxShorterMm, option.most(job.design.params)) / STEP_MM)
    if (most < 1) return []
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
        shorterMm: steps * STEP_MM,
        job: better,
        costMinor: at(steps).costMinor,
        savingMinor: base.costMinor === Number.POSITIVE_INFINITY ? 0 : base.costMinor - at(steps).costMinor,
        barsFewer: base.bars - at(steps).bars,
        worsens: [...after.limits.filter((l) => l.state === 'over' && !overNow.has(l.id)).map((l) => l.name)],
      }
    })
  })
}

const evaluateAssembly = (job: Job) => familyOf(job.design).assemble(job.design.params, job.vehicle).assembly

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
  withTrickBars: number | null
  withTrickCostMinor: number | null
}

/** Each length on sale on its own: bars, cost and waste if only that length were bought, without and with bars shortened by the range allowed. */
export function compareLengths(parts: CutPart[], shorterParts: CutPart[], stock: Stock, rules: Rules, tools: Tools): LengthComparison[] {
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
        const [plain, trick] = [single(parts), single(shorterParts)]
        const pieces = plain.bars.reduce((s, b) => s + b.cuts.reduce((t, c) => t + c.length, 0), 0)
        const placed = trick.unplaced.length === 0
        return {
          profileId,
          lengthMm: only.lengthMm,
          bars: plain.bars.length,
          costMinor: plain.cost,
          wasteMm: plain.bars.length * only.lengthMm - pieces,
          unplaced: plain.unplaced.reduce((s, u) => s + u.quantity, 0),
          withTrickBars: placed ? trick.bars.length : null,
          withTrickCostMinor: placed ? trick.cost : null,
        }
      }),
  )
}
