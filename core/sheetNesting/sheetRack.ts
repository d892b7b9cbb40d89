import { boxOf } from '../assembly/places'
import { sum } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { freshId, rowsOf, type SheetOffcut, type Stock } from '../stock/stock'
import { laidParts, type SheetGroup, sheetOf } from './sheetPlan'

/** What is left of one sheet of a nest: the largest rectangle clear of its parts. mm */
export type LeftOver = { sheet: number; x: number; y: number; lengthMm: number; widthMm: number }
type Box = { x: number; y: number; right: number; top: number }

/**
 * The largest clear rectangle on each sheet that is used, if it is worth keeping by the shop's own rule. Its sides stand on an edge of the sheet or on a part's box
 * and the gap round it (Chazelle, Drysdale & Lee, 1986: largest empty rectangle), tried between every two such uprights. mm
 */
export function leftOvers(g: SheetGroup, rules: Pick<Rules, 'sheetGapMm' | 'sheetKeepMm'>): LeftOver[] {
  const laid = laidParts(g)
  return g.nest.sheets.flatMap(({ sheetId }, sheet) => {
    const { width, height } = sheetOf(g, sheetId)
    const boxes = laid
      .filter((l) => l.sheet === sheet)
      .map((l): Box => {
        const { centre, size } = boxOf(l.plate.outline.map((p) => ({ ...l.on(p), z: 0 })))
        const gap = rules.sheetGapMm
        return {
          x: centre.x - size.x / 2 - gap,
          right: centre.x + size.x / 2 + gap,
          y: centre.y - size.y / 2 - gap,
          top: centre.y + size.y / 2 + gap,
        }
      })
    const best = largestClear(width, height, boxes)
    return best && Math.min(best.lengthMm, best.widthMm) >= rules.sheetKeepMm ? [{ sheet, ...best }] : []
  })
}

function largestClear(width: number, height: number, boxes: Box[]): Omit<LeftOver, 'sheet'> | null {
  const xs = [...new Set([0, width, ...boxes.flatMap((b) => [b.x, b.right])])].filter((x) => x >= 0 && x <= width).sort((a, b) => a - b)
  let best: Omit<LeftOver, 'sheet'> | null = null
  for (const [i, left] of xs.entries())
    for (const right of xs.slice(i + 1)) {
      // what stands between the two uprights, from the lowest up: the gaps between are clear over the whole width
      const between = boxes.filter((b) => b.x < right - 1e-6 && b.right > left + 1e-6).sort((a, b) => a.y - b.y)
      let from = 0
      for (const to of [...between.map((b) => b.y), height]) {
        if (to - from > 1 && (right - left) * (to - from) > (best ? best.lengthMm * best.widthMm : 0) + 1e-6)
          best = { x: left, y: from, lengthMm: right - left, widthMm: to - from }
        const past = between.filter((b) => b.y <= to + 1e-6).map((b) => b.top)
        from = Math.max(from, ...past)
      }
    }
  return best
}

/** The rack once the sheets of a nest are cut: begun ones that were used are gone, what is left of each is on it. */
export function rackAfterSheets(stock: Stock, groups: SheetGroup[], job: string, rules: Pick<Rules, 'sheetGapMm' | 'sheetKeepMm'>): Stock {
  const used = groups.flatMap((g) => g.nest.sheets.flatMap((s) => sheetOf(g, s.sheetId).offcut?.id ?? []))
  let sheets = stock.sheets
    .map((s) => ({ ...s, quantity: s.quantity - used.filter((id) => id === s.id).length }))
    .filter((s) => s.quantity > 0 || !used.includes(s.id))
  for (const g of groups)
    for (const left of leftOvers(g, rules)) {
      const was = sheetOf(g, g.nest.sheets[left.sheet]!.sheetId).offcut
      const lengthMm = Math.floor(Math.max(left.lengthMm, left.widthMm))
      const widthMm = Math.floor(Math.min(left.lengthMm, left.widthMm))
      const next: SheetOffcut = {
        id: freshId('sheet-', [...rowsOf(stock), ...sheets]),
        materialId: g.materialId,
        thicknessMm: g.thicknessMm,
        lengthMm,
        widthMm,
        quantity: 1,
        grade: was?.grade ?? 'clean',
        place: was?.place || 'by the table',
        note: `left from ${job}`.slice(0, 200),
      }
      sheets = [...sheets, next]
    }
  return { ...stock, sheets }
}

/** Begun sheets that a job may take: none where it shall use no offcuts. */
export const begunFor = (job: { cut: { useRemnants: boolean } }, stock: Pick<Stock, 'sheets'>): SheetOffcut[] =>
  job.cut.useRemnants ? stock.sheets : []

/** How many of the sheets come from the rack. */
export const begunUsed = (groups: SheetGroup[]): number =>
  sum(groups.map((g) => g.nest.sheets.filter((s) => sheetOf(g, s.sheetId).offcut).length))

/** Begun sheets of accepted nests that the rack has no more, or not as often. */
export function goneFromRack(groups: SheetGroup[], stock: Pick<Stock, 'sheets'>): SheetOffcut[] {
  const wanted = groups.flatMap((g) => g.nest.sheets.flatMap((s) => sheetOf(g, s.sheetId).offcut ?? []))
  const there = new Map(stock.sheets.map((s) => [s.id, s]))
  return [...new Map(wanted.map((o) => [o.id, o])).values()].filter((o) => {
    const now = there.get(o.id)
    const same =
      now &&
      now.lengthMm === o.lengthMm &&
      now.widthMm === o.widthMm &&
      now.materialId === o.materialId &&
      now.thicknessMm === o.thicknessMm
    return !same || now.quantity < wanted.filter((w) => w.id === o.id).length
  })
}
