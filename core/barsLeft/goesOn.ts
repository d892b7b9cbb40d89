import type { IssuedPlan } from '../issuedPlan/issuedPlan'
import type { Job } from '../job/job'
import { barLine } from '../nesting/barLine'
import { type CutPlan, isKept, type PlannedBar, type PlannedCut, type ProfilePlan, summed } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import { type BarsLeft, handId } from './barsLeft'
import { cutAtMm, cutState, goneOf } from './cutPieces'

/**
 * The accepted plan as it goes on after something was cut again or the design moved: every bar with what was sawn from it, scrap as scrap, and then what is cut
 * from it next; behind them the bars that are opened for the rest. A bar that was bought and is not needed goes to the rack whole; an offcut of the rack that is
 * not needed never left it.
 */
export function goesOn(accepted: Pick<IssuedPlan, 'plan' | 'saw'>, built: Job['built'], left: BarsLeft, rules: Rules): CutPlan {
  const saw = accepted.saw ?? rules
  const gone = goneOf(accepted.plan)
  const sawn = (c: PlannedCut): PlannedCut[] => {
    if (c.scrap) return [c]
    const state = cutState(built, c.mark, gone(c.mark))
    const lengthMm = cutAtMm(built, c.mark) ?? c.lengthMm
    return state === 'to cut' ? [] : [state === 'scrap' ? { ...c, lengthMm, scrap: true } : { ...c, lengthMm }]
  }
  const next = new Map(left.plan.profiles.map((p) => [p.profileId, p]))
  const nextOn = (id: string): PlannedCut[] => left.plan.profiles.flatMap((p) => p.bars.flatMap((b) => (b.stockId === id ? b.cuts : [])))
  const isHand = new Set(left.bars.map((b) => b.id))
  const barAgain = (bar: PlannedBar, id: string): PlannedBar[] => {
    const cuts = [...bar.cuts.flatMap(sawn), ...nextOn(id)]
    if (!cuts.length) return bar.source === 'sale' ? [{ ...bar, cuts, offcutMm: bar.lengthMm, keepsRemnant: true }] : []
    const { offcutMm } = barLine({ lengthMm: bar.lengthMm, cuts }, saw)
    return [{ ...bar, cuts, offcutMm, keepsRemnant: isKept(offcutMm, rules) }]
  }
  const before = accepted.plan.profiles.map((p): ProfilePlan => {
    const rest = next.get(p.profileId)
    const opened = rest?.bars.filter((b) => !isHand.has(b.stockId)) ?? []
    const begun = p.bars.flatMap((b, i) => barAgain(b, handId(p.profileId, i)))
    // an offcut that stays on the rack is not cleaned either
    const spentMinor = begun.reduce((s, b) => s + b.priceMinor, 0)
    return {
      ...p,
      bars: [...begun, ...opened],
      unplaced: rest?.unplaced ?? [],
      costMinor: spentMinor + (rest?.costMinor ?? 0),
      lowerBoundMinor: spentMinor + (rest?.lowerBoundMinor ?? 0),
      proven: rest?.proven ?? true,
      // another order of cutting says nothing once metal is cut
      plainCostMinor: null,
      plain: [],
    }
  })
  const known = new Set(before.map((p) => p.profileId))
  return summed([
    ...before,
    ...left.plan.profiles.filter((p) => !known.has(p.profileId)).map((p) => ({ ...p, plainCostMinor: null, plain: [] })),
  ])
}
