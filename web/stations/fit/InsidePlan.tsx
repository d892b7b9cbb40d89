import { useTheme } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { archesOf, type Block, blocksOf } from '../../../core/inside/blocks'
import type { Inside, InsideThing } from '../../../core/inside/inside'
import { beginDrag, endDrag } from '../../job/jobStore'
import { setThing, turned } from './inside'

type Props = {
  inside: Inside
  wrong: ReadonlySet<string>
  aisle: { widthMm: number; fromMm: number } | null
  chosen: string | null
  onChoose: (id: string) => void
}
type Place = NonNullable<InsideThing['place']>
/** A name stands clear of handlebars and pedals: toward the rear wheel of a bicycle, in the middle of a box. */
function labelAt(t: InsideThing, b: Block): { x: number; y: number } {
  const share = t.kind === 'box' ? 0.5 : t.place?.deg === 180 ? 0.18 : t.place?.deg === 0 ? 0.82 : 0.5
  return { x: b.x0 + share * (b.x1 - b.x0), y: (b.y0 + b.y1) / 2 + 24 }
}
const PAD = 120
const SNAP_MM = 5
const STEP = { fine: 5, coarse: 50 }

/** The floor from above, front to the left: things are dragged, moved with the arrow keys and turned with T. */
export function InsidePlan({ inside, wrong, aisle, chosen, onChoose }: Props) {
  const { inks } = useTheme()
  const [L, W] = [inside.lengthMm ?? 0, inside.widthMm ?? 0]
  const moves = useMoves()
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing is no form; its movable parts stand in it as one group
    <svg
      ref={moves.frame}
      viewBox={`${-PAD} ${-PAD} ${L + 2 * PAD} ${W + 2 * PAD}`}
      style={{ width: '100%', height: '100%', display: 'block', touchAction: 'none' }}
      role="group"
      aria-label="The floor from above"
    >
      <rect x={0} y={0} width={L} height={W} fill={inks.roofFill} stroke={inks.vehicle} strokeWidth={14} />
      {aisle && aisle.widthMm > 1 && <rect x={0} y={aisle.fromMm} width={L} height={aisle.widthMm} fill={inks.glass} opacity={0.8} />}
      {archesOf(inside).map((b) => (
        <g key={b.of + b.part}>
          <Rect b={b} fill={inks.likeness} stroke={inks.vehicle} />
        </g>
      ))}
      <text x={20} y={-30} fontSize={70} fill={inks.quiet}>
        front
      </text>
      <text x={L - 20} y={-30} fontSize={70} fill={inks.quiet} textAnchor="end">
        rear doors
      </text>
      {inside.things.map((t) => (
        <Thing key={t.id} t={t} bicycle={inside.bicycle} bad={wrong.has(t.id)} chosen={chosen === t.id} onChoose={onChoose} {...moves} />
      ))}
    </svg>
  )
}

const Rect = ({ b, fill, stroke }: { b: Block; fill: string; stroke: string }) => (
  <rect x={b.x0} y={b.y0} width={b.x1 - b.x0} height={b.y1 - b.y0} fill={fill} stroke={stroke} strokeWidth={8} />
)

/** What a pointer and keys do to things on the floor. */
function useMoves() {
  const frame = useRef<SVGSVGElement>(null)
  const drag = useRef<{ id: string; from: Place; x: number; y: number } | null>(null)
  const at = (e: PointerEvent) => {
    const m = frame.current?.getScreenCTM()
    const p = m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse()) : { x: 0, y: 0 }
    return { x: p.x, y: p.y }
  }
  const move = (e: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const now = at(e)
    const snap = (v: number) => Math.round(v / SNAP_MM) * SNAP_MM
    setThing(d.id, { place: { ...d.from, xMm: snap(d.from.xMm + now.x - d.x), yMm: snap(d.from.yMm + now.y - d.y) } })
  }
  const drop = () => {
    if (drag.current) endDrag()
    drag.current = null
  }
  const key = (e: KeyboardEvent, t: InsideThing) => {
    if (!t.place) return
    const by = e.shiftKey ? STEP.coarse : STEP.fine
    const ways: Record<string, Place> = {
      ArrowRight: { ...t.place, xMm: t.place.xMm + by },
      ArrowLeft: { ...t.place, xMm: t.place.xMm - by },
      ArrowDown: { ...t.place, yMm: t.place.yMm + by },
      ArrowUp: { ...t.place, yMm: t.place.yMm - by },
      t: turned(t.place),
      T: turned(t.place),
    }
    const place = ways[e.key]
    if (!place) return
    e.preventDefault()
    setThing(t.id, { place })
  }
  const take = (e: PointerEvent<Element>, t: InsideThing) => {
    if (!t.place) return
    e.currentTarget.setPointerCapture?.(e.pointerId)
    beginDrag()
    drag.current = { id: t.id, from: t.place, ...at(e) }
  }
  return { frame, take, move, drop, onKey: key }
}

type ThingProps = {
  t: InsideThing
  bicycle: Inside['bicycle']
  bad: boolean
  chosen: boolean
  onChoose: (id: string) => void
} & ReturnType<typeof useMoves>
function Thing({ t, bicycle, bad, chosen, onChoose, take, move, drop, onKey }: ThingProps) {
  const { inks } = useTheme()
  if (!t.place) return null
  const ink = bad ? inks.signal : chosen ? inks.selected : inks.member
  const blocks = blocksOf(t, t.place, bicycle)
  const [first] = blocks
  return (
    // biome-ignore lint/a11y/useSemanticElements: a shape in a drawing is no button element
    <g
      role="button"
      tabIndex={0}
      aria-label={`${t.name}${bad ? ', in the way' : ''}`}
      style={{ cursor: 'grab' }}
      onFocus={() => onChoose(t.id)}
      onKeyDown={(e) => onKey(e, t)}
      onPointerDown={(e) => {
        take(e, t)
        onChoose(t.id)
      }}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={drop}
    >
      {blocks.map((b) => (
        <g key={b.of + b.part}>
          <Rect b={b} fill={t.kind === 'box' ? inks.cargoFill : inks.memberFill} stroke={ink} />
        </g>
      ))}
      {first && (
        <text
          {...labelAt(t, first)}
          fontSize={70}
          fill={inks.member}
          stroke={inks.roofFill}
          strokeWidth={14}
          paintOrder="stroke"
          textAnchor="middle"
        >
          {t.name}
        </text>
      )}
    </g>
  )
}
