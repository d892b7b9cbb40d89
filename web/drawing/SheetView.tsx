import { useTheme } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef, useState } from 'react'
import { balloonRadius, type Dimension, dimensionLines, type Entity, type Layer, type Sheet } from '../../core/drawing/sheet'
import type { Point } from '../../core/geometry/vec3'
import { formatLength } from '../../core/quantity/formatQuantity'
import type { LimitState } from '../limits/states'
import { useUnits } from '../quantity/units'
import { FIGURES, type Inks } from '../theme/theme'
import type { DrawnHandle } from './handles'
import { bandOf, inkOf, UsePatterns } from './useBands'

const TEXT_PX = 12
const ROW_PX = TEXT_PX * 1.6
/** Air round the drawing, in pixels; rows of dimensions outside it get more. */
const AIR_PX = 16

export type SheetActions = {
  onGrab: (handle: DrawnHandle) => void
  onMove: (handle: DrawnHandle, x: number, y: number, free: boolean) => void
  onDrop: (cancelled: boolean) => void
  onNudge: (handle: DrawnHandle, along: number, across: number, large: boolean) => void
  onDimension: (dimension: Dimension, at: Element) => void
}
type Props = {
  sheet: Sheet
  handles: DrawnHandle[]
  marks: Map<string, LimitState>
  selected: string | null
  onSelect: (ref: string | null) => void
  actions: SheetActions | null
  /** parts are not moved but chosen by pressing them */
  pick?: boolean
  /** how much each member is used: it is tinted and hatched by that, and cargo steps back */
  uses?: Map<string, number>
}

/** Draws one view on the screen, as large as fits. It only renders: every place is settled in the sheet. */
export function SheetView({ sheet, handles, marks, selected, onSelect, actions, pick, uses }: Props) {
  const { inks } = useTheme()
  const units = useUnits()
  const frame = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  const [held, setHeld] = useState<{ box: Sheet['box'] } | null>(null)
  useEffect(() => {
    const element = frame.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => setSize({ width: entry.contentRect.width, height: entry.contentRect.height }))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])

  // while something is held the frame stands still, or the part would run away from under the hand
  const box = held?.box ?? sheet.box
  const rows = useMemo(() => outerRows(sheet.entities), [sheet.entities])
  const { scale, origin } = useMemo(() => placedIn(box, size, rows), [box, size, rows])
  const on = (p: Point): Point => ({ x: origin.x + p.x * scale, y: origin.y - p.y * scale })
  const byRef = useMemo(() => new Map(handles.map((h) => [h.ref, h])), [handles])

  const grab = useRef<{ handle: DrawnHandle; startX: number; startY: number } | null>(null)
  const down = (handle: DrawnHandle) => (event: PointerEvent<SVGGElement>) => {
    if (!actions || event.button !== 0) return
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = { handle, startX: event.clientX, startY: event.clientY }
    setHeld({ box: sheet.box })
    onSelect(handle.ref)
    actions.onGrab(handle)
  }
  const move = (event: PointerEvent) => {
    const g = grab.current
    if (!g || !actions) return
    const dx = (event.clientX - g.startX) / scale
    const dy = -(event.clientY - g.startY) / scale
    const across = sheet.view === 'rear' ? -dx : sheet.view === 'plan' ? dy : 0
    actions.onMove(g.handle, g.handle.x + (sheet.view === 'rear' ? 0 : dx), g.handle.y + across, event.altKey)
  }
  const up = (cancelled: boolean) => () => {
    if (!grab.current) return
    grab.current = null
    setHeld(null)
    actions?.onDrop(cancelled)
  }
  const key = (handle: DrawnHandle) => (event: KeyboardEvent) => {
    const steps: Record<string, [number, number]> =
      sheet.view === 'rear'
        ? { ArrowLeft: [0, 1], ArrowRight: [0, -1] }
        : sheet.view === 'plan'
          ? { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
          : { ArrowLeft: [-1, 0], ArrowRight: [1, 0] }
    const way = steps[event.key]
    if (!way || !actions) return
    event.preventDefault()
    actions.onNudge(handle, way[0], handle.across ? way[1] : 0, event.shiftKey)
  }

  const groups = useMemo(() => grouped(sheet.entities), [sheet.entities])
  return (
    <div ref={frame} style={{ position: 'relative', width: '100%', height: '100%', minHeight: 0, overflow: 'hidden' }}>
      {size.width > 0 && (
        // biome-ignore lint/a11y/useSemanticElements: a drawing is no form; its movable parts stand in it as one group
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`${sheet.title} view`}
          style={{ position: 'absolute', inset: 0, touchAction: 'none', userSelect: 'none', fontFamily: FIGURES }}
          onPointerDown={(e) => e.target === e.currentTarget && onSelect(null)}
        >
          <defs>
            <pattern id="over-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="7" height="7" fill={inks.sheet} />
              <line x1="0" y1="0" x2="0" y2="7" stroke={inks.signal} strokeWidth="3" />
            </pattern>
            <UsePatterns inks={inks} />
          </defs>
          {groups.map(({ ref, entities }, g) => {
            const handle = ref ? byRef.get(ref) : undefined
            const mark = ref ? marks.get(ref) : undefined
            const chosen = ref !== undefined && ref === selected
            const shapes = entities.map((e, i) => (
              <Shape
                key={i}
                e={e}
                on={on}
                scale={scale}
                inks={inks}
                mark={mark}
                chosen={chosen}
                units={units}
                use={ref ? uses?.get(ref) : undefined}
                faint={uses !== undefined && e.layer === 'cargo'}
                onDimension={actions?.onDimension}
              />
            ))
            if (pick && ref)
              return (
                <g key={g} style={{ cursor: 'pointer' }} onPointerDown={() => onSelect(ref)}>
                  {shapes}
                </g>
              )
            if (!handle || !actions) return <g key={g}>{shapes}</g>
            const acrossOnly = sheet.view === 'rear'
            if (acrossOnly && !handle.across) return <g key={g}>{shapes}</g>
            return (
              <g
                key={`${ref}:${g}`}
                role="slider"
                tabIndex={0}
                aria-label={`${handle.label}${mark === 'over' ? ', over a limit' : ''}`}
                aria-valuenow={Math.round(acrossOnly ? handle.y : handle.x)}
                aria-valuetext={`${formatLength(acrossOnly ? handle.y : handle.x, units)} ${acrossOnly ? 'left of the middle' : 'forward of the rear axle'}`}
                style={{ cursor: acrossOnly ? 'ew-resize' : handle.across && sheet.view === 'plan' ? 'move' : 'ew-resize' }}
                onPointerDown={down(handle)}
                onPointerMove={move}
                onPointerUp={up(false)}
                onPointerCancel={up(true)}
                onKeyDown={key(handle)}
                onFocus={() => onSelect(handle.ref)}
              >
                {shapes}
                {entities.map(
                  (e, i) =>
                    e.kind === 'polygon' && (
                      <polygon
                        key={`hit${i}`}
                        points={path(e.points, on)}
                        fill="transparent"
                        stroke="transparent"
                        strokeWidth={14}
                        strokeLinejoin="round"
                      />
                    ),
                )}
              </g>
            )
          })}
        </svg>
      )}
    </div>
  )
}

type Rows = { left: number; right: number; top: number; bottom: number }
/** How many rows of dimensions stand outside the drawing on each side. */
function outerRows(entities: Entity[]): Rows {
  const rows = { left: 0, right: 0, top: 0, bottom: 0 }
  for (const e of entities) {
    if (e.kind !== 'dimension') continue
    const side = e.axis === 'x' ? (e.row > 0 ? 'top' : 'bottom') : e.row > 0 ? 'right' : 'left'
    rows[side] = Math.max(rows[side], Math.abs(e.row))
  }
  return rows
}

function placedIn(box: Sheet['box'], size: { width: number; height: number }, rows: Rows) {
  const pad = {
    left: AIR_PX + rows.left * ROW_PX + TEXT_PX,
    right: AIR_PX + rows.right * ROW_PX,
    top: AIR_PX + rows.top * ROW_PX + TEXT_PX,
    bottom: AIR_PX + rows.bottom * ROW_PX,
  }
  const [w, h] = [box.max.x - box.min.x, box.max.y - box.min.y]
  const room = { x: size.width - pad.left - pad.right, y: size.height - pad.top - pad.bottom }
  const scale = Math.max(0.001, Math.min(room.x / w, room.y / h))
  return {
    scale,
    origin: { x: pad.left + (room.x - w * scale) / 2 - box.min.x * scale, y: pad.top + (room.y + h * scale) / 2 + box.min.y * scale },
  }
}

/** Runs of entities that belong to the same part stay together, in drawing order; dimensions never move a part. */
function grouped(entities: Entity[]): { ref: string | undefined; entities: Entity[] }[] {
  const out: { ref: string | undefined; entities: Entity[] }[] = []
  for (const e of entities) {
    const ref = e.kind === 'dimension' ? undefined : e.ref
    const last = out[out.length - 1]
    if (last && last.ref === ref) last.entities.push(e)
    else out.push({ ref, entities: [e] })
  }
  return out
}

const path = (points: Point[], on: (p: Point) => Point): string =>
  points
    .map((p) => {
      const q = on(p)
      return `${q.x.toFixed(1)},${q.y.toFixed(1)}`
    })
    .join(' ')

type Pen = { stroke: string; width: number; fill?: string }
function penOf(layer: Layer, inks: Inks): Pen {
  const pens: Record<Layer, Pen> = {
    vehicle: { stroke: inks.vehicle, width: 1, fill: inks.line },
    assumed: { stroke: inks.vehicle, width: 1 },
    roof: { stroke: inks.vehicle, width: 1, fill: inks.roofFill },
    obstacle: { stroke: inks.obstacle, width: 1 },
    swing: { stroke: inks.obstacle, width: 0.7 },
    mount: { stroke: inks.mount, width: 2 },
    member: { stroke: inks.member, width: 1.3, fill: inks.memberFill },
    plate: { stroke: inks.member, width: 1.6 },
    foot: { stroke: inks.member, width: 1, fill: inks.member },
    cargo: { stroke: inks.cargo, width: 1, fill: inks.cargoFill },
    strap: { stroke: inks.obstacle, width: 2.2 },
    mark: { stroke: inks.member, width: 1 },
    centre: { stroke: inks.cargo, width: 1 },
    limit: { stroke: inks.signal, width: 1.3 },
    datum: { stroke: inks.quiet, width: 1 },
    dimension: { stroke: inks.dimension, width: 1 },
    moved: { stroke: inks.selected, width: 1.8 },
    force: { stroke: inks.member, width: 1.6 },
  }
  return pens[layer]
}

type ShapeProps = {
  e: Entity
  on: (p: Point) => Point
  scale: number
  inks: Inks
  mark: LimitState | undefined
  chosen: boolean
  units: ReturnType<typeof useUnits>
  use?: number
  faint?: boolean
  onDimension?: SheetActions['onDimension']
}
function Shape({ e, on, scale, inks, mark, chosen, units, use, faint, onDimension }: ShapeProps) {
  const pen = penOf(e.layer, inks)
  const solid = e.layer === 'member' || e.layer === 'cargo' || e.layer === 'foot' || e.layer === 'dimension'
  const used = use !== undefined && e.layer === 'member' ? bandOf(use) : null
  const stroke =
    used && !chosen
      ? inkOf(used.id, inks)
      : chosen && solid
        ? inks.selected
        : mark === 'over' && solid
          ? inks.signal
          : mark === 'near' && solid
            ? inks.near
            : pen.stroke
  const width = (used ? 2 : pen.width) + (chosen && solid ? 1.2 : mark === 'over' && solid ? 0.8 : 0)
  if (e.kind === 'line') {
    const [a, b] = [on(e.from), on(e.to)]
    return <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={stroke} strokeWidth={width} strokeDasharray={e.dashed ? '6 4' : undefined} />
  }
  if (e.kind === 'polygon') {
    const fill = !e.filled
      ? 'none'
      : use !== undefined && e.layer === 'member'
        ? `url(#${bandOf(use).id})`
        : mark === 'over' && solid
          ? 'url(#over-hatch)'
          : (pen.fill ?? 'none')
    const opacity = faint ? 0.18 : e.layer === 'cargo' ? 0.72 : 1
    return e.closed ? (
      <polygon
        points={path(e.points, on)}
        fill={fill}
        fillOpacity={opacity}
        stroke={stroke}
        strokeWidth={width}
        strokeDasharray={e.dashed ? '5 4' : undefined}
      />
    ) : (
      <polyline
        points={path(e.points, on)}
        fill="none"
        stroke={stroke}
        strokeWidth={width}
        strokeDasharray={e.dashed ? '5 4' : undefined}
      />
    )
  }
  if (e.kind === 'circle') {
    const c = on(e.centre)
    return (
      <circle
        cx={c.x}
        cy={c.y}
        r={Math.max(e.layer === 'centre' ? 4 : 2.5, e.radius * scale)}
        fill={e.filled ? (pen.fill ?? 'none') : 'none'}
        stroke={stroke}
        strokeWidth={pen.width}
      />
    )
  }
  if (e.kind === 'text') {
    const p = on(e.at)
    return (
      <text
        x={p.x}
        y={p.y}
        textAnchor={e.anchor}
        fontSize={e.layer === 'dimension' ? 13 : TEXT_PX}
        fontWeight={chosen ? 600 : undefined}
        fill={stroke}
        paintOrder="stroke"
        stroke={inks.sheet}
        strokeWidth={3}
      >
        {e.text}
      </text>
    )
  }
  if (e.kind === 'balloon') {
    const p = on(e.at)
    return (
      <g pointerEvents="none">
        <circle cx={p.x} cy={p.y} r={TEXT_PX * balloonRadius(e.text)} fill={inks.sheet} stroke={stroke} strokeWidth={pen.width} />
        <text x={p.x} y={p.y + TEXT_PX * 0.36} textAnchor="middle" fontSize={TEXT_PX} fontWeight={600} fill={stroke}>
          {e.text}
        </text>
      </g>
    )
  }
  const d = dimensionLines(e, TEXT_PX / scale)
  const at = on(d.text)
  const words = `${e.label ? `${e.label} ` : ''}${formatLength(e.lengthMm, units)}`
  const place = d.angleDeg === 0 ? { x: at.x, y: at.y - 4 } : { x: at.x - 4, y: at.y }
  const editable = e.edits && onDimension
  const open = (target: Element) => editable && onDimension(e, target)
  return (
    <g>
      {d.lines.map(([a, b], i) => {
        const [p, q] = [on(a), on(b)]
        return (
          <line
            key={i}
            x1={p.x}
            y1={p.y}
            x2={q.x}
            y2={q.y}
            stroke={pen.stroke}
            strokeWidth={i === 3 || i === 4 ? 1.6 : 0.8}
            pointerEvents="none"
          />
        )
      })}
      <text
        x={place.x}
        y={place.y}
        textAnchor="middle"
        fontSize={TEXT_PX}
        fill={pen.stroke}
        paintOrder="stroke"
        stroke={inks.sheet}
        strokeWidth={4}
        transform={d.angleDeg ? `rotate(-90 ${place.x} ${place.y})` : undefined}
        {...(editable
          ? {
              role: 'button',
              tabIndex: 0,
              'aria-label': `Change ${words}`,
              style: { cursor: 'text', textDecoration: 'underline dotted' },
              onClick: (ev: { currentTarget: Element }) => open(ev.currentTarget),
              onKeyDown: (ev: KeyboardEvent<SVGTextElement>) => {
                if (ev.key === 'Enter' || ev.key === ' ') {
                  ev.preventDefault()
                  open(ev.currentTarget)
                }
              },
            }
          : {})}
      >
        {words}
      </text>
    </g>
  )
}
