import type { SheetNesting, SheetNestingInput } from './sheetNesting'

/** One part to be laid, by its box and by how much metal it is. mm, mm² */
export type Piece = { partId: string; width: number; height: number; area: number; mayRotate: boolean }
export type SheetGiven = SheetNestingInput['sheets'][number]
/** A sheet as it is filled, and up to where. mm */
export type Placed = { sheet: SheetGiven; placements: SheetNesting['sheets'][number]['placements']; area: number; usedHeight: number }
/** Lays as many pieces as go on one sheet, in their order. */
export type Packer = (pieces: Piece[], sheet: SheetGiven) => { placed: Placed; left: Piece[] }

/** Lengths are told apart by no less. mm */
export const SLACK = 1e-6
/** Whether its box goes on a sheet at all, turned or not. */
export const fits = (p: Pick<Piece, 'width' | 'height' | 'mayRotate'>, s: SheetGiven, edge: number): boolean => {
  const [w, h] = [s.width - 2 * edge + SLACK, s.height - 2 * edge + SLACK]
  return (p.width <= w && p.height <= h) || (p.mayRotate && p.height <= w && p.width <= h)
}
