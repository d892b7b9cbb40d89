import type { Point, Vec3 } from '../geometry/vec3'

export const layers = [
  'vehicle',
  'likeness',
  'assumed',
  'roof',
  'obstacle',
  'swing',
  'mount',
  'member',
  'plate',
  'infill',
  'fitting',
  'anchor',
  'foot',
  'cargo',
  'strap',
  'mark',
  'centre',
  'limit',
  'datum',
  'dimension',
  'moved',
  'force',
] as const
export type Layer = (typeof layers)[number]

/** `ref` names the part drawn, so that the screen can let it be taken hold of. */
type Common = { layer: Layer; ref?: string }
export type Dimension = Common & {
  kind: 'dimension'
  from: Point
  to: Point
  /** measured along the sheet's x or y */
  axis: 'x' | 'y'
  /** where the dimension line runs: an offset from `from` across the axis, in lines of text, away from the drawing */
  row: number
  /** the sheet coordinate (y for axis x) the rows are counted from */
  base: number
  lengthMm: number
  /** told to a tenth of a millimetre or a thousandth of an inch: what a brake is set by */
  fine?: boolean
  label?: string
  /** what typing another figure into this dimension changes */
  edits?: { figure: string; offsetMm: number }
}
export type Entity =
  | (Common & { kind: 'line'; from: Point; to: Point; dashed?: boolean })
  | (Common & { kind: 'polygon'; points: Point[]; closed: boolean; dashed?: boolean; filled?: boolean })
  | (Common & { kind: 'circle'; centre: Point; radius: number; filled?: boolean })
  | (Common & { kind: 'text'; at: Point; text: string; anchor: 'start' | 'middle' | 'end'; size?: 'small' | 'normal' })
  | (Common & { kind: 'balloon'; at: Point; text: string })
  | Dimension

/** Radius of the ring round a mark, in heights of its text: two more letters make it wider. */
export const balloonRadius = (text: string): number => 0.5 + 0.2 * Math.max(1, text.length)

export type ViewName = 'plan' | 'side' | 'rear'
/** One view of the assembly, settled geometry: screen, PDF and DXF only render it. */
export type Sheet = { view: ViewName; title: string; entities: Entity[]; box: { min: Point; max: Point } }

/** Vehicle axes → sheet: plan looks down (x right, y up), side looks from the right (x right, z up), rear looks forward (left is left). */
export function project(view: ViewName, v: Vec3): Point {
  if (view === 'plan') return { x: v.x, y: v.y }
  if (view === 'side') return { x: v.x, y: v.z }
  return { x: -v.y, y: v.z }
}

export const box = (min: Point, max: Point): Point[] => [min, { x: max.x, y: min.y }, max, { x: min.x, y: max.y }]

export function pointsOf(e: Entity): Point[] {
  switch (e.kind) {
    case 'line':
      return [e.from, e.to]
    case 'polygon':
      return e.points
    case 'circle':
      return [
        { x: e.centre.x - e.radius, y: e.centre.y - e.radius },
        { x: e.centre.x + e.radius, y: e.centre.y + e.radius },
      ]
    case 'text':
    case 'balloon':
      return [e.at]
    case 'dimension':
      return [e.from, e.to]
  }
}

export function bounds(entities: Entity[]): Sheet['box'] {
  const points = entities.flatMap(pointsOf)
  if (!points.length) return { min: { x: 0, y: 0 }, max: { x: 1000, y: 1000 } }
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
  return { min: { x: Math.min(...xs), y: Math.min(...ys) }, max: { x: Math.max(...xs), y: Math.max(...ys) } }
}

/**
 * A dimension as a draughtsman draws it: two extension lines with a gap and a tail, the dimension line, an oblique tick at each end, the
 * text's place. `unit` is one line of text at full size (mm), so the same dimension reads well at any scale.
 */
export function dimensionLines(d: Dimension, unit: number): { lines: [Point, Point][]; text: Point; angleDeg: 0 | 90 } {
  const at = d.base + d.row * unit * 1.6
  const way = Math.sign(d.row) || 1
  const swap = (p: Point): Point => (d.axis === 'x' ? p : { x: p.y, y: p.x })
  const [a, b] = [swap(d.from), swap(d.to)]
  const tick = unit * 0.35
  const raw: [Point, Point][] = [
    [
      { x: a.x, y: a.y + way * unit * 0.3 },
      { x: a.x, y: at + way * unit * 0.3 },
    ],
    [
      { x: b.x, y: b.y + way * unit * 0.3 },
      { x: b.x, y: at + way * unit * 0.3 },
    ],
    [
      { x: a.x, y: at },
      { x: b.x, y: at },
    ],
    [
      { x: a.x - tick, y: at - tick },
      { x: a.x + tick, y: at + tick },
    ],
    [
      { x: b.x - tick, y: at - tick },
      { x: b.x + tick, y: at + tick },
    ],
  ]
  const middle = { x: (a.x + b.x) / 2, y: at }
  return { lines: raw.map(([p, q]) => [swap(p), swap(q)]), text: swap(middle), angleDeg: d.axis === 'x' ? 0 : 90 }
}
