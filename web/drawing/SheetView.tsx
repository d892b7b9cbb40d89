import { useTheme } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef, useState } from 'react'
import type { Dimension, Entity, Sheet } from '../../core/drawing/sheet'
import type { Point } from '../../core/geometry/vec3'
import { formatLength } from '../../core/quantity/formatQuantity'
import type { LimitState } from '../limits/states'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'
import type { DrawnHandle } from './handles'
import { Shape } from './Shape'
import { outerRows, path, placedIn } from './sheetPlace'
import { UsePatterns } from './useBands'

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
