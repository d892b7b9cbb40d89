import type { KeyboardEvent } from 'react'
import { dimensionText } from '../../core/drawing/dimensionText'
import { balloonRadius, type Dimension, dimensionLines, type Entity, type Layer } from '../../core/drawing/sheet'
import type { Point } from '../../core/geometry/vec3'
import type { LimitState } from '../limits/states'
import type { useUnits } from '../quantity/units'
import type { Inks } from '../theme/theme'
import { path, TEXT_PX } from './sheetPlace'
import { bandOf, inkOf } from './useBands'

type Pen = { stroke: string; width: number; fill?: string }
function penOf(layer: Layer, inks: Inks): Pen {
  const pens: Record<Layer, Pen> = {
    vehicle: { stroke: inks.vehicle, width: 1, fill: inks.line },
    likeness: { stroke: inks.likeness, width: 0.8, fill: inks.glass },
    assumed: { stroke: inks.vehicle, width: 1 },
    roof: { stroke: inks.vehicle, width: 1, fill: inks.roofFill },
    obstacle: { stroke: inks.obstacle, width: 1 },
    swing: { stroke: inks.obstacle, width: 0.7 },
    mount: { stroke: inks.mount, width: 2 },
    member: { stroke: inks.member, width: 1.3, fill: inks.memberFill },
    plate: { stroke: inks.member, width: 1.3, fill: inks.roofFill },
    infill: { stroke: inks.quiet, width: 0.7 },
    fitting: { stroke: inks.member, width: 1.2, fill: inks.roofFill },
    anchor: { stroke: inks.waterDeep, width: 1.6 },
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
  use?: number | undefined
  faint?: boolean
  onDimension?: ((dimension: Dimension, at: Element) => void) | undefined
}
/** How faint a piece is drawn that is not being worked on. */
const FAINT = 0.34
/** An entity that steps back is drawn as it is, only fainter. */
export function Shape(props: ShapeProps) {
  const back = props.faint && props.e.layer !== 'cargo'
  return back ? (
    <g opacity={FAINT}>
      <Drawn {...props} faint={false} />
    </g>
  ) : (
    <Drawn {...props} />
  )
}

/** One entity of a sheet on the screen, in the pen of its layer; a dimension that can be edited is a button. */
function Drawn({ e, on, scale, inks, mark, chosen, units, use, faint, onDimension }: ShapeProps) {
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
    return (
      <DrawnPolygon
        e={e}
        on={on}
        pen={pen}
        ink={{ stroke, width }}
        hatch={{ use, over: mark === 'over' && solid }}
        faint={faint ?? false}
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
  return <DrawnDimension e={e} on={on} scale={scale} inks={inks} units={units} stroke={pen.stroke} onDimension={onDimension} />
}

type PolygonProps = {
  e: Extract<Entity, { kind: 'polygon' }>
  on: (p: Point) => Point
  pen: Pen
  ink: { stroke: string; width: number }
  hatch: { use: number | undefined; over: boolean }
  faint: boolean
}
function DrawnPolygon({ e, on, pen, ink: { stroke, width }, hatch: { use, over }, faint }: PolygonProps) {
  const fill = !e.filled
    ? 'none'
    : use !== undefined && e.layer === 'member'
      ? `url(#${bandOf(use).id})`
      : over
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
    <polyline points={path(e.points, on)} fill="none" stroke={stroke} strokeWidth={width} strokeDasharray={e.dashed ? '5 4' : undefined} />
  )
}

type DimensionProps = Pick<ShapeProps, 'on' | 'scale' | 'inks' | 'units' | 'onDimension'> & { e: Dimension; stroke: string }
/** Its lines, and its figure: a button where it sets one of the design. */
function DrawnDimension({ e, on, scale, inks, units, stroke, onDimension }: DimensionProps) {
  const d = dimensionLines(e, TEXT_PX / scale)
  const at = on(d.text)
  const words = dimensionText(e, units)
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
            stroke={stroke}
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
        fill={stroke}
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
