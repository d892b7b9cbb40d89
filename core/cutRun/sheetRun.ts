import { sum } from '../figure/figure'
import { turnedHole } from '../geometry/hole'
import type { Rules } from '../rules/rules'
import { type LaidPart, laidParts, type SheetGroup, sheetOf } from '../sheetNesting/sheetPlan'
import { isCutHole } from '../workshop/cutHole'
import type { Table } from '../workshop/workshop'
import { type CutRun, cutRun, type RunCut } from './cutRun'

/** Settings of the table hold for a sheet so near in thickness. mm */
const SAME_MM = 0.1

/** The run over one sheet of a nest, and how many holes are left to the drill; or what nobody has told of the table yet. */
export type SheetRun = { cut: RunCut; on: string | null; run: CutRun; drilled: number } | { missing: string }

/** How the table cuts so thick a sheet of a metal, by what cut clean; null = nobody tried it. */
export function cutOf(table: Table, materialId: string, thicknessMm: number): (RunCut & { on: string | null }) | null {
  const tried = table.cuts
    .filter((c) => c.materialId === materialId && Math.abs(c.thicknessMm - thicknessMm) <= SAME_MM)
    .sort((a, b) => Math.abs(a.thicknessMm - thicknessMm) - Math.abs(b.thicknessMm - thicknessMm) || (b.on ?? '').localeCompare(a.on ?? ''))
  const [best] = tried
  if (!best) return null
  const { leadMm, spreadMm, square, rapidMmMin } = table
  return { leadMm, spreadMm, square, rapidMmMin, kerfMm: best.kerfMm, feedMmMin: best.feedMmMin, pierceS: best.pierceS, on: best.on }
}

/** One sheet as the shop's table cuts it; lengths in braces. */
export function sheetRun(g: SheetGroup, sheet: number, table: Table | null, rules: Pick<Rules, 'cutHoleT'>): SheetRun {
  if (!table) return { missing: 'the shop has no cutting table: add one under Shop' }
  const found = cutOf(table, g.materialId, g.thicknessMm)
  if (!found) return { missing: `how the table cuts ${g.material} {g ${g.thicknessMm}} clean: kerf, feed and pierce, under Shop` }
  const { on, ...cut } = found
  const size = sheetOf(g, g.nest.sheets[sheet]!.sheetId)
  const [long, wide] = [Math.max(size.width, size.height), Math.min(size.width, size.height)]
  if (long > Math.max(table.lengthMm, table.widthMm) + 0.5 || wide > Math.min(table.lengthMm, table.widthMm) + 0.5)
    return { missing: `a table as large as the sheet: it takes {${table.lengthMm}} × {${table.widthMm}}` }
  const laid = laidParts(g).filter((l) => l.sheet === sheet)
  return {
    cut,
    on,
    drilled: sum(laid.map((l) => l.plate.holes.length - cutHoles(l, rules).length)),
    run: cutRun(
      size,
      laid.map((l) => ({ mark: l.mark, outline: l.plate.outline.map(l.on), holes: cutHoles(l, rules) })),
      cut,
    ),
  }
}

/** The runs of every sheet, metal by metal. */
export const sheetRuns = (groups: SheetGroup[], table: Table | null, rules: Pick<Rules, 'cutHoleT'>): SheetRun[][] =>
  groups.map((g) => g.nest.sheets.map((_, i) => sheetRun(g, i, table, rules)))

/** Its holes that the table cuts, as they lie. */
const cutHoles = ({ plate, on, turn }: LaidPart, rules: Pick<Rules, 'cutHoleT'>) =>
  plate.holes.filter((h) => isCutHole(h, plate.thicknessMm, rules)).map((h) => turnedHole(h, on(h.at), turn))
