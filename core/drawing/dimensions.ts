import type { Assembly, OwnDimension } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { overallHeight } from '../limits/heightLimits'
import { restOf } from '../resting/rest'
import { supportOf } from '../spacing/spacing'
import { datumXMm } from '../vehicle/datum'
import type { Vehicle } from '../vehicle/vehicle'
import { type Entity, project, type Sheet } from './sheet'

type Cargo = Brief['cargo'][number]
type Box = Sheet['box']

/** The design's own dimensions in one view, each in a row of its own on its side: running ones step outward in the order they are given. */
function ownDimensions(assembly: Assembly, view: OwnDimension['view'], drawn: Box, firstRow: { low: number; high: number }): Entity[] {
  const rows = new Map<string, number>()
  return assembly.dimensions
    .filter((d) => d.view === view)
    .map((d): Entity => {
      const [from, to] = [project(view, d.from), project(view, d.to)]
      const lane = `${d.axis} ${d.side}`
      const n = rows.get(lane) ?? 0
      rows.set(lane, n + 1)
      const row = d.side === 'low' ? -(firstRow.low + n) : firstRow.high + n
      const edge = d.axis === 'x' ? (d.side === 'low' ? drawn.min.y : drawn.max.y) : d.side === 'low' ? drawn.min.x : drawn.max.x
      const at = d.axis === 'x' ? to.x - from.x : to.y - from.y
      return {
        kind: 'dimension',
        layer: 'dimension',
        axis: d.axis,
        base: edge,
        row,
        from: d.running ? { ...from, y: edge } : from,
        to,
        lengthMm: d.running ? at : Math.abs(at),
        ...(d.ref ? { ref: d.ref } : {}),
        ...(d.label ? { label: d.label } : {}),
        ...(d.edits ? { edits: d.edits } : {}),
      }
    })
}

/** The design's own dimensions, overhang of the governing load, and the datum where anything runs from it. */
export function planDimensions(assembly: Assembly, vehicle: Vehicle, cargo: Cargo[], drawn: Box): Entity[] {
  const datum = datumXMm(vehicle)
  const hang = cargo
    .flatMap((c) => {
      const s = supportOf(
        c,
        restOf(c, assembly).all.map((b) => b.xMm),
      )
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
  const runs = assembly.dimensions.some((d) => d.view === 'plan' && d.running)
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
  return [...(runs ? datumLine : []), ...ownDimensions(assembly, 'plan', drawn, { low: 1, high: longest.length ? 2 : 1 }), ...longest]
}

export function sideDimensions(assembly: Assembly, vehicle: Vehicle, brief: Brief, cargo: Cargo[], drawn: Box): Entity[] {
  const top = overallHeight({ assembly, vehicle, brief: { ...brief, cargo } }).value ?? vehicle.heightMm.value ?? 0
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
    ...ownDimensions(assembly, 'side', drawn, { low: 2, high: 1 }),
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
  return [...widths, ...ownDimensions(assembly, 'rear', drawn, { low: 2, high: 1 })]
}
