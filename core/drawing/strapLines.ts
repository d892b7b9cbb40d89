import type { Cargo } from '../brief/cargo'
import { type Entity, project, type ViewName } from './sheet'

const PAST_MM = 70 // a strap is drawn this far past the item's edge, towards what it hooks to
const SLANT = 0.7

/** An item's straps where they lie: over the top across it, direct ones slanting away from the end or side that they hold. Those nobody placed are not drawn. */
export function strapLines(view: ViewName, c: Cargo, deckZMm: number): Entity[] {
  if (c.securing?.by !== 'straps') return []
  const top = deckZMm + c.heightMm
  const half = { x: c.lengthMm / 2, y: c.widthMm / 2 }
  const line = (from: [number, number, number], to: [number, number, number]): Entity => ({
    kind: 'line',
    layer: 'strap',
    from: project(view, { x: from[0], y: from[1], z: from[2] }),
    to: project(view, { x: to[0], y: to[1], z: to[2] }),
  })
  return c.securing.straps.flatMap((s): Entity[] => {
    if (s.atMm === null) return []
    const x = c.xMm + s.atMm
    if (s.way === 'over') {
      const out = half.y + PAST_MM
      return [
        line([x, c.yMm - out, deckZMm], [x, c.yMm - half.y, top]),
        line([x, c.yMm - half.y, top], [x, c.yMm + half.y, top]),
        line([x, c.yMm + half.y, top], [x, c.yMm + out, deckZMm]),
      ]
    }
    const middle = deckZMm + c.heightMm / 2
    if (s.way === 'forward' || s.way === 'rear') {
      // it pulls against the motion: one that stops it going forward goes back from its front
      const sign = s.way === 'forward' ? 1 : -1
      const from: [number, number, number] = [c.xMm + sign * half.x, c.yMm, middle]
      return [-1, 1].map((side) => line(from, [from[0] - sign * SLANT * half.x, c.yMm + side * (half.y + PAST_MM), deckZMm]))
    }
    const sign = s.way === 'left' ? 1 : -1
    return [line([x, c.yMm + sign * half.y, middle], [x, c.yMm - sign * (half.y + PAST_MM), deckZMm])]
  })
}
