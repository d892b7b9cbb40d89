import { outerRows } from './outerRows'
import type { Sheet, ViewName } from './sheet'

/** Where the origin of each view falls and what one mm is drawn as; `beside` = the corner that the views leave free. In the area's own unit, y down. */
export type Projection = {
  oneTo: number
  scale: number
  origins: Record<ViewName, { x: number; y: number }>
  beside: { x: number; y: number; width: number; height: number }
}
/** `legend` = what the free corner must have room for. */
type Area = { x: number; y: number; width: number; height: number; legend: { width: number; height: number } }

/** Reductions that a rule is made for: ISO 5455 and those between that workshops use; by the foot on inch drawings. */
const STANDARD = { metric: [5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 200], inch: [4, 6, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192] }
const AIR = 10

/**
 * Plan, side and rear at one standard scale in third-angle projection (ISO 5456-2): the plan above the side view, line for line; the view from behind left
 * of it, height for height. The largest scale at which they fit with their rows of dimensions. `unit` = one mm at full size, `row` = a row of dimensions.
 */
export function projectionOf(views: Record<ViewName, Sheet>, area: Area, unit: number, row: number, system: 'metric' | 'inch'): Projection {
  const pads = {
    plan: padOf(views.plan, row),
    side: padOf(views.side, row),
    rear: padOf(views.rear, row),
  }
  const { plan, side, rear } = { plan: views.plan.box, side: views.side.box, rear: views.rear.box }
  const x = { min: Math.min(plan.min.x, side.min.x), max: Math.max(plan.max.x, side.max.x) }
  const z = { min: Math.min(side.min.y, rear.min.y), max: Math.max(side.max.y, rear.max.y) }
  const left = Math.max(pads.plan.left, pads.side.left)
  const right = Math.max(pads.plan.right, pads.side.right)
  const above = Math.max(pads.side.top, pads.rear.top)
  const below = Math.max(pads.side.bottom, pads.rear.bottom)
  const sized = (scale: number) => {
    const rearWide = Math.max(area.legend.width, pads.rear.left + (rear.max.x - rear.min.x) * scale + pads.rear.right)
    const wide = left + (x.max - x.min) * scale + right
    const planHigh = Math.max(area.legend.height, pads.plan.top + (plan.max.y - plan.min.y) * scale + pads.plan.bottom)
    const high = above + (z.max - z.min) * scale + below
    return { rearWide, wide, planHigh, high }
  }
  const fits = (n: number) => {
    const s = sized(unit / n)
    return s.rearWide + s.wide <= area.width && s.planHigh + s.high <= area.height
  }
  const oneTo = STANDARD[system].find(fits) ?? STANDARD[system][STANDARD[system].length - 1]!
  const scale = unit / oneTo
  const { rearWide, wide, planHigh, high } = sized(scale)
  // what is left over is shared: between the columns and the rows, and outside them
  const spare = { x: Math.max(0, area.width - rearWide - wide) / 3, y: Math.max(0, area.height - planHigh - high) / 3 }
  const column = area.x + spare.x + rearWide + spare.x
  const line = area.y + spare.y + planHigh + spare.y
  const originX = column + left - x.min * scale
  const originZ = line + above + z.max * scale
  return {
    oneTo,
    scale,
    origins: {
      plan: { x: originX, y: area.y + spare.y + pads.plan.top + plan.max.y * scale },
      side: { x: originX, y: originZ },
      rear: { x: area.x + spare.x + pads.rear.left - rear.min.x * scale, y: originZ },
    },
    beside: { x: area.x, y: area.y, width: rearWide + spare.x, height: planHigh + spare.y },
  }
}

function padOf(sheet: Sheet, row: number) {
  const rows = outerRows(sheet.entities)
  return {
    left: AIR + (rows.left + (rows.left ? 0.6 : 0)) * row,
    right: AIR + (rows.right + (rows.right ? 0.6 : 0)) * row,
    top: AIR + (rows.top + (rows.top ? 0.6 : 0)) * row,
    bottom: AIR + (rows.bottom + (rows.bottom ? 0.6 : 0)) * row,
  }
}
