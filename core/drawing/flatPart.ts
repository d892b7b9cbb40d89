import type { Plate } from '../assembly/assembly'
import { boxOf } from '../assembly/places'
import type { Point } from '../geometry/vec3'
import { radians } from '../quantity/units'
import { bounds, type Dimension, type Entity, type Sheet } from './sheet'

/** A folded part as it is laid out: the flat blank with its fold lines dimensioned from one edge, and above it the edge of the folded part. mm at full size. */
export function flatPartSheet(p: Plate): Sheet {
  const { centre, size } = boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 })))
  const [length, width] = [size.x, size.y]
  const corner = { x: centre.x - length / 2, y: centre.y - width / 2 }
  const laid = (q: Point): Point => ({ x: q.x - corner.x, y: q.y - corner.y })
  const { bends } = p
  const blank: Entity[] = [
    { kind: 'polygon', layer: 'plate', closed: true, points: p.outline.map(laid) },
    ...p.holes.map((h): Entity => ({ kind: 'circle', layer: 'plate', centre: laid(h.at), radius: h.diameterMm / 2 })),
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
  const holes = [...new Set(p.holes.map((h) => Math.round(laid(h.at).x * 10) / 10))].sort((a, b) => a - b)
  const running = [...bends.map((b) => b.atMm), ...holes, length].map(
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
  const edge = folded(p, length).map((q) => ({ x: q.x, y: q.y + width + 60 }))
  const profile: Entity[] = bends.length ? edge.slice(1).map((q, i) => ({ kind: 'line', layer: 'member', from: edge[i]!, to: q })) : []
  const entities = [...blank, ...profile, ...running, across]
  return { view: 'plan', title: `${p.mark} ${p.name}`, entities, box: bounds(entities) }
}

/** The folded part's middle line seen along its folds, sharp at each. */
function folded(p: Plate, lengthMm: number): Point[] {
  const ends = [...p.bends.map((b) => b.atMm), lengthMm]
  let [x, y, heading, from] = [0, 0, 0, 0]
  const points: Point[] = [{ x, y }]
  ends.forEach((at, i) => {
    x += (at - from) * Math.cos(radians(heading))
    y += (at - from) * Math.sin(radians(heading))
    points.push({ x, y })
    const bend = p.bends[i]
    if (bend) heading += bend.side === 'up' ? bend.angleDeg : -bend.angleDeg
    from = at
  })
  return points
}
