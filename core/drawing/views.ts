import { type Assembly, loadBars, type Vec3 } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { supportOf } from '../spacing/spacing'
import { type MountLine, mountHalfWidthMm, type Vehicle } from '../vehicle/vehicle'
import { bounds, box, type Entity, type Point, project, type Sheet, type ViewName } from './sheet'
import { vehicleOutline } from './vehicleOutline'

export const viewNames: Record<ViewName, string> = { plan: 'Plan', side: 'Side', rear: 'Rear' }
const FOOT_MM = { along: 80, across: 46 }

/** The datum for running positions: the rear edge of the roof, or the rear axle when the roof was not measured. mm from the rear axle. */
export const datumXMm = (vehicle: Vehicle): number => vehicle.roofFromXMm.value ?? 0

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
      ),
    ),
    ...(view === 'plan' ? [] : passages(view, brief, vehicle)),
  ]
  const drawn = bounds(entities.filter((e) => e.kind !== 'text'))
  const dimensions =
    view === 'plan'
      ? planDimensions(assembly, vehicle, cargo, drawn)
      : view === 'side'
        ? sideDimensions(assembly, vehicle, brief, cargo, drawn)
        : rearDimensions(assembly, vehicle, drawn)
  return { view, title: viewNames[view], entities: [...entities, ...dimensions], box: bounds([...entities, ...dimensions]) }
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
    const top = bar ? bar.path[0].z - profileSection(bar.profileId).heightMm / 2 : m.place.z
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
    const [a, b] = [m.path[0], m.path[m.path.length - 1]]
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
    .filter((p) => p.role === 'fairing')
    .map((p): Entity => {
      if (view === 'side') {
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
            at: { x: points[3].x, y: points[3].y + 24 },
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

type Box = Sheet['box']

/** Running positions of the bars from one datum, overhang of the governing load, bar length. */
function planDimensions(assembly: Assembly, vehicle: Vehicle, cargo: Cargo[], drawn: Box): Entity[] {
  const bars = loadBars(assembly)
  const datum = datumXMm(vehicle)
  const base = drawn.min.y
  const order = [...bars].sort((a, b) => a.path[0].x - b.path[0].x)
  const running = order.map(
    (b, k): Entity => ({
      kind: 'dimension',
      layer: 'dimension',
      ref: b.id,
      axis: 'x',
      base,
      row: -(k + 1),
      from: { x: datum, y: base },
      to: { x: b.path[0].x, y: b.path[1].y },
      lengthMm: b.path[0].x - datum,
      edits: { what: 'position', ref: b.id },
    }),
  )
  const xs = order.map((b) => b.path[0].x)
  const hang = cargo
    .flatMap((c) => {
      const s = supportOf(c, xs)
      if (s.under.length < 2) return []
      const [rear, front] = [c.xMm - c.lengthMm / 2, c.xMm + c.lengthMm / 2]
      return [
        { c, mm: s.rearOverhangMm, from: rear, to: rear + s.rearOverhangMm },
        { c, mm: s.frontOverhangMm, from: front - s.frontOverhangMm, to: front },
      ]
    })
    .filter((h) => h.mm > 1)
    .sort((a, b) => b.mm - a.mm)
  const longest = hang.slice(0, 1).map(
    (h): Entity => ({
      kind: 'dimension',
      layer: 'dimension',
      ref: `cargo:${h.c.id}`,
      axis: 'x',
      base: drawn.max.y,
      row: 1,
      from: { x: h.from, y: h.c.yMm + h.c.widthMm / 2 },
      to: { x: h.to, y: h.c.yMm + h.c.widthMm / 2 },
      lengthMm: h.mm,
      label: 'free',
    }),
  )
  const last = order[order.length - 1]
  const length: Entity[] = last
    ? [
        {
          kind: 'dimension',
          layer: 'dimension',
          ref: last.id,
          axis: 'y',
          base: drawn.max.x,
          row: 1,
          from: { x: last.path[1].x, y: last.path[1].y },
          to: { x: last.path[0].x, y: last.path[0].y },
          lengthMm: last.path[0].y - last.path[1].y,
          edits: { what: 'length' },
        },
      ]
    : []
  const datumLine: Entity[] = [
    { kind: 'line', layer: 'datum', from: { x: datum, y: drawn.min.y }, to: { x: datum, y: drawn.max.y }, dashed: true },
    {
      kind: 'text',
      layer: 'datum',
      at: { x: datum, y: drawn.max.y + 30 },
      text: vehicle.roofFromXMm.value === null ? 'datum: rear axle' : 'datum: roof rear edge',
      anchor: 'start',
      size: 'small',
    },
  ]
  return [...(bars.length ? datumLine : []), ...running, ...longest, ...length]
}

function sideDimensions(assembly: Assembly, vehicle: Vehicle, brief: Brief, cargo: Cargo[], drawn: Box): Entity[] {
  const deck = assembly.deckZMm
  const tops = [vehicle.heightMm.value ?? 0, deck ?? 0, ...cargo.map((c) => (deck ?? 0) + c.heightMm)]
  const top = Math.max(...tops)
  const at = drawn.min.x
  const lowest = Math.min(...brief.passages.flatMap((p) => (p.heightMm === null ? [] : [p.heightMm])))
  const up = (to: number, row: number, label?: string): Entity => ({
    kind: 'dimension',
    layer: 'dimension',
    axis: 'y',
    base: at,
    row,
    from: { x: at, y: 0 },
    to: { x: at, y: to },
    lengthMm: to,
    ...(label ? { label } : {}),
  })
  const base = vehicle.wheelbaseMm.value
  return [
    ...(top > 0 ? [up(top, -1)] : []),
    ...(deck !== null && top - deck > 1
      ? [
          {
            kind: 'dimension',
            layer: 'dimension',
            axis: 'y',
            base: drawn.max.x,
            row: 1,
            from: { x: drawn.max.x, y: 0 },
            to: { x: drawn.max.x, y: deck },
            lengthMm: deck,
            label: 'deck',
            edits: { what: 'deck' },
          } as Entity,
        ]
      : []),
    ...(Number.isFinite(lowest) ? [up(lowest, -2.4, 'passage')] : []),
    ...(base === null
      ? []
      : [
          {
            kind: 'dimension',
            layer: 'dimension',
            axis: 'x',
            base: drawn.min.y,
            row: -1,
            from: { x: 0, y: 0 },
            to: { x: base, y: 0 },
            lengthMm: base,
            label: 'wheelbase',
          } as Entity,
        ]),
  ]
}

function rearDimensions(assembly: Assembly, vehicle: Vehicle, drawn: Box): Entity[] {
  const bar = loadBars(assembly).reduce<Assembly['members'][number] | null>((a, b) => (a && a.path[0].y >= b.path[0].y ? a : b), null)
  const width = vehicle.widthMm.value
  const widths: Entity[] =
    width === null
      ? []
      : [
          {
            kind: 'dimension',
            layer: 'dimension',
            axis: 'x',
            base: drawn.min.y,
            row: -1,
            from: { x: -width / 2, y: 320 },
            to: { x: width / 2, y: 320 },
            lengthMm: width,
          },
        ]
  if (!bar) return widths
  const feetOf = assembly.mounts.filter((m) => m.memberId === bar.id)
  const half = bar.path[0].y
  const foot = Math.abs(feetOf[0]?.place.y ?? half)
  const z = bar.path[0].z
  return [
    ...widths,
    {
      kind: 'dimension',
      layer: 'dimension',
      axis: 'x',
      base: drawn.max.y,
      row: 2.2,
      from: { x: -half, y: z },
      to: { x: half, y: z },
      lengthMm: 2 * half,
      edits: { what: 'length' },
      ref: bar.id,
    },
    {
      kind: 'dimension',
      layer: 'dimension',
      axis: 'x',
      base: drawn.max.y,
      row: 1,
      from: { x: -foot, y: z },
      to: { x: foot, y: z },
      lengthMm: 2 * foot,
      label: 'feet',
    },
  ]
}
