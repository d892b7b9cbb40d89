import { type Assembly, memberEnds } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import type { Point, Vec3 } from '../geometry/vec3'
import { type MountLine, mountHalfWidthMm, type Vehicle } from '../vehicle/vehicle'
import { balloons } from './balloons'
import { planDimensions, rearDimensions, sideDimensions } from './dimensions'
import { likeness } from './likeness'
import { bounds, box, type Entity, project, type Sheet, type ViewName } from './sheet'
import { strapLines } from './strapLines'
import { swingLines, vehicleOutline } from './vehicleOutline'

export const viewNames: Record<ViewName, string> = { plan: 'Plan', side: 'Side', rear: 'Rear' }
const FOOT_MM = { along: 80, across: 46 }

/** One view of rack, cargo and vehicle with its dimensions. Everything is in mm at full size. */
export function drawView(
  view: ViewName,
  assembly: Assembly,
  vehicle: Vehicle,
  brief: Brief,
  when: 'driving' | 'parked' = 'driving',
): Sheet {
  const cargo = brief.cargo.filter((c) => c.counts === 'both' || c.counts === when)
  const entities: Entity[] = [
    ...vehicleOutline(vehicle, view),
    ...likeness(vehicle, view),
    ...obstacles(view, vehicle),
    ...(view === 'rear' ? [] : vehicle.mounts.flatMap((m) => mountMarks(view, m))),
    ...feet(view, assembly),
    ...members(view, assembly),
    ...plates(view, assembly),
    // seen from the side items stand one behind the other: only the tallest is named
    ...cargo.flatMap((c) =>
      cargoBox(
        view,
        c,
        assembly.deckZMm ?? vehicle.roofHeightMm.value ?? 0,
        view === 'plan' || (view === 'side' && cargo.every((o) => o.heightMm <= c.heightMm)),
        view === 'plan' ? assembly.members.map((m) => memberEnds(m)).flatMap(([a, b]) => (Math.abs(a.x - b.x) < 1 ? [a.x] : [])) : [],
      ),
    ),
    ...cargo.flatMap((c) => strapLines(view, c, assembly.deckZMm ?? vehicle.roofHeightMm.value ?? 0)),
    ...(view === 'plan' ? [] : passages(view, brief, vehicle)),
    ...balloons(view, assembly),
  ]
  // a mirror is no reason to draw the rack smaller
  const counted = entities.filter((e) => e.layer !== 'likeness')
  const drawn = bounds(counted.filter((e) => e.kind !== 'text'))
  const dimensions =
    view === 'plan'
      ? planDimensions(assembly, vehicle, cargo, drawn)
      : view === 'side'
        ? sideDimensions(assembly, vehicle, brief, cargo, drawn)
        : rearDimensions(assembly, vehicle, drawn)
  // opened doors reach far beyond the rack: they may run out of the frame, or the rack would be drawn small
  return {
    view,
    title: viewNames[view],
    entities: [...swingLines(vehicle, view), ...entities, ...dimensions],
    box: bounds([...counted, ...dimensions]),
  }
}

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

const feet = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.mounts.map((m) => {
    const bar = assembly.members.find((b) => b.id === m.memberId)
    const top = bar ? bar.path[0]!.z - profileSection(bar.profileId).heightMm / 2 : m.place.z
    return {
      kind: 'polygon',
      layer: 'foot',
      ref: m.id,
      closed: true,
      filled: true,
      points: rect(
        view,
        { ...m.place, z: (m.place.z + top) / 2 },
        { x: FOOT_MM.along, y: FOOT_MM.across, z: Math.max(8, top - m.place.z) },
      ),
    }
  })

const members = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.members.map((m) => {
    const section = profileSection(m.profileId)
    const [a, b] = memberEnds(m)
    const along = m.role === 'rail'
    const ref = m.id
    const round = section.heightMm === section.widthMm && !along && view === 'side'
    if (round)
      return {
        kind: 'polygon',
        layer: 'member',
        ref,
        closed: true,
        filled: true,
        points: rect(view, a, { x: section.widthMm, y: 0, z: section.heightMm }),
      }
    if (view === 'plan') {
      const w = section.widthMm / 2
      const off = along ? { x: 0, y: w } : { x: w, y: 0 }
      return {
        kind: 'polygon',
        layer: 'member',
        ref,
        closed: true,
        filled: true,
        points: [
          { x: a.x - off.x, y: a.y - off.y },
          { x: b.x - off.x, y: b.y - off.y },
          { x: b.x + off.x, y: b.y + off.y },
          { x: a.x + off.x, y: a.y + off.y },
        ],
      }
    }
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: a.z }
    const size = along
      ? { x: Math.abs(a.x - b.x), y: section.widthMm, z: section.heightMm }
      : { x: section.widthMm, y: Math.abs(a.y - b.y), z: section.heightMm }
    return { kind: 'polygon', layer: 'member', ref, closed: true, filled: true, points: rect(view, middle, size) }
  })

const plates = (view: ViewName, assembly: Assembly): Entity[] =>
  assembly.plates
    .filter((p) => p.role !== 'bracket')
    .map((p): Entity => {
      if (view === 'side' && p.role === 'fairing') {
        const [x0, x1] = [p.place.x - p.size.x / 2, p.place.x + p.size.x / 2]
        return {
          kind: 'line',
          layer: 'plate',
          ref: p.id,
          from: { x: x0, y: p.place.z + p.size.z / 2 },
          to: { x: x1, y: p.place.z - p.size.z / 2 },
        }
      }
      return { kind: 'polygon', layer: 'plate', ref: p.id, closed: true, points: rect(view, p.place, p.size) }
    })

/** Clear of the mark of a member, and about so wide as one letter of a name is drawn. */
const NAME_CLEAR_MM = 150
const LETTER_MM = 44

/** Where an item's name begins: at its rear edge, or ahead of a member that would be drawn through it, where it still stands on the item. */
function nameFrom(c: Cargo, rearXMm: number, crossingXMm: number[]): number {
  const length = c.name.length * LETTER_MM
  const starts = [rearXMm, ...crossingXMm.map((x) => x + NAME_CLEAR_MM)].filter(
    (x) => x >= rearXMm && x + length / 2 <= rearXMm + c.lengthMm,
  )
  const clear = (from: number) => crossingXMm.every((x) => x < from - NAME_CLEAR_MM + 1 || x > from + length)
  return starts.sort((a, b) => a - b).find(clear) ?? rearXMm
}

function cargoBox(view: ViewName, c: Cargo, deckZMm: number, named: boolean, crossingXMm: number[]): Entity[] {
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
            at: { x: nameFrom(c, points[3]!.x, crossingXMm), y: points[3]!.y + 24 },
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
