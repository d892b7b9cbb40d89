import { type Assembly, loadBars } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { supportOf } from '../spacing/spacing'
import type { Vehicle } from '../vehicle/vehicle'
import { datumXMm } from './datum'
import type { Entity, Sheet } from './sheet'

type Cargo = Brief['cargo'][number]
type Box = Sheet['box']

/** Running positions of the bars from one datum, overhang of the governing load, bar length. */
export function planDimensions(assembly: Assembly, vehicle: Vehicle, cargo: Cargo[], drawn: Box): Entity[] {
  const bars = loadBars(assembly)
  const datum = datumXMm(vehicle)
  const base = drawn.min.y
  const order = [...bars].sort((a, b) => a.path[0]!.x - b.path[0]!.x)
  const running = order.map(
    (b, k): Entity => ({
      kind: 'dimension',
      layer: 'dimension',
      ref: b.id,
      axis: 'x',
      base,
      row: -(k + 1),
      from: { x: datum, y: base },
      to: { x: b.path[0]!.x, y: b.path[1]!.y },
      lengthMm: b.path[0]!.x - datum,
      edits: { what: 'position', ref: b.id },
    }),
  )
  const xs = order.map((b) => b.path[0]!.x)
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
          from: { x: last.path[1]!.x, y: last.path[1]!.y },
          to: { x: last.path[0]!.x, y: last.path[0]!.y },
          lengthMm: last.path[0]!.y - last.path[1]!.y,
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

export function sideDimensions(assembly: Assembly, vehicle: Vehicle, brief: Brief, cargo: Cargo[], drawn: Box): Entity[] {
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

export function rearDimensions(assembly: Assembly, vehicle: Vehicle, drawn: Box): Entity[] {
  const bar = loadBars(assembly).reduce<Assembly['members'][number] | null>((a, b) => (a && a.path[0]!.y >= b.path[0]!.y ? a : b), null)
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
  const half = bar.path[0]!.y
  const foot = Math.abs(feetOf[0]?.place.y ?? half)
  const z = bar.path[0]!.z
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
