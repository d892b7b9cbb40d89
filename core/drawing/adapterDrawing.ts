import type { Adapter } from '../adapter/adapter'
import { bounds, type Entity, type Sheet } from './sheet'

/** An adapter as it is cut: holes of the first part by numbers, of the second by letters, and its size. mm */
export function adapterDrawing(a: Adapter): Sheet {
  const size = (axis: 'x' | 'y', lengthMm: number): Entity => ({
    ...{ kind: 'dimension', layer: 'dimension', axis, row: -1, base: 0, lengthMm, fine: true },
    from: { x: 0, y: 0 },
    to: axis === 'x' ? { x: lengthMm, y: 0 } : { x: 0, y: lengthMm },
  })
  const entities: Entity[] = [
    { kind: 'polygon', layer: 'plate', closed: true, points: a.outline },
    ...a.holes.map((h): Entity => ({ kind: 'circle', layer: 'plate', centre: h.at, radius: h.diameterMm / 2 })),
    ...a.holes.map(
      (h): Entity => ({
        ...{ kind: 'text', layer: 'mark', anchor: 'start', size: 'small', text: h.name },
        at: { x: h.at.x + h.diameterMm * 0.7, y: h.at.y },
      }),
    ),
    size('x', a.lengthMm),
    size('y', a.widthMm),
  ]
  return { view: 'plan', title: 'Adapter', entities, box: bounds(entities) }
}
