import type { Fold, Plate } from '../assembly/assembly'
import { boxOf, faceCorners } from '../assembly/places'
import type { Hole } from '../geometry/hole'
import { hull } from '../geometry/polygon'
import type { Point, Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import { holeEntity } from './holeEntity'
import { bounds, type Dimension, type Entity, type Sheet } from './sheet'

/** Room between the blank and the folded part beside it. mm at full size */
const BESIDE_MM = 120

/**
 * A flat part as it is laid out: the blank with fold lines and holes dimensioned from its left and lower edges, and the folded part beside it. Folds are
 * numbered in the order they are made. mm at full size.
 */
export function flatPartSheet(p: Plate): Sheet {
  const { centre, size } = boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 })))
  const [length, width] = [size.x, size.y]
  const corner = { x: centre.x - length / 2, y: centre.y - width / 2 }
  const laid = (q: Point): Point => ({ x: q.x - corner.x, y: q.y - corner.y })
  const folds = p.bends.map((b): Fold => ({ ...b, line: [laid(b.line[0]), laid(b.line[1])] }))
  const holes = p.holes.map((h) => ({ ...h, at: laid(h.at) }))
  const blank: Entity[] = [
    { kind: 'polygon', layer: 'plate', closed: true, points: p.outline.map(laid) },
    ...holes.map((h) => holeEntity(h, 'plate')),
    ...folds.map(({ line: [from, to], side }): Entity => ({ kind: 'line', layer: 'plate', from, to, dashed: side === 'down' })),
    ...folds.map((f, i) => foldLabel(f, i, Math.max(length, width))),
  ]
  const upright = folds.filter(({ line: [a, b] }) => Math.abs(a.x - b.x) < 0.01).map((f) => f.line[0].x)
  const level = folds.filter(({ line: [a, b] }) => Math.abs(a.y - b.y) < 0.01).map((f) => f.line[0].y)
  const { single, field } = fieldOf(holes)
  // corners of an edge that follows a body; those of the box round it are told by its length and width, and notches of a pan by its fold lines
  const corners = (level.length ? [] : p.outline)
    .map(laid)
    .filter((q) => [q.x, q.x - length].every((v) => Math.abs(v) > 0.05) || [q.y, q.y - width].every((v) => Math.abs(v) > 0.05))
  const evenly = { x: even(field.map((h) => h.at.x)), y: even(field.map((h) => h.at.y)) }
  const places = (of: (q: Point) => number): number[] => {
    const { places: own } = of({ x: 1, y: 0 }) ? evenly.x : evenly.y
    return [...single.map((h) => of(h.at)), ...own, ...corners.map(of)]
  }
  const named = (axis: 'x' | 'y') => {
    const { count, places: own } = evenly[axis]
    const last = own[own.length - 1]
    return new Map(count > own.length && last !== undefined ? [[rounded(last), `${count} even, the last at`]] : [])
  }
  const entities = [
    ...blank,
    ...(p.faces ? inTheRound(p, { x: length + BESIDE_MM, y: 0 }) : strip(p, folds, length, width)),
    ...running('x', [...upright, ...places((q) => q.x), length], 0, named('x')),
    ...(level.length || p.faces || holes.length || corners.length
      ? running('y', [...level, ...places((q) => q.y), width], 0, named('y'))
      : [across(length, width)]),
  ]
  return { view: 'plan', title: `${p.mark} ${p.name}`, entities, box: bounds(entities) }
}

/** Its number, way and angle beside the line, at another height than those of the lines next to it. */
function foldLabel({ line: [from, to], side, angleDeg }: Fold, i: number, sizeMm: number): Entity {
  const upright = Math.abs(from.x - to.x) < 0.01
  const share = 0.5 + 0.07 * ((i % 5) - 2)
  const [x, y] = [from.x + (to.x - from.x) * share, from.y + (to.y - from.y) * share]
  const off = sizeMm * 0.006
  return {
    kind: 'text',
    layer: 'plate',
    at: upright ? { x: x + off, y } : { x, y: y + off },
    text: `${i + 1} ${side === 'up' ? '↑' : '↓'} ${Math.round(angleDeg * 10) / 10}°`,
    anchor: upright ? 'start' : 'middle',
    size: 'small',
  }
}

/** So many alike slots are a field, told by its pitch. */
const FIELD = 6
const rounded = (v: number): number => Math.round(v * 10) / 10
function fieldOf(holes: Hole[]): { single: Hole[]; field: Hole[] } {
  const alike = (h: Hole) => (h.slot ? `${h.diameterMm} ${h.slot.lengthMm} ${h.slot.turnDeg}` : '')
  const counts = new Map<string, number>()
  for (const h of holes) counts.set(alike(h), (counts.get(alike(h)) ?? 0) + 1)
  const inField = (h: Hole) => h.slot !== undefined && (counts.get(alike(h)) ?? 0) >= FIELD
  return { single: holes.filter((h) => !inField(h)), field: holes.filter(inField) }
}
/** Of places at one pitch the first, the second and the last; all of them where they are not even. */
function even(values: number[]): { count: number; places: number[] } {
  const all = [...new Set(values.map(rounded))].sort((a, b) => a - b)
  const pitch = all.length > 1 ? all[1]! - all[0]! : 0
  const isEven = all.length > 3 && all.slice(1).every((v, i) => Math.abs(v - all[i]! - pitch) < 0.15)
  return { count: all.length, places: isEven ? [all[0]!, all[1]!, all[all.length - 1]!] : all }
}

/** Running dimensions from one edge of the blank, each place once. */
const running = (axis: 'x' | 'y', places: number[], base: number, named: Map<number, string>): Dimension[] =>
  [...new Set(places.filter((v) => v > 0.05).map(rounded))]
    .sort((a, b) => a - b)
    .map((v, i) => ({
      kind: 'dimension',
      layer: 'dimension',
      from: { x: 0, y: 0 },
      to: axis === 'x' ? { x: v, y: 0 } : { x: 0, y: v },
      axis,
      row: -(i + 1),
      base,
      lengthMm: v,
      fine: true,
      ...(named.has(v) ? { label: named.get(v)! } : {}),
    }))

const across = (length: number, width: number): Dimension => ({
  kind: 'dimension',
  layer: 'dimension',
  from: { x: length, y: 0 },
  to: { x: length, y: width },
  axis: 'y',
  row: 1,
  base: length,
  lengthMm: width,
  fine: true,
})

/** The folded part from above one corner (isometric, ISO 5456-3), far faces first. */
function inTheRound(p: Plate, at: Point): Entity[] {
  const { origin, along: x, up: y } = p.pose
  const z = { x: x.y * y.z - x.z * y.y, y: x.z * y.x - x.x * y.z, z: x.x * y.y - x.y * y.x }
  const own = (v: Vec3): Vec3 => {
    const d = { x: v.x - origin.x, y: v.y - origin.y, z: v.z - origin.z }
    const by = (e: Vec3) => d.x * e.x + d.y * e.y + d.z * e.z
    return { x: by(x), y: by(y), z: by(z) }
  }
  const [c, s] = [Math.cos(radians(30)), Math.sin(radians(30))]
  const seen = (v: Vec3): Point => ({ x: (v.x - v.y) * c, y: (v.x + v.y) * s * -1 + v.z })
  const faces = (p.faces ?? [])
    .map((f) => faceCorners(f, p.thicknessMm).map(own))
    .map((points) => ({ near: points.reduce((sum, v) => sum + v.x + v.y + v.z, 0) / points.length, shape: hull(points.map(seen)) }))
    .sort((a, b) => a.near - b.near)
  const all = faces.flatMap((f) => f.shape)
  const [left, low] = [Math.min(...all.map((q) => q.x)), Math.min(...all.map((q) => q.y))]
  return faces.map(({ shape }) => ({
    kind: 'polygon',
    layer: 'member',
    closed: true,
    filled: true,
    points: shape.map((q) => ({ x: q.x - left + at.x, y: q.y - low + at.y })),
  }))
}

/** The middle line of a strip seen along its folds, sharp at each. */
function strip(p: Plate, folds: Fold[], lengthMm: number, widthMm: number): Entity[] {
  if (!folds.length) return []
  const ends = [...folds.map((f) => f.line[0].x), lengthMm]
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
  const edge = points.map((q) => ({ x: q.x, y: q.y + widthMm + 60 }))
  return edge.slice(1).map((q, i) => ({ kind: 'line', layer: 'member', from: edge[i]!, to: q }))
}
