import DxfParser, { type IDxf, type IEntity } from 'dxf-parser'
import { joined, type Stretch } from '../geometry/contours'
import { arcPoints, bulgePoints, splinePoints } from '../geometry/flattened'
import type { Hole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'
import { type Fault, MAX_FILE_BYTES } from '../issue/faults'
import { MM_PER_INCH } from '../quantity/units'
import { type Drawn, drawnFrom } from '../sheet/drawn'
import { type Facing, pairsOf } from './dxfPairs'

export type DrawingUnit = 'mm' | 'inch'
export type FlatDxf = {
  /** what its lengths were taken in, and whether the file says so itself */
  unit: DrawingUnit | null
  said: boolean
  /** what was left out of it, in words, lengths in braces */
  notes: string[]
  drawn: Drawn | null
  faults: Fault[]
}

/** Kinds whose coordinates are in a plane of their own: one that looks away shows them mirrored (DXF reference, object coordinate system). */
const FLAT_IN_ITS_PLANE = new Set(['LWPOLYLINE', 'POLYLINE', 'ARC', 'CIRCLE', 'ELLIPSE'])
/** $INSUNITS (DXF reference): 1 inches, 2 feet, 4 millimetres, 5 centimetres, 6 metres; 0 = none said. mm */
const MM_OF: Record<number, number> = { 1: MM_PER_INCH, 2: 12 * MM_PER_INCH, 4: 1, 5: 10, 6: 1000 }
const MOST_ENTITIES = 20_000
/** Layers of our own files that are not cut. */
const NOT_CUT = /^(bend_up|bend_down|mark|score|dimension.*|text|defpoints)$/i

/**
 * One flat part from a DXF made elsewhere. Lines, polylines with bulges, arcs, circles, ellipses and plain splines are read; text, dimensions and hatches are left
 * out and counted; blocks are named, for they have to be exploded first. Nothing throws.
 */
export function readFlatDxf(name: string, text: string, as: DrawingUnit | null): FlatDxf {
  const none = (faults: Fault[], over: Partial<FlatDxf> = {}): FlatDxf => ({
    unit: as,
    said: false,
    notes: [],
    drawn: null,
    faults,
    ...over,
  })
  if (text.length > MAX_FILE_BYTES) return none([{ where: 'the file', expected: `${MAX_FILE_BYTES / 1e6} MB or less` }])
  const file = parsed(text)
  if (!file) return none([{ where: 'the file', expected: 'a DXF as text: this one cannot be read as one' }])
  const { dxf, facing } = file
  if (dxf.entities.length > MOST_ENTITIES) return none([{ where: 'the file', expected: `${MOST_ENTITIES} lines or fewer` }])
  const says = MM_OF[Number(dxf.header?.$INSUNITS ?? 0)] ?? null
  const said = says !== null
  const perUnit = as === null ? says : as === 'inch' ? MM_PER_INCH : 1
  const unit: DrawingUnit | null = as ?? (says === null ? null : says % MM_PER_INCH === 0 ? 'inch' : 'mm')
  if (perUnit === null)
    return none([{ where: 'its lengths', expected: 'a unit: the file does not say what it is drawn in, choose millimetres or inches' }])
  const nth = new Map<string, number>()
  const all = dxf.entities.map((e) => {
    const n = nth.get(e.type) ?? 0
    nth.set(e.type, n + 1)
    return { e, faces: facing.get(e.type)?.[n] ?? 1 }
  })
  const cut = all.filter(({ e }) => !NOT_CUT.test(e.layer ?? ''))
  const tilted = cut.filter(({ e, faces }) => FLAT_IN_ITS_PLANE.has(e.type) && !(Math.abs(Math.abs(faces) - 1) < 1e-3))
  if (tilted.length)
    return none([
      { where: `${tilted.length} × ${tilted[0]!.e.type.toLowerCase()}`, expected: 'a flat drawing: this lies on a tilted plane' },
    ])
  const got = cut.map(({ e, faces }) => ({ e, read: entityOf(e, perUnit, faces < 0) }))
  const notes = leftOut(got.filter((g) => g.read === null).map((g) => g.e.type))
  const other = dxf.entities.length - cut.length
  if (other) notes.push(`${other} on layers for folds, marks and dimensions were left out`)
  const blocks = got.filter((g) => g.e.type === 'INSERT')
  const where = blocks.map(({ e }) => {
    const { name: block, position } = e as IEntity & { name?: string; position?: Point }
    const at = position ? ` at {${Math.round(position.x * perUnit)}}, {${Math.round(position.y * perUnit)}}` : ''
    return { where: `block ${block ?? ''}${at}`, expected: 'plain lines: explode it first' }
  })
  if (where.length) return none(where.slice(0, 8), { unit, said, notes })
  const contours = joined(got.flatMap((g) => (g.read?.stretch ? [g.read.stretch] : [])))
  for (const d of contours.doubled.slice(0, 4)) notes.push(`a line drawn twice at {${Math.round(d.x)}}, {${Math.round(d.y)}} counts once`)
  const rounds = got.flatMap((g) => (g.read?.round ? [g.read.round] : []))
  const made = drawnFrom(name, contours, rounds)
  return 'drawn' in made ? { unit, said, notes, drawn: made.drawn, faults: [] } : none(made.faults, { unit, said, notes })
}

function parsed(text: string): { dxf: IDxf; facing: Facing } | null {
  const facing = pairsOf(text)
  if (!facing) return null
  try {
    const dxf = new DxfParser().parseSync(text)
    return dxf?.entities ? { dxf, facing } : null
  } catch {
    return null
  }
}

const leftOut = (types: string[]): string[] => {
  const counts = new Map<string, number>()
  for (const t of types.filter((x) => x !== 'INSERT')) counts.set(t, (counts.get(t) ?? 0) + 1)
  return [...counts].map(([t, n]) => `${n} × ${t.toLowerCase()} left out`)
}

type Vertex = Point & { bulge?: number }
type Curve = { center: Point; radius: number; startAngle: number; angleLength: number }
type Oval = { center: Point; majorAxisEndPoint: Point; axisRatio: number; startAngle: number; endAngle: number }
type Spline = { controlPoints?: Point[]; knotValues?: number[]; degreeOfSplineCurve: number; closed?: boolean; rational?: boolean }

/** What an entity is of the part; null = no edge of it. mm */
function entityOf(e: IEntity, perUnit: number, away: boolean): { stretch?: Stretch; round?: Hole } | null {
  const read = inItsPlane(e, perUnit, away)
  // an ellipse says its middle in the drawing's own coordinates
  if (!read || !away || !FLAT_IN_ITS_PLANE.has(e.type) || e.type === 'ELLIPSE') return read
  const other = (p: Point): Point => ({ x: -p.x, y: p.y })
  return {
    ...(read.stretch ? { stretch: read.stretch.map(other) } : {}),
    ...(read.round ? { round: { ...read.round, at: other(read.round.at) } } : {}),
  }
}

function inItsPlane(e: IEntity, perUnit: number, away: boolean): { stretch?: Stretch; round?: Hole } | null {
  const mm = (p: Point): Point => ({ x: p.x * perUnit, y: p.y * perUnit })
  switch (e.type) {
    case 'LINE': {
      const { vertices } = e as IEntity & { vertices: Point[] }
      return vertices?.length > 1 ? { stretch: vertices.map(mm) } : null
    }
    case 'LWPOLYLINE':
    case 'POLYLINE': {
      const { vertices, shape } = e as IEntity & { vertices: Vertex[]; shape?: boolean }
      const all = shape ? [...vertices, vertices[0]!] : vertices
      if (!vertices?.length) return null
      const after = all.slice(1).flatMap((v, i) => bulgePoints(mm(all[i]!), mm(v), all[i]!.bulge ?? 0).slice(1))
      return { stretch: [mm(all[0]!), ...after] }
    }
    case 'CIRCLE': {
      const c = e as unknown as Curve
      return { round: { at: mm(c.center), diameterMm: 2 * c.radius * perUnit } }
    }
    case 'ARC': {
      const c = e as unknown as Curve
      const by = c.angleLength > 0 ? c.angleLength : c.angleLength + 2 * Math.PI
      return { stretch: arcPoints(mm(c.center), c.radius * perUnit, c.startAngle, by) }
    }
    case 'ELLIPSE': {
      const o = e as unknown as Oval
      const a = o.majorAxisEndPoint
      // across it as its plane looks: away, it turns the other way
      const across = away ? -o.axisRatio : o.axisRatio
      const b = { x: -a.y * across, y: a.x * across }
      const by = o.endAngle > o.startAngle ? o.endAngle - o.startAngle : o.endAngle - o.startAngle + 2 * Math.PI
      const n = 180
      return {
        stretch: Array.from({ length: n + 1 }, (_, i) => {
          const u = o.startAngle + (by * i) / n
          return mm({ x: o.center.x + a.x * Math.cos(u) + b.x * Math.sin(u), y: o.center.y + a.y * Math.cos(u) + b.y * Math.sin(u) })
        }),
      }
    }
    case 'SPLINE': {
      const s = e as unknown as Spline
      const { controlPoints: control, knotValues: knots, degreeOfSplineCurve: degree } = s
      const plain = control && knots && !s.rational && knots.length === control.length + degree + 1 && control.length > degree
      return plain ? { stretch: splinePoints(control.map(mm), degree, knots) } : null
    }
    default:
      return null
  }
}
