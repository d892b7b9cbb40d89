import type { OuterRows } from '../../core/drawing/outerRows'
import type { Sheet } from '../../core/drawing/sheet'
import type { Point } from '../../core/geometry/vec3'

export const TEXT_PX = 12
const ROW_PX = TEXT_PX * 1.6
/** Air round the drawing, in pixels; rows of dimensions outside it get more. */
const AIR_PX = 16

/** How large a view is drawn and where its origin falls, so that it and its rows of dimensions fill the room. Pixels a mm, and pixels. */
export function placedIn(box: Sheet['box'], size: { width: number; height: number }, rows: OuterRows) {
  const pad = {
    left: AIR_PX + rows.left * ROW_PX + TEXT_PX,
    right: AIR_PX + rows.right * ROW_PX,
    top: AIR_PX + rows.top * ROW_PX + TEXT_PX,
    bottom: AIR_PX + rows.bottom * ROW_PX,
  }
  const [w, h] = [box.max.x - box.min.x, box.max.y - box.min.y]
  const room = { x: size.width - pad.left - pad.right, y: size.height - pad.top - pad.bottom }
  const scale = Math.max(0.001, Math.min(room.x / w, room.y / h))
  return {
    scale,
    origin: { x: pad.left + (room.x - w * scale) / 2 - box.min.x * scale, y: pad.top + (room.y + h * scale) / 2 + box.min.y * scale },
  }
}

/** Points as an SVG path of straight pieces. */
export const path = (points: Point[], on: (p: Point) => Point): string =>
  points
    .map((p) => {
      const q = on(p)
      return `${q.x.toFixed(1)},${q.y.toFixed(1)}`
    })
    .join(' ')
