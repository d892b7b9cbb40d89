import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { boxOf, faceCorners, facesOf, onPlate, plateNormal } from '../assembly/places'
import { rimsOf } from '../assembly/round'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { centreLine } from '../geometry/centreLine'
import { sectionAxes } from '../geometry/localAxes'
import { cross, size as lengthOf, type Point, plus, times, type Vec3 } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import { type MountLine, mountHalfWidthMm, type Vehicle } from '../vehicle/vehicle'
import { balloons } from './balloons'
import { clearNames } from './clearNames'
import { planDimensions, rearDimensions, sideDimensions } from './dimensions'
import { footShape, shadow } from './feet'
import { holeEntity } from './holeEntity'
import { likeness } from './likeness'
import { bounds, box, type Entity, project, type Sheet, type ViewName } from './sheet'
import { strapLines } from './strapLines'
import { swingLines, vehicleOutline } from './vehicleOutline'

/** The line each view looks along. */
const lookOf: Record<ViewName, Vec3> = { plan: { x: 0, y: 0, z: 1 }, side: { x: 0, y: 1, z: 0 }, rear: { x: 1, y: 0, z: 0 } }

export const viewNames: Record<ViewName, string> = { plan: 'Plan', side: 'Side', rear: 'Rear' }

/** One view of rack, cargo and vehicle with its marks and dimensions; `told` = those of one piece only, null = of all. Everything is in mm at full size. */
export function drawView(
  view: ViewName,
  assembly: Assembly,
  vehicle: Vehicle,
  brief: Brief,
  when: 'driving' | 'parked' = 'driving',
  told: string | null = null,
): Sheet {
  const its = (part: { id: string }) => told === null || pieceIdOf(part.id) === told
  const marked = {
    ...assembly,
    members: assembly.members.filter(its),
    plates: assembly.plates.filter(its),
    infills: assembly.infills.filter(its),
    fittings: assembly.fittings.filter(its),
  }
  const measured = { ...assembly, dimensions: assembly.dimensions.filter(its) }
  const cargo = brief.cargo.filter((c) => c.counts === 'both' || c.counts === when)
  // what lies on nothing yet is drawn over the roof, where its issue finds it
  const stood = cargo.map((c) => ({ c, zMm: restOf(c, assembly).zMm ?? vehicle.roofHeightMm.value ?? 0 }))
  const entities: Entity[] = clearNames([
    ...vehicleOutline(vehicle, view),
    ...likeness(vehicle, view),
    ...obstacles(view, vehicle),
    ...(view === 'rear' ? [] : vehicle.mounts.flatMap((m) => mountMarks(view, m))),
    ...partsSeen(view, assembly),
    ...anchors(view, assembly),
    // seen from the side items stand one behind the other: only the tallest is named
    ...stood.flatMap(({ c, zMm }) =>
      cargoBox(view, c, zMm, view === 'plan' || (view === 'side' && cargo.every((o) => o.heightMm <= c.heightMm))),
    ),
    ...stood.flatMap(({ c, zMm }) => strapLines(view, c, zMm)),
    ...(view === 'plan' ? [] : passages(view, brief, vehicle)),
    ...balloons(view, marked),
  ])
  // a mirror is no reason to draw the rack smaller
  const counted = entities.filter((e) => e.layer !== 'likeness')
  const drawn = bounds(counted.filter((e) => e.kind !== 'text'))
  const dimensions =
    view === 'plan'
      ? planDimensions(measured, vehicle, cargo, drawn)
      : view === 'side'
        ? sideDimensions(measured, vehicle, brief, cargo, drawn)
        : rearDimensions(measured, vehicle, drawn)
  // opened doors reach far beyond the rack: they may run out of the frame, or the rack would be drawn small
  return {
    view,
    title: viewNames[view],
    entities: [...swingLines(vehicle, view), ...entities, ...dimensions],
    box: bounds([...counted, ...dimensions]),
  }
}

/** Feet and every part of the assembly as a view shows them, with no mark and no figure. */
export const partsSeen = (view: ViewName, assembly: Assembly): Entity[] => [
  ...assembly.mounts.map((m) => footShape(view, m, assembly)),
  ...members(view, assembly),
  ...infills(view, assembly),
  ...plates(view, assembly),
  ...fittings(view, assembly),
]

type Cargo = Brief['cargo'][number]

function rect(view: ViewName, centre: Vec3, size: Vec3): Point[] {
  const a = project(view, { x: centre.x - size.x / 2, y: centre.y - size.y / 2, z: centre.z - size.z / 2 })
  const b = project(view, { x: centre.x + size.x / 2, y: centre.y + size.y / 2, z: centre.z + size.z / 2 })
  return box({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) }, { x: Math.max(a.x, b.x), y: Math.max(a.y, b.y) })
}

const obstacles = (view: ViewName, vehicle: Vehicle): Entity[] =>
  vehicle.obstacles.map((o) => ({
    kind: 'polygon',
    layer: 'obstacle',
    closed: true,
    dashed: true,
    points: rect(
      view,
      { x: o.xMm, y: o.yMm, z: (vehicle.roofHeightMm.value ?? 0) + o.heightMm / 2 },
      { x: o.lengthMm, y: o.widthMm, z: o.heightMm },
    ),
  }))

/** Where feet may stand: the line itself, or each fixed point. */
function mountMarks(view: ViewName, line: MountLine): Entity[] {
  const place = (xMm: number, side: number): Point => project(view, { x: xMm, y: side * mountHalfWidthMm(line, xMm), z: line.zMm })
  return (view === 'plan' ? [1, -1] : [1]).flatMap((side): Entity[] =>
    line.pointsXMm?.length
      ? line.pointsXMm.map((x) => ({ kind: 'circle', layer: 'mount', centre: place(x, side), radius: 22 }))
      : freeStretches(line).map(([from, to]): Entity => ({ kind: 'line', layer: 'mount', from: place(from, side), to: place(to, side) })),
  )
}

/** What keep-outs leave of a line. */
function freeStretches(line: MountLine): [number, number][] {
  return [...line.keepOuts]
    .sort((a, b) => a.fromXMm - b.fromXMm)
    .reduce<[number, number][]>(
      (left, k) =>
        left.flatMap(([a, b]): [number, number][] =>
          k.toXMm <= a || k.fromXMm >= b
            ? [[a, b]]
            : [...(k.fromXMm > a ? [[a, k.fromXMm] as [number, number]] : []), ...(k.toXMm < b ? [[k.toXMm, b] as [number, number]] : [])],
        ),
      [[line.fromXMm, line.toXMm]],
    )
}

/** Each straight piece of a member as the box of its section, seen in this view. */
const members = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.members.flatMap((m) => {
    const s = profileSection(m.profileId)
    const points = centreLine(m.path, m.bendRadiiMm)
    const drawn = (outline: Point[]): Entity => ({
      kind: 'polygon',
      layer: 'member',
      ref: m.id,
      closed: true,
      filled: true,
      points: outline,
    })
    const bent =
      m.path.length > 2 &&
      bentOutline(
        points.map((p) => project(view, p)),
        s.heightMm / 2,
      )
    if (bent) return [drawn(bent)]
    return points.slice(1).map((to, i): Entity => {
      const from = points[i]!
      const { width, height } = sectionAxes(from, to, m.rollDeg)
      const ring = [-1, 1].flatMap((a) => [-1, 1].map((b) => plus(times(width, (a * s.widthMm) / 2), times(height, (b * s.heightMm) / 2))))
      return drawn(shadow(view, [...ring.map((r) => plus(from, r)), ...ring.map((r) => plus(to, r))]))
    })
  })

/** Both edges of a bent tube as one outline, half its width off its line; a tube that a view sees on edge is a bar. Null where its line turns back on itself there. */
function bentOutline(line: Point[], half: number): Point[] | null {
  const flat = line.filter((p, i) => i === 0 || Math.hypot(p.x - line[i - 1]!.x, p.y - line[i - 1]!.y) > 0.5)
  if (flat.length < 2) return null
  const [a, b] = [
    flat[0]!,
    flat.reduce(
      (far, p) => (Math.hypot(p.x - flat[0]!.x, p.y - flat[0]!.y) > Math.hypot(far.x - flat[0]!.x, far.y - flat[0]!.y) ? p : far),
      flat[0]!,
    ),
  ]
  const long = Math.max(1, Math.hypot(b.x - a.x, b.y - a.y))
  const off = (p: Point) => ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / long
  if (flat.every((p) => Math.abs(off(p)) < 1)) {
    // on edge: as long as it reaches, as wide as the tube
    const n = { x: (-(b.y - a.y) / long) * half, y: ((b.x - a.x) / long) * half }
    const t = { x: n.y, y: -n.x }
    return [
      { x: a.x + n.x, y: a.y + n.y },
      { x: b.x + n.x + t.x, y: b.y + n.y + t.y },
      { x: b.x - n.x + t.x, y: b.y - n.y + t.y },
      { x: a.x - n.x, y: a.y - n.y },
    ]
  }
  const normals = flat.map((p, i) => {
    const [from, to] = [flat[Math.max(0, i - 1)]!, flat[Math.min(flat.length - 1, i + 1)]!]
    const size = Math.hypot(to.x - from.x, to.y - from.y)
    return size < 1e-6 ? null : { p, x: (-(to.y - from.y) / size) * half, y: ((to.x - from.x) / size) * half }
  })
  if (normals.some((n) => n === null)) return null
  const edges = normals.flatMap((n) => n ?? [])
  return [...edges.map((n) => ({ x: n.p.x + n.x, y: n.p.y + n.y })), ...edges.reverse().map((n) => ({ x: n.p.x - n.x, y: n.p.y - n.y }))]
}

/**
 * Flat parts by their own outline, folded ones face by face without the strips of their bends, each over what lies behind it; what rides under a foot is seen
 * as part of it. A sheet seen on edge is a line.
 */
const plates = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.plates
    .filter((p) => !p.steps)
    .flatMap((p) =>
      facesOf(p)
        .filter((f) => !f.bend)
        .map((f) => {
          const corners = faceCorners(f, p.thicknessMm)
          const on = (q: Point): Point => project(view, onPlate(f, q))
          const faceOn = lengthOf(cross(plateNormal(f), lookOf[view])) < 1e-3
          return {
            p,
            // seen square to it by its own edge and holes, else by the shadow of its solid
            points: faceOn ? f.outline.map(on) : shadow(view, corners),
            holes: faceOn ? (f.holes ?? []).map((h) => holeEntity(h, 'plate', on)) : [],
            near: Math.max(...corners.map((c) => (view === 'plan' ? c.z : view === 'side' ? -c.y : -c.x))),
          }
        }),
    )
    .sort((a, b) => a.near - b.near)
    .flatMap(({ p, points, holes }): Entity[] => {
      const { size } = boxOf(points.map(({ x, y }) => ({ x, y, z: 0 })))
      const edge = p.air === 'fairing' && view === 'side'
      const [first, last] = [points[0]!, points[Math.floor(points.length / 2)]!]
      return edge && Math.min(size.x, size.y) > 0
        ? [{ kind: 'line', layer: 'plate', ref: p.id, from: first, to: last }]
        : [{ kind: 'polygon', layer: 'plate', ref: p.id, closed: true, points, ...(p.faces ? { filled: true } : {}) }, ...holes]
    })

const infills = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.infills.flatMap((i): Entity[] => {
    const outline = i.outline.map((p) => project(view, p))
    const { centre, size } = boxOf(outline.map(({ x, y }) => ({ x, y, z: 0 })))
    const frame: Entity = { kind: 'polygon', layer: 'infill', ref: i.id, closed: true, points: outline }
    if (Math.min(size.x, size.y) < 30 || i.kind === 'sheet' || i.kind === 'canvas') return [frame]
    return [
      frame,
      ...hatched(outline, i.kind === 'mesh', centre, size).map(
        ([from, to]): Entity => ({ kind: 'line', layer: 'infill', ref: i.id, from, to }),
      ),
    ]
  })

/** Lines of a mesh both ways, of slats one way, cut off at the outline. */
function hatched(outline: Point[], both: boolean, centre: Point, size: Point): [Point, Point][] {
  const step = Math.max(60, Math.min(size.x, size.y) / 6)
  const across = (y: number): [Point, Point][] => cutBy(outline, y, false)
  const upright = (x: number): [Point, Point][] => cutBy(outline, x, true)
  const places = (middle: number, length: number) => {
    const n = Math.floor(length / 2 / step)
    return Array.from({ length: 2 * n + 1 }, (_, k) => middle + (k - n) * step)
  }
  return [...places(centre.x, size.x).flatMap(upright), ...(both ? places(centre.y, size.y).flatMap(across) : [])]
}

function cutBy(outline: Point[], at: number, upright: boolean): [Point, Point][] {
  const key = upright ? 'x' : 'y'
  const met = outline.flatMap((a, i): Point[] => {
    const b = outline[(i + 1) % outline.length]!
    const [p, q] = [a[key] - at, b[key] - at]
    if (p * q > 0 || p === q) return []
    const t = p / (p - q)
    return [{ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }]
  })
  const other = upright ? 'y' : 'x'
  const sorted = met.sort((a, b) => a[other] - b[other])
  return sorted.length >= 2 ? [[sorted[0]!, sorted[sorted.length - 1]!]] : []
}

const fittings = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.fittings.flatMap((f): Entity[] => {
    const onEnd = f.round && seenOnEnd(view, f.round.axis)
    const [front] = f.round ? rimsOf(f.middle, f.round) : []
    const points = onEnd && front ? front.map((p) => project(view, p)) : rect(view, f.middle, f.size)
    const whole: Entity = { kind: 'polygon', layer: 'fitting', ref: f.id, closed: true, filled: true, dashed: f.there, points }
    // the rim within the tyre, the lid of a can: what tells a round thing from a square one
    return onEnd && f.round
      ? [whole, { kind: 'circle', layer: 'fitting', ref: f.id, centre: project(view, f.middle), radius: 0.3 * f.round.acrossMm }]
      : [whole]
  })
const LOOKS: Record<ViewName, keyof Vec3> = { plan: 'z', side: 'y', rear: 'x' }
const seenOnEnd = (view: ViewName, axis: Vec3): boolean => Math.abs(axis[LOOKS[view]]) > 0.98

/** What straps pull on: a ring where it sits. */
const anchors = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.anchors.map((x) => ({ kind: 'circle', layer: 'anchor', ref: x.id, centre: project(view, x.at), radius: 24 }))

function cargoBox(view: ViewName, c: Cargo, deckZMm: number, named: boolean): Entity[] {
  const points = rect(view, { x: c.xMm, y: c.yMm, z: deckZMm + c.heightMm / 2 }, { x: c.lengthMm, y: c.widthMm, z: c.heightMm })
  const centre = project(view, { x: c.xMm + c.centreForwardMm, y: c.yMm + c.centreLeftMm, z: deckZMm + (c.centreUpMm ?? c.heightMm / 2) })
  const ref = `cargo:${c.id}`
  const r = 26
  return [
    { kind: 'polygon', layer: 'cargo', ref, closed: true, filled: true, points },
    // the draughtsman's mark for a centre of mass: a circle with a cross through it
    { kind: 'circle', layer: 'centre', ref, centre, radius: r },
    { kind: 'line', layer: 'centre', ref, from: { x: centre.x - 1.6 * r, y: centre.y }, to: { x: centre.x + 1.6 * r, y: centre.y } },
    { kind: 'line', layer: 'centre', ref, from: { x: centre.x, y: centre.y - 1.6 * r }, to: { x: centre.x, y: centre.y + 1.6 * r } },
    ...(named
      ? [
          {
            kind: 'text',
            layer: 'cargo',
            ref,
            at: { x: points[3]!.x, y: points[3]!.y + 24 },
            text: c.name,
            anchor: 'start',
            size: 'small',
          } as Entity,
        ]
      : []),
  ]
}

function passages(view: ViewName, brief: Brief, vehicle: Vehicle): Entity[] {
  const known = brief.passages.filter((p) => p.heightMm !== null)
  if (!known.length) return []
  const lowest = known.reduce((a, b) => ((b.heightMm ?? 0) < (a.heightMm ?? 0) ? b : a))
  const y = lowest.heightMm ?? 0
  const reach =
    view === 'side'
      ? {
          from: -(vehicle.rearOverhangMm.value ?? 1100) - 100,
          to: (vehicle.lengthMm.value ?? 5400) - (vehicle.rearOverhangMm.value ?? 1100) + 100,
        }
      : { from: -1150, to: 1150 }
  return [
    { kind: 'line', layer: 'limit', from: { x: reach.from, y }, to: { x: reach.to, y }, dashed: true },
    ...(view === 'side'
      ? [{ kind: 'text', layer: 'limit', at: { x: reach.to, y: y + 30 }, text: lowest.name, anchor: 'end', size: 'small' } as Entity]
      : []),
  ]
}
