import { Clipper, EndType, FillRule, JoinType, Minkowski, type Path64, type Paths64 } from 'clipper2-ts'
import { quarterTurn, type Turn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import { boxOfPart, type SheetNestingInput } from './sheetNesting'

/** The grid that outlines lie on, and what two parts may be nearer than their gap for it. mm */
export const PER_MM = 1000
const SLACK_MM = 0.01
/** Half of the widest slit that rounding leaves, on that grid. */
const SLIT = 3
/** An edge of more corners is laid by a simpler one round it, as little off it as will do; the time that a pair takes grows with both their corners. mm */
const MANY_CORNERS = 40
const SIMPLER_MM = [0.4, 0.8, 1.6, 3.2, 6.4, 12.8]
export type Given = Pick<SheetNestingInput, 'parts' | 'gap' | 'edge'>
type Part = SheetNestingInput['parts'][number]
/** Metal with half a gap round it, about the middle of the part's box: the edge counter-clockwise, cut-outs clockwise. */
export type Shape = { paths: Paths64; width: number; height: number }

const scaled = (points: [number, number][], middle: Point): Path64 =>
  points.map(([x, y]) => ({ x: Math.round((x - middle.x) * PER_MM), y: Math.round((y - middle.y) * PER_MM) }))
const grown = (paths: Paths64, mm: number): Paths64 =>
  mm === 0 ? paths : Clipper.inflatePaths(paths, mm * PER_MM, JoinType.Miter, EndType.Polygon, 2)
const positive = (path: Path64): Path64 => (Clipper.area(path) < 0 ? [...path].reverse() : path)

function shapeOf(p: Part, gap: number): Shape {
  const { width, height } = boxOfPart(p)
  const outline = p.outline ?? [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ]
  const xs = outline.map(([x]) => x)
  const ys = outline.map(([, y]) => y)
  const middle = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }
  const half = gap / 2 - SLACK_MM
  const edge = positive(scaled(outline, middle))
  const outer = grown(simpler(edge, 'round it'), half)
  const cutOuts = (p.cutOuts ?? []).flatMap((c) => grown(simpler(positive(scaled(c, middle)), 'within it'), -half))
  return {
    paths: [...outer.map(positive), ...cutOuts.map((c) => positive(c).reverse())],
    width: Math.round(width * PER_MM),
    height: Math.round(height * PER_MM),
  }
}

/**
 * An edge of few corners that lies wholly round the given one, or wholly within it, as near to it as will do (Ramer, 1972; Douglas & Peucker, 1973), which is looked
 * at afterwards: the library measures from a line without ends. Where none does, a part counts by its box, and in a cut-out nothing is laid.
 */
function simpler(path: Path64, lies: 'round it' | 'within it'): Paths64 {
  if (path.length <= MANY_CORNERS) return [path]
  for (const offMm of SIMPLER_MM) {
    const rough = Clipper.ramerDouglasPeucker(path, offMm * PER_MM)
    if (rough.length > MANY_CORNERS) continue
    const out = grown([rough], lies === 'round it' ? offMm : -offMm)
    const amiss =
      lies === 'round it' ? Clipper.difference([path], out, FillRule.NonZero) : Clipper.difference(out, [path], FillRule.NonZero)
    if (Math.abs(Clipper.areaPaths(amiss)) < AMISS_MM2 * PER_MM ** 2) return out
  }
  if (lies === 'within it') return []
  const { left, right, top, bottom } = Clipper.getBounds(path)
  return [
    [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ],
  ]
}
/** Rounding to the grid leaves no more. mm² */
const AMISS_MM2 = 0.01

const turned = (paths: Paths64, turn: Turn): Paths64 => (turn === 0 ? paths : paths.map((path) => path.map(quarterTurn[turn])))
export const moved = (paths: Paths64, by: Point): Paths64 => paths.map((path) => path.map((q) => ({ x: q.x + by.x, y: q.y + by.y })))

/**
 * Where the middle of `b` may not stand while the middle of `a` is at nought: the sum of A and −B, that is the sweep of B's edge along A's, and A and B themselves, for one may
 * lie wholly in the other's metal (Minkowski sum of the two regions; `clipper2-ts`).
 */
function forbidden(a: Paths64, b: Paths64): Paths64 {
  const back = b.map((path) => path.map((q) => ({ x: -q.x, y: -q.y })))
  const sweeps = back.flatMap((pattern) => a.flatMap((path) => Minkowski.sum(pattern, path, true)))
  const [a0, b0] = [a[0]![0]!, b[0]![0]!]
  const whole = Clipper.union([...sweeps, ...moved(a, { x: -b0.x, y: -b0.y }), ...moved(back, a0)], FillRule.NonZero)
  // where sweeps meet, rounding leaves slits that nothing can stand in; a place that fits exactly is wider by the slack
  return Clipper.inflatePaths(whole, SLIT, JoinType.Miter, EndType.Polygon, 2)
}

export const turnsOf = (p: Part): Turn[] => {
  const whole: Turn[] = p.mayRotate ? [0, 90, 180, 270] : [0, 180]
  return p.outline ? whole : whole.filter((t) => t < 180)
}

export type Shapes = {
  part: Map<string, Part>
  shape: Map<string, Shape>
  between: (a: string, aTurn: Turn, b: string, bTurn: Turn) => Paths64
}
/** The outlines of all parts with half a gap round them, and where two may not stand to one another, each pair worked out once. */
export function shapesOf({ parts, gap }: Given): Shapes {
  const shape = new Map(parts.map((p) => [p.id, shapeOf(p, gap)]))
  const known = new Map<string, Paths64>()
  return {
    part: new Map(parts.map((p) => [p.id, p])),
    shape,
    // a part turned against a turned one is the same pair turned as a whole
    between: (a, aTurn, b, bTurn) => {
      const by = ((bTurn - aTurn + 360) % 360) as Turn
      const key = `${a} ${b} ${by}`
      const own = known.get(key) ?? forbidden(shape.get(a)!.paths, turned(shape.get(b)!.paths, by))
      known.set(key, own)
      return turned(own, aTurn)
    },
  }
}
