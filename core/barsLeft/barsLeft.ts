import type { Tools } from '../calculator/tools'
import { type CutPart, SAME_CUT_MM } from '../cutList/cutList'
import type { IssuedPlan } from '../issuedPlan/issuedPlan'
import type { Job } from '../job/job'
import { barLine } from '../nesting/barLine'
import { type CutPlan, planCuts } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'
import type { Remnant, Stock } from '../stock/stock'
import { cutAtMm, cutState, goneOf } from './cutPieces'

/** A bar of the accepted plan as it lies there now: what was cut from it, and the length that is left. mm */
export type HandBar = { id: string; number: number; profileId: string; wasMm: number; cut: string[]; leftMm: number }
/** A piece that is cut and would now be cut otherwise. mm; `nowMm` null = the design has none like it any more */
export type CutOther = { mark: string; cutMm: number; nowMm: number | null }
export type BarsLeft = { bars: HandBar[]; toCut: CutPart[]; plan: CutPlan; unused: HandBar[] }

/**
 * The bars of an accepted plan with what the saw took of them: the first trim, and each piece that is ticked with its kerf. A bar with nothing cut is as long
 * as it was; scrap was cut from its bar like any other.
 */
export function barsInHand(accepted: Pick<IssuedPlan, 'plan' | 'saw'>, built: Job['built'], rules: Rules): HandBar[] {
  const saw = accepted.saw ?? rules
  const gone = goneOf(accepted.plan)
  return accepted.plan.profiles.flatMap(({ profileId, bars }) =>
    bars.map((bar, i): HandBar => {
      const done = bar.cuts.flatMap((c) => {
        if (c.scrap) return [c]
        return cutState(built, c.mark, gone(c.mark)) === 'to cut' ? [] : [{ ...c, lengthMm: cutAtMm(built, c.mark) ?? c.lengthMm }]
      })
      const left = done.length ? barLine({ lengthMm: bar.lengthMm, cuts: done }, saw).offcutMm + saw.endTrimMm : bar.lengthMm
      return {
        ...{ id: handId(profileId, i), number: i + 1, profileId, wasMm: bar.lengthMm },
        cut: done.map((c) => c.mark),
        leftMm: Math.max(0, left),
      }
    }),
  )
}

export const handId = (profileId: string, index: number): string => `hand ${profileId} ${index}`

/** Pieces that are cut, and are others now: as they were ticked, against the design. */
export function changedCuts(built: Job['built'], accepted: Pick<IssuedPlan, 'pieces' | 'plan'>, now: CutPart[]): CutOther[] {
  const gone = goneOf(accepted.plan)
  const lengths = new Map(now.flatMap((p) => p.marks.map((m) => [m, p] as const)))
  return accepted.pieces.flatMap((p): CutOther[] => {
    if (cutState(built, p.mark, gone(p.mark)) !== 'cut') return []
    const cutMm = cutAtMm(built, p.mark) ?? p.lengthMm
    const part = lengths.get(p.mark)
    const same = part && part.profileId === p.profileId && Math.abs(part.lengthMm - cutMm) < SAME_CUT_MM
    return same ? [] : [{ mark: p.mark, cutMm, nowMm: part?.lengthMm ?? null }]
  })
}

/**
 * What is still to be cut of the design as it is now, from the bars that are left: these cost nothing more, the rack comes next and what is on sale last.
 * Pieces that are cut stay as they are. `unused` = bars of which nothing more is cut.
 */
export function replanned(
  job: Pick<Job, 'built' | 'cut'>,
  accepted: Pick<IssuedPlan, 'plan' | 'saw'>,
  now: CutPart[],
  stock: Stock,
  rules: Rules,
  timeLimitMs: number,
  tools: Tools,
): BarsLeft {
  const { built } = job
  const gone = goneOf(accepted.plan)
  const bars = barsInHand(accepted, built, rules)
  const saw = accepted.saw ?? rules
  const toCut = now.flatMap((p): CutPart[] => {
    const marks = p.marks.filter((m) => cutState(built, m, gone(m)) !== 'cut')
    return marks.length ? [{ ...p, marks, quantity: marks.length }] : []
  })
  const hand = bars.map(
    (b): Remnant => ({
      // a bar that was begun has one square end already: its trim is not taken twice
      ...{ id: b.id, profileId: b.profileId, lengthMm: b.leftMm + (b.cut.length ? saw.endTrimMm : 0), quantity: 1 },
      ...{ grade: 'clean', place: '', note: '' },
    }),
  )
  const rack = job.cut.useRemnants ? withoutItsOwn(stock.remnants, accepted.plan) : []
  const plan = planCuts(toCut, { ...stock, remnants: [...hand, ...rack] }, { ...rules, ...saw }, { useRemnants: true, timeLimitMs }, tools)
  const opened = new Set(plan.profiles.flatMap((p) => p.bars.map((b) => b.stockId)))
  return { bars, toCut, plan, unused: bars.filter((b) => !opened.has(b.id) && b.leftMm > 0) }
}

/** The rack without what this plan itself is to leave on it: those ends are still on the bars in hand. */
function withoutItsOwn(rack: Remnant[], { offcuts }: CutPlan): Remnant[] {
  return offcuts
    .reduce((list, o) => {
      const i = list.findIndex(
        (r) => r.profileId === o.profileId && r.lengthMm === o.lengthMm && r.grade === o.grade && r.quantity >= o.count,
      )
      return i < 0 ? list : list.map((r, k) => (k === i ? { ...r, quantity: r.quantity - o.count } : r))
    }, rack)
    .filter((r) => r.quantity > 0)
}
