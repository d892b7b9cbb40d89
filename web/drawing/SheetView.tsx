import { useTheme } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef, useState } from 'react'
import { pieceIdOf } from '../../core/assembly/ids'
import { outerRows } from '../../core/drawing/outerRows'
import { type Dimension, type Entity, project, type Sheet } from '../../core/drawing/sheet'
import type { Point, Vec3 } from '../../core/geometry/vec3'
import { formatLength } from '../../core/quantity/formatQuantity'
import type { LimitState } from '../limits/states'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'
import type { Axis, DrawnHandle } from './handles'
import { Shape } from './Shape'
import { path, placedIn } from './sheetPlace'
import { UsePatterns } from './useBands'
import { centredOn, useZoom, whole } from './useZoom'
import { ZoomButtons } from './ZoomButtons'

export type SheetActions = {
  onGrab: (handle: DrawnHandle) => void
  /** where it should be, axis by axis */
  onMove: (handle: DrawnHandle, wish: [Axis, number][], free: boolean) => void
  onDrop: (cancelled: boolean) => void
  onNudge: (handle: DrawnHandle, axis: Axis, steps: number, large: boolean) => void
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
  /** parts of every other piece are drawn faint; null = none is */
  faintBut?: string | null
  /** how much each member is used: it is tinted and hatched by that, and cargo steps back */
  uses?: Map<string, number>
  /** one can go near it; a picture in a list that scrolls stands still under the wheel */
  zooms?: boolean
  /** a place that is looked at: the frame goes near it */
  focus?: Vec3 | null
}

/** Draws one view on the screen, as large as fits. It only renders: every place is settled in the sheet. */
export function SheetView({
  sheet,
  handles,
  marks,
  selected,
  onSelect,
  actions,
  pick,
  uses,
  faintBut = null,
  focus = null,
  zooms = false,
}: Props) {
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
  const fitted = useMemo(() => placedIn(box, size, rows), [box, size, rows])
  const z = useZoom(frame, size, zooms)
  const scale = fitted.scale * z.zoom.by
  const origin = { x: fitted.origin.x * z.zoom.by + z.zoom.shift.x, y: fitted.origin.y * z.zoom.by + z.zoom.shift.y }
  const on = (p: Point): Point => ({ x: origin.x + p.x * scale, y: origin.y - p.y * scale })
  const show = z.show
  const lookedAt = focus ? project(sheet.view, focus) : null
  const [focusX, focusY] = [lookedAt?.x ?? null, lookedAt?.y ?? null]
  // biome-ignore lint/correctness/useExhaustiveDependencies: only another place that is looked at moves the frame
  useEffect(() => {
    if (!size.width) return
    if (focusX === null || focusY === null) return show(whole)
    show(centredOn({ x: fitted.origin.x + focusX * fitted.scale, y: fitted.origin.y - focusY * fitted.scale }, size))
  }, [focusX, focusY, size.width > 0, show])
  const byRef = useMemo(() => new Map(handles.map((h) => [h.ref, h])), [handles])

  const grab = useRef<{ handle: DrawnHandle; startX: number; startY: number; way: Axis | null } | null>(null)
  const down = (handle: DrawnHandle) => (event: PointerEvent<SVGGElement>) => {
    if (!actions || event.button !== 0) return
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = { handle, startX: event.clientX, startY: event.clientY, way: null }
    setHeld({ box: sheet.box })
    onSelect(handle.ref)
    actions.onGrab(handle)
  }
  const axes = axesOf(sheet.view)
  const move = (event: PointerEvent) => {
    const g = grab.current
    if (!g || !actions) return
    const [dx, dy] = [event.clientX - g.startX, event.clientY - g.startY]
    const [along, up] = axes
    const both: [Axis, number][] = [
      [along.axis, g.handle.at[along.axis] + (along.sign * dx) / scale],
      [up.axis, g.handle.at[up.axis] - dy / scale],
    ]
    const may = both.filter(([axis]) => g.handle.axes.includes(axis))
    if (g.handle.both || may.length < 2) return actions.onMove(g.handle, may, event.altKey)
    // a bar that is moved along does not rise by the way: it keeps to the way it was first moved
    if (Math.max(Math.abs(dx), Math.abs(dy)) < LOCKS_PX) return
    g.way ??= Math.abs(dx) >= Math.abs(dy) ? along.axis : up.axis
    actions.onMove(
      g.handle,
      may.filter(([axis]) => axis === g.way),
      event.altKey,
    )
  }
  const up = (cancelled: boolean) => () => {
    if (!grab.current) return
    grab.current = null
    setHeld(null)
    actions?.onDrop(cancelled)
  }
  const key = (handle: DrawnHandle) => (event: KeyboardEvent) => {
    const [along, up] = axes
    const steps: Record<string, [Axis, number]> = {
      ArrowLeft: [along.axis, -along.sign],
      ArrowRight: [along.axis, along.sign],
      ArrowUp: [up.axis, 1],
      ArrowDown: [up.axis, -1],
    }
    const way = steps[event.key]
    if (!way || !actions || !handle.axes.includes(way[0])) return
    event.preventDefault()
    actions.onNudge(handle, way[0], way[1], event.shiftKey)
  }

  const groups = useMemo(() => grouped(sheet.entities), [sheet.entities])
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: keys of what is focused in it: nearer, farther, all
    <div
      ref={frame}
      onKeyDown={z.onKeyDown}
      style={{ position: 'relative', width: '100%', height: '100%', minHeight: 0, overflow: 'hidden' }}
    >
      {size.width > 0 && (
        // biome-ignore lint/a11y/useSemanticElements: a drawing is no form; its movable parts stand in it as one group
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`${sheet.title} view`}
          style={{ position: 'absolute', inset: 0, touchAction: 'none', userSelect: 'none', fontFamily: FIGURES }}
          onPointerDown={(e) => {
            if (e.target !== e.currentTarget) return
            onSelect(null)
            z.sheet.onPointerDown(e)
          }}
          onPointerMove={z.sheet.onPointerMove}
          onPointerUp={z.sheet.onPointerUp}
          onPointerCancel={z.sheet.onPointerCancel}
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
                faint={(uses !== undefined && e.layer === 'cargo') || stepsBack(ref, faintBut)}
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
            const ways = axes.map((a) => a.axis).filter((axis) => handle.axes.includes(axis))
            const [first] = ways
            if (!first) return <g key={g}>{shapes}</g>
            return (
              <g
                key={`${ref}:${g}`}
                role="slider"
                tabIndex={0}
                aria-label={`${handle.label}${mark === 'over' ? ', over a limit' : ''}`}
                aria-valuenow={Math.round(handle.at[first])}
                aria-valuetext={ways.map((axis) => `${formatLength(handle.at[axis], units)} ${saysOf[axis]}`).join(', ')}
                style={{ cursor: ways.length > 1 ? 'move' : first === axes[0].axis ? 'ew-resize' : 'ns-resize' }}
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
      {zooms && <ZoomButtons by={z.zoom.by} nearer={z.nearer} farther={z.farther} all={z.all} />}
    </div>
  )
}

const saysOf: Record<Axis, string> = { x: 'forward of the rear axle', y: 'left of the middle', z: 'above the ground' }
/** Moved less than this nobody can tell which way was meant. */
const LOCKS_PX = 5
type ViewAxis = { axis: Axis; sign: 1 | -1 }
/** Which of the vehicle's axes run along a view and up it. */
const axesOf = (view: Sheet['view']): [ViewAxis, ViewAxis] =>
  view === 'plan'
    ? [
        { axis: 'x', sign: 1 },
        { axis: 'y', sign: 1 },
      ]
    : view === 'side'
      ? [
          { axis: 'x', sign: 1 },
          { axis: 'z', sign: 1 },
        ]
      : [
          { axis: 'y', sign: -1 },
          { axis: 'z', sign: 1 },
        ]

const stepsBack = (ref: string | undefined, faintBut: string | null): boolean => {
  const piece = ref === undefined ? null : pieceIdOf(ref)
  return faintBut !== null && piece !== null && piece !== faintBut
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
