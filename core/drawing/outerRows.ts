import type { Entity } from './sheet'

/** How many rows of dimensions stand outside a drawing on each side. */
export type OuterRows = { left: number; right: number; top: number; bottom: number }
export function outerRows(entities: Entity[]): OuterRows {
  const rows = { left: 0, right: 0, top: 0, bottom: 0 }
  for (const e of entities) {
    if (e.kind !== 'dimension') continue
    const side = e.axis === 'x' ? (e.row > 0 ? 'top' : 'bottom') : e.row > 0 ? 'right' : 'left'
    rows[side] = Math.max(rows[side], Math.abs(e.row))
  }
  return rows
}
