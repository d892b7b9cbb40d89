import { type Effort, nestSheets } from './nestSheets'
import type { SheetNestingInput } from './sheetNesting'

export type PanelSplitGiven = {
  lengthMm: number
  heightMm: number
  thicknessMm: number
  densityKgM3: number
  /** how far two parts lie over one another */
  lapMm: number
  sheets: SheetNestingInput['sheets']
  edgeMm: number
  gapMm: number
  /** what a carrier takes: the longest side, length and girth together, mass; shop's own. mm, kg */
  parcel: { longMm: number; girthMm: number; kg: number }
}
export type PanelWay = {
  parts: 1 | 2
  /** whether every part fits on a sheet; if not, nothing of it is priced */
  fits: boolean
  sheets: number
  cost: number | null
  usedShare: number
  longMm: number
  /** length + twice the width and twice the thickness of the parcel */
  girthMm: number
  massKg: number
  posts: boolean
}

/** Sheet and parcel of a panel in one part against two alike, lapped over: least price by `nestSheets`; the two travel on one another. mm, kg, price as given */
export function panelSplit(g: PanelSplitGiven, effort: Effort): PanelWay[] {
  return ([1, 2] as const).map((parts): PanelWay => {
    const longMm = parts === 1 ? g.lengthMm : (g.lengthMm + g.lapMm) / 2
    const nest = nestSheets(
      {
        sheets: g.sheets,
        parts: [{ id: 'part', width: longMm, height: g.heightMm, quantity: parts, mayRotate: true }],
        gap: g.gapMm,
        edge: g.edgeMm,
        timeLimitMs: 500,
      },
      effort,
    )
    const fits = nest.unplaced.length === 0
    const massKg = (parts * longMm * g.heightMm * g.thicknessMm * g.densityKgM3) / 1e9
    const [long, wide] = [Math.max(longMm, g.heightMm), Math.min(longMm, g.heightMm)]
    const girthMm = long + 2 * (wide + parts * g.thicknessMm)
    return {
      parts,
      fits,
      sheets: nest.sheets.length,
      cost: fits ? nest.cost : null,
      usedShare: nest.utilisation,
      longMm: long,
      girthMm,
      massKg,
      posts: long <= g.parcel.longMm && girthMm <= g.parcel.girthMm && massKg <= g.parcel.kg,
    }
  })
}
