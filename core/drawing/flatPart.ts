import type { Plate } from '../assembly/assembly'
import type { Point } from '../geometry/vec3'
import { radians } from '../quantity/units'
import { bounds, box, type Dimension, type Entity, type Sheet } from './sheet'

/** A folded part as it is laid out: the flat blank with its fold lines dimensioned from one edge, and above it the edge of the folded part. mm at full size. */
export function flatPartSheet(p: Plate): Sheet {
  const [length, width] = [p.flatLengthMm, p.flatWidthMm]
  const bends = p.bends ?? []
  const blank: Entity[] = [
    { kind: 'polygon', layer: 'plate', closed: true, points: box({ x: 0, y: 0 }, { x: length, y: width }) },
    ...bends.map(
      (b): Entity => ({
        kind: 'line',
        layer: 'plate',
        from: { x: b.atMm, y: 0 },
        to: { x: b.atMm, y: width },
        dashed: b.side === 'down',
      }),
    ),
    ...bends.map(
      (b, i): Entity => ({
        kind: 'text',
        layer: 'plate',
        at: { x: b.atMm, y: width / 2 },
        text: `${i + 1} ${b.side === 'up' ? '↑' : '↓'} ${Math.round(b.angleDeg * 10) / 10}°`,
        anchor: 'middle',
        size: 'small',
      }),
    ),
  ]
  const running = [...bends.map((b) => b.atMm), length].map(
    (x, i): Dimension => ({
      kind: 'dimension',
      layer: 'dimension',
      from: { x: 0, y: 0 },
      to: { x, y: 0 },
      axis: 'x',
      row: -(i + 1),
      base: 0,
      lengthMm: x,
    }),
  )
  const across: Dimension = {
    kind: 'dimension',
    layer: 'dimension',
    from: { x: length, y: 0 },
    to: { x: length, y: width },
    axis: 'y',
    row: 1,
    base: length,
    lengthMm: width,
  }
  const edge = folded(p).map((q) => ({ x: q.x, y: q.y + width + 60 }))
  const profile: Entity[] = bends.length ? edge.slice(1).map((q, i) => ({ kind: 'line', layer: 'member', from: edge[i]!, to: q })) : []
  const entities = [...blank, ...profile, ...running, across]
  return { view: 'plan', title: `${p.mark} ${p.name}`, entities, box: bounds(entities) }
}

/** The folded part's middle line seen along its folds, sharp at each. */
function folded(p: Plate): Point[] {
  const ends = [...(p.bends ?? []).map((b) => b.atMm), p.flatLengthMm]
  let [x, y, heading, from] = [0, 0, 0, 0]
  const points: Point[] = [{ x, y }]
  ends.forEach((at, i) => {
    x += (at - from) * Math.cos(radians(heading))
    y += (at - from) * Math.sin(radians(heading))
    points.push({ x, y })
    const bend = p.bends?.[i]
    if (bend) heading += bend.side === 'up' ? bend.angleDeg : -bend.angleDeg
    from = at
  })
  return points
}
