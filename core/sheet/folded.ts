import type { Face, Fold, Pose } from '../assembly/assembly'
import type { Hole } from '../geometry/hole'
import { along, cross, type Point, times, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'

/** The four edges of a base, named after the axis they look along. */
export const panEdges = ['y-', 'x+', 'y+', 'x-'] as const
export type PanEdge = (typeof panEdges)[number]
/** A flange folded up from an edge, outside length to the outer apex; a lip folded in again from its far edge. mm, degrees of turn */
export type Flange = {
  lengthMm: number
  angleDeg?: number
  lip?: { lengthMm: number; angleDeg?: number }
  /** along its edge from where that begins, and out from the outer apex. mm */
  holes?: { alongMm: number; outMm: number; diameterMm: number }[]
}
export type PanGiven = {
  /** outside, to the outer apexes: along x and along y */
  lengthMm: number
  widthMm: number
  thicknessMm: number
  insideRadiusMm: number
  kFactor: number
  flanges: Partial<Record<PanEdge, Flange>>
  /** in the base, from its corner at x = 0, y = 0 */
  holes?: Hole[]
}
/** A folded part twice: the blank as it is cut, in the plane of its base, and the faces as they stand. One model, so that neither can be changed alone. */
export type Pan = { outline: Point[]; holes: Hole[]; bends: Fold[]; faces: Face[] }

/** Air between a lip's end and what it meets. Shop's own, mm */
const LIP_GAP_MM = 1
/** An arc is drawn in so many flat strips. */
const STRIPS = 4

/** Where an edge begins, the way along it and out of it. Along × out looks into the pan. */
type EdgeFrame = { edge: PanEdge; origin: Point; along: Point; out: Point; lengthMm: number; first: PanEdge; last: PanEdge }
const framesOf = (lengthMm: number, widthMm: number): EdgeFrame[] => [
  {
    edge: 'y-',
    origin: { x: lengthMm, y: 0 },
    along: { x: -1, y: 0 },
    out: { x: 0, y: -1 },
    lengthMm,
    first: 'x+',
    last: 'x-',
  },
  {
    edge: 'x+',
    origin: { x: lengthMm, y: widthMm },
    along: { x: 0, y: -1 },
    out: { x: 1, y: 0 },
    lengthMm: widthMm,
    first: 'y+',
    last: 'y-',
  },
  { edge: 'y+', origin: { x: 0, y: widthMm }, along: { x: 1, y: 0 }, out: { x: 0, y: 1 }, lengthMm, first: 'x-', last: 'x+' },
  { edge: 'x-', origin: { x: 0, y: 0 }, along: { x: 0, y: 1 }, out: { x: -1, y: 0 }, lengthMm: widthMm, first: 'y-', last: 'y+' },
]

/** BA = (r + K·t)·A, OSSB = (r + t)·tan(A/2): Machinery's Handbook, as in `flatPattern`. */
type Bent = { turn: number; allowanceMm: number; setbackMm: number }
const bentBy = (angleDeg: number, { thicknessMm: t, insideRadiusMm: r, kFactor: k }: PanGiven): Bent => {
  const turn = radians(angleDeg)
  return { turn, allowanceMm: (r + k * t) * turn, setbackMm: (r + t) * Math.tan(turn / 2) }
}

const isOuter = (edge: PanEdge): boolean => edge === 'x+' || edge === 'x-'

/** One flange ready to be laid out: from where to where along its edge it is bent, how wide it stands, and the same of its lip. mm */
type Laid = {
  frame: EdgeFrame
  flange: Flange
  bend: Bent
  /** of the bent zone, of the flange, of its lip */
  root: [number, number]
  span: [number, number]
  straightMm: number
  lip: { bend: Bent; span: [number, number]; straightMm: number } | null
}

function laidOut(given: PanGiven, frame: EdgeFrame): Laid | null {
  const flange = given.flanges[frame.edge]
  if (!flange) return null
  const bend = bentBy(flange.angleDeg ?? 90, given)
  const t = given.thicknessMm
  // flanges along x+ and x− run past the others' ends, which stand between them
  const outer = isOuter(frame.edge)
  const inset = (neighbour: PanEdge) => (given.flanges[neighbour] && !outer ? t : 0)
  const rooted = (neighbour: PanEdge) => {
    const other = given.flanges[neighbour]
    return other ? bentBy(other.angleDeg ?? 90, given).setbackMm : 0
  }
  const lipInset = (neighbour: PanEdge) => {
    const other = given.flanges[neighbour]
    if (!other) return 0
    return (outer ? t : Math.max(t, other.lip?.lengthMm ?? 0)) + LIP_GAP_MM
  }
  const ends = (of: (n: PanEdge) => number): [number, number] => [of(frame.first), frame.lengthMm - of(frame.last)]
  const lipBend = flange.lip ? bentBy(flange.lip.angleDeg ?? 90, given) : null
  return {
    frame,
    flange,
    bend,
    root: ends(rooted),
    span: ends(inset),
    straightMm: flange.lengthMm - bend.setbackMm - (lipBend?.setbackMm ?? 0),
    lip: lipBend && flange.lip ? { bend: lipBend, span: ends(lipInset), straightMm: flange.lip.lengthMm - lipBend.setbackMm } : null,
  }
}

/**
 * A rectangular base with flanges folded up from any of its edges, and lips folded in from those: pans, lids, ends, channels and angles. mm and degrees.
 * Allowances as in `flatPattern`; corners are notched to where the bent zones meet, x+ and x− flanges run past the others. Every face is given by its
 * outside, thickness inward. No checks: see `panFaults`.
 */
export function foldedPan(given: PanGiven): Pan {
  const frames = framesOf(given.lengthMm, given.widthMm)
  const laid = new Map<PanEdge, Laid>()
  for (const f of frames) {
    const l = laidOut(given, f)
    if (l) laid.set(f.edge, l)
  }
  const setback = (edge: PanEdge) => laid.get(edge)?.bend.setbackMm ?? 0
  const outline = frames.flatMap((f): Point[] => {
    const l = laid.get(f.edge)
    const at = (s: number, v: number): Point => ({
      x: f.origin.x + f.along.x * s + f.out.x * v,
      y: f.origin.y + f.along.y * s + f.out.y * v,
    })
    // round the blank counter-clockwise, which is against `along`
    if (!l) return [at(f.lengthMm - setback(f.last), 0), at(setback(f.first), 0)]
    const v0 = -l.bend.setbackMm
    const v1 = v0 + l.bend.allowanceMm
    const v2 = v1 + l.straightMm
    const tip = l.lip ? [v2 + l.lip.bend.allowanceMm, v2 + l.lip.bend.allowanceMm + l.lip.straightMm] : null
    const side = (e: 0 | 1): Point[] => [
      at(l.root[e], v0),
      at(l.root[e], v1),
      at(l.span[e], v1),
      at(l.span[e], v2),
      ...(l.lip && tip ? [at(l.lip.span[e], v2), at(l.lip.span[e], tip[1]!)] : []),
    ]
    return [...side(1), ...side(0).reverse()]
  })
  // in the order that leaves room for the tool: lips while all lies flat, then the sides that run past, last the ends between them
  const inOrder = [...laid.values()].sort((a, b) => Number(isOuter(b.frame.edge)) - Number(isOuter(a.frame.edge)))
  const lips: Fold[] = []
  const flanges = inOrder.map((l): Fold => {
    const f = l.frame
    const line = (span: [number, number], v: number): [Point, Point] => [
      { x: f.origin.x + f.along.x * span[0] + f.out.x * v, y: f.origin.y + f.along.y * span[0] + f.out.y * v },
      { x: f.origin.x + f.along.x * span[1] + f.out.x * v, y: f.origin.y + f.along.y * span[1] + f.out.y * v },
    ]
    const v1 = -l.bend.setbackMm + l.bend.allowanceMm
    const fold = (span: [number, number], v: number, angleDeg: number): Fold => ({
      line: line(span, v),
      angleDeg,
      side: 'up',
      insideRadiusMm: given.insideRadiusMm,
    })
    if (l.lip) lips.push(fold(l.lip.span, v1 + l.straightMm + l.lip.bend.allowanceMm / 2, l.flange.lip?.angleDeg ?? 90))
    return fold(l.root, -l.bend.setbackMm + l.bend.allowanceMm / 2, l.flange.angleDeg ?? 90)
  })
  const base: Face = {
    pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
    outline: [
      { x: setback('x-'), y: setback('y-') },
      { x: given.lengthMm - setback('x+'), y: setback('y-') },
      { x: given.lengthMm - setback('x+'), y: given.widthMm - setback('y+') },
      { x: setback('x-'), y: given.widthMm - setback('y+') },
    ],
    ...(given.holes ? { holes: given.holes } : {}),
  }
  return {
    outline: cornersOf(outline),
    holes: [...(given.holes ?? []), ...[...laid.values()].flatMap(flangeHoles)],
    bends: [...lips, ...flanges],
    faces: [base, ...[...laid.values()].flatMap((l) => standing(l, given))],
  }
}

/** The strips of a bend, the flange after it, and the same for its lip, walking along the outside skin. */
function standing(l: Laid, given: PanGiven): Face[] {
  const a: Vec3 = { ...l.frame.along, z: 0 }
  const outerRadiusMm = given.insideRadiusMm + given.thicknessMm
  const faces: Face[] = []
  let at: Vec3 = along({ ...l.frame.origin, z: 0 }, { ...l.frame.out, z: 0 }, -l.bend.setbackMm)
  let up: Vec3 = { ...l.frame.out, z: 0 }
  const flat = (span: [number, number], lengthMm: number, more: Pick<Face, 'bend' | 'holes'> = {}) => {
    faces.push({
      ...more,
      pose: { origin: at, along: a, up },
      outline: [
        { x: span[0], y: 0 },
        { x: span[1], y: 0 },
        { x: span[1], y: lengthMm },
        { x: span[0], y: lengthMm },
      ],
    })
    at = along(at, up, lengthMm)
  }
  const turned = (by: number): Vec3 => along(times(up, Math.cos(by)), cross(a, up), Math.sin(by))
  const round = (span: [number, number], turn: number) => {
    // each chord leans by half a step more than the tangent before it
    const step = turn / STRIPS
    const chord = 2 * outerRadiusMm * Math.sin(step / 2)
    for (let i = 0; i < STRIPS; i++) {
      up = turned(i === 0 ? step / 2 : step)
      flat(span, chord, { bend: true })
    }
    up = turned(step / 2)
  }
  round(l.root, l.bend.turn)
  const holes = (l.flange.holes ?? []).map((h): Hole => ({ at: { x: h.alongMm, y: h.outMm - l.bend.setbackMm }, diameterMm: h.diameterMm }))
  flat(l.span, l.straightMm, holes.length ? { holes } : {})
  if (l.lip) {
    round(l.lip.span, l.lip.bend.turn)
    flat(l.lip.span, l.lip.straightMm)
  }
  return faces
}

/** Where a flange's holes are cut in the blank: out past the bent zone by what they stand beyond its set-back. */
const flangeHoles = ({ frame: f, flange, bend }: Laid): Hole[] =>
  (flange.holes ?? []).map(({ alongMm, outMm, diameterMm }) => {
    const v = outMm - 2 * bend.setbackMm + bend.allowanceMm
    return { at: { x: f.origin.x + f.along.x * alongMm + f.out.x * v, y: f.origin.y + f.along.y * alongMm + f.out.y * v }, diameterMm }
  })

/** Corners only: no point twice, none in the middle of a straight edge. */
function cornersOf(points: Point[]): Point[] {
  const apart = points.filter((p, i) => {
    const q = points[(i + points.length - 1) % points.length]!
    return Math.hypot(p.x - q.x, p.y - q.y) > 1e-6
  })
  return apart.filter((p, i) => {
    const [a, b] = [apart[(i + apart.length - 1) % apart.length]!, apart[(i + 1) % apart.length]!]
    return Math.abs((p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x)) > 1e-6
  })
}

/** Faces as they stand where the base is put. */
export function placedFaces(faces: Face[], pose: Pose): Face[] {
  const z = cross(pose.along, pose.up)
  const way = (v: Vec3): Vec3 => along(along(times(pose.along, v.x), pose.up, v.y), z, v.z)
  return faces.map((f) => ({
    ...f,
    pose: { origin: along(pose.origin, way(f.pose.origin), 1), along: way(f.pose.along), up: way(f.pose.up) },
  }))
}

/**
 * What cannot be folded so, in words, lengths in braces: a flange with nothing left beside its bends, or shorter than the tool holds (`leastFlangeT` times
 * the thickness, the shop's own); a radius tighter than the metal takes; a hole in the bend or past the end; a lip that closes off the flange beside it or meets the lip across.
 */
export function panFaults(given: PanGiven, tool: { leastFlangeT: number; leastRadiusT: number }): string[] {
  const laid = framesOf(given.lengthMm, given.widthMm).flatMap((f) => laidOut(given, f) ?? [])
  const leastMm = tool.leastFlangeT * given.thicknessMm
  const lipOn = (edge: PanEdge) => given.flanges[edge]?.lip?.lengthMm ?? 0
  const across = [
    { wide: given.lengthMm, lips: lipOn('x+') + lipOn('x-') },
    { wide: given.widthMm, lips: lipOn('y+') + lipOn('y-') },
  ]
  return [
    ...laid.flatMap((l) => [
      ...(l.flange.lengthMm < leastMm || l.straightMm <= 0
        ? [
            `a flange of {${Math.round(l.flange.lengthMm)}} is too short to fold: {${Math.ceil(Math.max(leastMm, l.flange.lengthMm - l.straightMm + 1))}} or more`,
          ]
        : []),
      ...(l.lip && ((l.flange.lip?.lengthMm ?? 0) < leastMm || l.lip.straightMm <= 0)
        ? [`a lip of {${Math.round(l.flange.lip?.lengthMm ?? 0)}} is too short to fold: {${Math.ceil(leastMm)}} or more`]
        : []),
      ...(l.flange.holes ?? []).flatMap((h) =>
        h.outMm - h.diameterMm / 2 < l.bend.setbackMm
          ? [
              `a hole {${Math.round(h.outMm)}} from a fold would be drawn oval by it: {${Math.ceil(l.bend.setbackMm + h.diameterMm / 2)}} or more`,
            ]
          : h.outMm + h.diameterMm / 2 > l.flange.lengthMm
            ? [`a hole {${Math.round(h.outMm)}} out stands past the end of its flange of {${Math.round(l.flange.lengthMm)}}`]
            : [],
      ),
      ...(l.span[1] - l.span[0] < 1 || (l.lip && l.lip.span[1] - l.lip.span[0] < 1)
        ? ['nothing is left of a flange between the two beside it']
        : []),
    ]),
    ...across.flatMap(({ wide, lips }) => (lips > 0 && lips >= wide - 1 ? [`two lips meet over a base of {${Math.round(wide)}}`] : [])),
    ...(laid.length && given.insideRadiusMm < tool.leastRadiusT * given.thicknessMm
      ? [
          `an inside radius of {g ${given.insideRadiusMm}} in {g ${given.thicknessMm}} sheet may crack: {g ${Math.round(tool.leastRadiusT * given.thicknessMm * 10) / 10}} or more, or fold an offcut first`,
        ]
      : []),
  ]
}
