import { MaxRectsBin, PACKING_LOGIC, Rectangle } from 'maxrects-packer'
import { fits, type Packer, type Piece, type Placed, SLACK } from './packing'
import type { SheetNestingInput } from './sheetNesting'

export const boxLogics = [PACKING_LOGIC.MAX_EDGE, PACKING_LOGIC.MAX_AREA] as const

/**
 * Parts by their boxes: the largest free rectangles are kept and a part goes where it fits best (Jylänki, 2010, A Thousand Ways to Pack the Bin;
 * `maxrects-packer`). mm
 */
export const boxPacker =
  ({ gap, edge }: Pick<SheetNestingInput, 'gap' | 'edge'>, logic: (typeof boxLogics)[number]): Packer =>
  (pieces, sheet) => {
    const bin = new MaxRectsBin(sheet.width + SLACK, sheet.height + SLACK, gap, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
      border: edge,
      logic,
    })
    const left: Piece[] = []
    const placements: Placed['placements'] = []
    let [area, usedHeight] = [0, 0]
    for (const p of pieces) {
      const put = fits(p, sheet, edge) ? bin.add(new Rectangle(p.width, p.height, 0, 0, false, p.mayRotate)) : undefined
      if (!put) {
        left.push(p)
        continue
      }
      placements.push({ partId: p.partId, x: put.x, y: put.y, rotated: put.rot, turn: put.rot ? 90 : 0 })
      area += p.area
      usedHeight = Math.max(usedHeight, put.y + put.height)
    }
    return { placed: { sheet, placements, area, usedHeight }, left }
  }
