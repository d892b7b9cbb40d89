import { type Assembly, memberLengthMm } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Tools } from '../calculator/tools'
import { type CutPart, cutList } from '../cutList/cutList'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { designedIn, madeAssembly, withParams } from '../job/piecesOf'
import { limitKey } from '../limits/limit'
import { firstFit } from '../nesting/firstFit'
import { nestBars } from '../nesting/nestBars'
import { nestingInput, planCuts } from '../nesting/planCuts'
import { pieceName } from '../pieces/piece'
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
  const now = evaluate(job, rules)
  const overNow = new Set(now.limits.filter((l) => l.state === 'over').map(limitKey))
  const costed = (shorter: Job) => {
    const plan = planCuts(
      cutList(madeAssembly(shorter, rules)),
      stock,
      rules,
      { useRemnants: job.cut.useRemnants, timeLimitMs: 2000 },
      tools,
    )
    return {
      costMinor: plan.complete ? plan.costMinor : Number.POSITIVE_INFINITY,
      bars: plan.profiles.reduce((s, p) => s + p.bars.length, 0),
    }
  }
  const base = costed(job)
  if (!cutList(madeAssembly(job, rules)).length) return []
  return ways(job, rules).flatMap((option) => {
    const most = Math.floor(Math.min(job.cut.maxShorterMm, option.most) / STEP_MM)
    if (most < Math.max(1, option.least)) return []
    const changed = (steps: number): Job => withParams(job, option.pieceId, option.apply(steps * STEP_MM))
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
        shorterMm: longest(now.assembly, option.pieceId) - longest(after.assembly, option.pieceId),
        job: better,
        costMinor: at(steps).costMinor,
        savingMinor: base.costMinor === Number.POSITIVE_INFINITY ? 0 : base.costMinor - at(steps).costMinor,
        barsFewer: base.bars - at(steps).bars,
        worsens: [...after.limits.filter((l) => l.state === 'over' && !overNow.has(limitKey(l))).map((l) => l.name)],
      }
    })
  })
}

/** Every way that a piece of the job can be shortened; with several pieces the label says which. */
const ways = (job: Job, rules: Rules) =>
  designedIn(job, rules).flatMap(({ piece, design }) =>
    design.shorten.map((o) => ({
      ...o,
      id: job.pieces.length > 1 ? `${piece.id}/${o.id}` : o.id,
      label: job.pieces.length > 1 ? `${pieceName(piece)}: ${o.label}` : o.label,
      pieceId: piece.id,
    })),
  )
const longest = (a: Assembly, pieceId: string): number =>
  Math.max(0, ...a.members.filter((m) => pieceIdOf(m.id) === pieceId).map(memberLengthMm))

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
  const partsOf = (of: Job) => cutList(madeAssembly(of, rules))
  const parts = partsOf(job)
  const shorter = ways(job, rules).flatMap((o) => {
    const by = Math.min(job.cut.maxShorterMm, o.most)
    return by >= Math.max(STEP_MM, o.least)
      ? [{ option: o.id, label: o.label, parts: partsOf(withParams(job, o.pieceId, o.apply(by))) }]
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
            { sale: [only], remnants: [], sheets: [] },
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
          shortened: shorter.map(({ option, label, parts: list }) => {
            const tried = single(list)
            const placed = tried.unplaced.length === 0
            return { option, label, bars: placed ? tried.bars.length : null, costMinor: placed ? tried.cost : null }
          }),
        }
      }),
  )
}
