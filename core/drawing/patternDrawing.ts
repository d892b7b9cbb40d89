import { quarterTurn } from '../geometry/quarterTurn'
import type { PatternHole, PatternMatch } from '../patternMatch/patternMatch'
import { bounds, type Entity, type Sheet } from './sheet'

type Drilled = { holes: PatternHole[] }
/** Two hole patterns as one lies on the other: holes that a bolt passes in both are filled, holes have their numbers. mm */
export function patternDrawing(one: Drilled, other: Drilled, m: PatternMatch): Sheet {
  const entities: Entity[] = [
    ...one.holes.map(
      (h, i): Entity => ({
        ...{ kind: 'circle', layer: 'plate', centre: { x: h.xMm, y: h.yMm }, radius: h.diameterMm / 2 },
        filled: m.pairs.some((p) => p.one === i),
      }),
    ),
    ...one.holes.map(
      (h, i): Entity => ({
        ...{ kind: 'text', layer: 'mark', anchor: 'middle', size: 'small', text: String(i + 1) },
        at: { x: h.xMm, y: h.yMm + h.diameterMm },
      }),
    ),
    ...other.holes.map((h): Entity => {
      const { x, y } = quarterTurn[m.turnDeg]({ x: m.over ? -h.xMm : h.xMm, y: h.yMm })
      return ring(x + m.shiftXMm, y + m.shiftYMm, h.diameterMm * 0.7)
    }),
  ]
  return { view: 'plan', title: 'Two patterns', entities, box: bounds(entities) }
}

/** Dashed, and larger than the hole, so that it is seen round the one beneath. mm */
const ring = (x: number, y: number, radius: number): Entity => ({
  ...{ kind: 'polygon', layer: 'swing', closed: true, dashed: true },
  points: Array.from({ length: 24 }, (_, i) => ({
    x: x + radius * Math.cos((2 * Math.PI * i) / 24),
    y: y + radius * Math.sin((2 * Math.PI * i) / 24),
  })),
})
