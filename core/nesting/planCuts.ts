import type { Tools } from '../calculator/tools'
import type { CutPart } from '../cutList/cutList'
import type { Rules } from '../rules/rules'
import { type Grade, LEAST_STOCK_MM, preparationMinor, type Stock } from '../stock/stock'
import { barLine } from './barLine'
import type { BarNesting, BarNestingInput } from './barNesting'
import { firstFit } from './firstFit'
import { nestBars } from './nestBars'

/** `scrap` = it was cut and is of no use: its metal is gone from this bar, and the piece of that mark is cut once more elsewhere. */
export type PlannedCut = { mark: string; name: string; lengthMm: number; partId: string; scrap?: true }
export type PlannedBar = {
  stockId: string
  source: 'sale' | 'remnant'
  lengthMm: number
  priceMinor: number
  cuts: PlannedCut[]
  /** what is left of it behind the last cut's kerf and between the trims; kept from the shop's least length on */
  offcutMm: number
  keepsRemnant: boolean
  grade: Grade
  place: string
}
export type ProfilePlan = {
  profileId: string
  bars: PlannedBar[]
  unplaced: { marks: string[]; lengthMm: number; reason: string }[]
  costMinor: number
  lowerBoundMinor: number
  proven: boolean
  /** what longest-piece-first would have cost, null when it could not place every piece */
  plainCostMinor: number | null
  plain: PlannedBar[]
}
export type CutPlan = {
  profiles: ProfilePlan[]
  costMinor: number
  plainCostMinor: number | null
  proven: boolean
  complete: boolean
  /** length of pieces ÷ length of stock opened; null when nothing is opened */
  utilisation: number | null
  purchases: { stockId: string; profileId: string; lengthMm: number; count: number; priceMinor: number }[]
  used: { remnantId: string; profileId: string; lengthMm: number; grade: Grade; place: string; count: number }[]
  offcuts: { profileId: string; lengthMm: number; grade: Grade; count: number }[]
}

/** The nesting problem of one profile: what is on sale, and what the rack holds that may be used. Prices in minor units. */
export function nestingInput(
  parts: CutPart[],
  profileId: string,
  stock: Stock,
  rules: Rules,
  options: { useRemnants: boolean; timeLimitMs: number },
): BarNestingInput {
  const remnants = options.useRemnants ? stock.remnants.filter((r) => r.profileId === profileId && r.quantity > 0) : []
  return {
    parts: parts.map((p) => ({ id: p.id, length: p.lengthMm, quantity: p.quantity })),
    stock: [
      ...stock.sale
        .filter((s) => s.profileId === profileId)
        .flatMap((s) => (s.priceMinor === null ? [] : [{ id: s.id, length: s.lengthMm, price: s.priceMinor, quantity: null }])),
      ...remnants.flatMap((r) => {
        const price = preparationMinor(r.grade, rules)
        return price === null ? [] : [{ id: r.id, length: r.lengthMm, price, quantity: r.quantity }]
      }),
    ],
    kerf: rules.kerfMm,
    endTrim: rules.endTrimMm,
    timeLimitMs: options.timeLimitMs,
  }
}

/** Cut list → least-cost plan, profile by profile. A profile with no stock at all is named as unplaced, never left out. */
export function planCuts(
  parts: CutPart[],
  stock: Stock,
  rules: Rules,
  options: { useRemnants: boolean; timeLimitMs: number },
  tools: Tools,
): CutPlan {
  const ids = [...new Set(parts.map((p) => p.profileId))]
  const profiles = ids.map((profileId): ProfilePlan => {
    const listed = parts.filter((p) => p.profileId === profileId)
    const own = listed.filter((p) => p.lacks === null)
    const open = listed.flatMap((p) =>
      p.lacks === null ? [] : [{ marks: p.marks, lengthMm: p.lengthMm, reason: `no cut length yet: ${p.lacks}` }],
    )
    const input = nestingInput(own, profileId, stock, rules, {
      ...options,
      timeLimitMs: Math.max(200, Math.floor(options.timeLimitMs / ids.length)),
    })
    if (!input.stock.length) {
      const unplaced = own.map((p) => ({
        marks: p.marks,
        lengthMm: p.lengthMm,
        reason: 'no stock of this profile on sale or on the rack: add a length under Stock',
      }))
      return {
        profileId,
        bars: [],
        unplaced: [...open, ...unplaced],
        costMinor: 0,
        lowerBoundMinor: 0,
        proven: false,
        plainCostMinor: null,
        plain: [],
      }
    }
    const best = nestBars(input, tools)
    const plain = firstFit(input)
    const made = named(best, own, stock, input, rules)
    return {
      ...made,
      unplaced: [...open, ...made.unplaced],
      proven: made.proven && !open.length,
      profileId,
      plainCostMinor: plain.unplaced.length ? null : plain.cost,
      plain: named(plain, own, stock, input, rules).bars,
    }
  })
  return summed(profiles)
}

/** Whether an offcut goes to the rack. */
export const isKept = (offcutMm: number, rules: Pick<Rules, 'leastRemnantMm'>): boolean =>
  offcutMm >= Math.max(rules.leastRemnantMm, LEAST_STOCK_MM)

/** Gives every cut the mark of one piece, longest cut first from the square end. */
function named(nest: BarNesting, parts: CutPart[], stock: Stock, input: BarNestingInput, rules: Rules) {
  const marks = new Map(parts.map((p) => [p.id, [...p.marks]]))
  const bars = nest.bars.map((bar): PlannedBar => {
    const remnant = stock.remnants.find((r) => r.id === bar.stockId)
    const cuts = [...bar.cuts]
      .sort((a, b) => b.length - a.length)
      .map((c) => ({
        mark: marks.get(c.partId)?.shift() ?? '?',
        name: parts.find((p) => p.id === c.partId)?.name ?? '',
        lengthMm: c.length,
        partId: c.partId,
      }))
    const { offcutMm } = barLine({ lengthMm: bar.length, cuts }, rules)
    return {
      stockId: bar.stockId,
      source: remnant ? 'remnant' : 'sale',
      lengthMm: bar.length,
      cuts,
      offcutMm,
      keepsRemnant: isKept(offcutMm, rules),
      priceMinor: input.stock.find((s) => s.id === bar.stockId)?.price ?? 0,
      place: remnant?.place ?? '',
      grade: remnant?.grade ?? 'clean',
    }
  })
  const unplaced = nest.unplaced.map((u) => ({
    marks: marks.get(u.partId) ?? [],
    lengthMm: parts.find((p) => p.id === u.partId)?.lengthMm ?? 0,
    reason: u.reason,
  }))
  return { bars, unplaced, costMinor: nest.cost, lowerBoundMinor: nest.lowerBound, proven: nest.proven }
}

/** What a plan comes to, from its bars: bought, taken off the rack, and left for it. */
export function summed(profiles: ProfilePlan[]): CutPlan {
  const bars = profiles.flatMap((p) => p.bars.map((b) => ({ ...b, profileId: p.profileId })))
  const opened = bars.reduce((s, b) => s + b.lengthMm, 0)
  const pieces = bars.reduce((s, b) => s + b.cuts.reduce((t, c) => t + c.lengthMm, 0), 0)
  return {
    profiles,
    costMinor: profiles.reduce((s, p) => s + p.costMinor, 0),
    plainCostMinor: profiles.some((p) => p.plainCostMinor === null) ? null : profiles.reduce((s, p) => s + (p.plainCostMinor ?? 0), 0),
    proven: profiles.every((p) => p.proven),
    complete: profiles.every((p) => p.unplaced.length === 0),
    utilisation: opened > 0 ? pieces / opened : null,
    purchases: tally(
      bars.filter((b) => b.source === 'sale'),
      (b) => b.stockId,
    ).map(([b, count]) => ({ stockId: b.stockId, profileId: b.profileId, lengthMm: b.lengthMm, count, priceMinor: b.priceMinor })),
    used: tally(
      bars.filter((b) => b.source === 'remnant'),
      (b) => b.stockId,
    ).map(([b, count]) => ({ remnantId: b.stockId, profileId: b.profileId, lengthMm: b.lengthMm, grade: b.grade, place: b.place, count })),
    offcuts: tally(
      bars.filter((b) => b.keepsRemnant).map((b) => ({ profileId: b.profileId, lengthMm: tenth(b.offcutMm), grade: b.grade })),
      (o) => `${o.profileId}#${o.lengthMm}#${o.grade}`,
    ).map(([o, count]) => ({ ...o, count })),
  }
}

/** Offcuts are kept to a tenth of a millimetre: what a label says, the rack and the next plan say too. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10

function tally<T>(list: T[], key: (item: T) => string): [T, number][] {
  const found = new Map<string, [T, number]>()
  for (const item of list) {
    const row = found.get(key(item))
    if (row) row[1]++
    else found.set(key(item), [item, 1])
  }
  return [...found.values()]
}
