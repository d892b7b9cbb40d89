import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import type { InsidePlace, InsideThing } from '../../../core/inside/inside'
import { beginDrag, endDrag } from '../../job/jobStore'
import { setThing } from './inside'

export const SNAP_MM = 5
const STEP = { fine: 5, coarse: 50 }
const snap = (v: number) => Math.round(v / SNAP_MM) * SNAP_MM

type Way = {
  /** where a thing comes that was dragged so far over the drawing, in its own directions; snapped afterwards */
  drag: (from: InsidePlace, by: { x: number; y: number }, t: InsideThing) => InsidePlace
  /** where each key takes it, by a step */
  keys: (place: InsidePlace, by: number, t: InsideThing) => Record<string, InsidePlace>
}

/** What a pointer and keys do to things inside, on whichever drawing. */
export function useInsideMoves({ drag: dragged, keys }: Way) {
  const frame = useRef<SVGSVGElement>(null)
  const drag = useRef<{ t: InsideThing; from: InsidePlace; x: number; y: number } | null>(null)
  const at = (e: PointerEvent) => {
    const m = frame.current?.getScreenCTM()
    const p = m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse()) : { x: 0, y: 0 }
    return { x: p.x, y: p.y }
  }
  const move = (e: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const now = at(e)
    setThing(d.t.id, { place: dragged(d.from, { x: snap(now.x - d.x), y: snap(now.y - d.y) }, d.t) })
  }
  const drop = () => {
    if (drag.current) endDrag()
    drag.current = null
  }
  const key = (e: KeyboardEvent, t: InsideThing) => {
    const place = t.place && keys(t.place, e.shiftKey ? STEP.coarse : STEP.fine, t)[e.key]
    if (!place) return
    e.preventDefault()
    setThing(t.id, { place })
  }
  const take = (e: PointerEvent<Element>, t: InsideThing) => {
    if (!t.place) return
    e.currentTarget.setPointerCapture?.(e.pointerId)
    beginDrag()
    drag.current = { t, from: t.place, ...at(e) }
  }
  return { frame, take, move, drop, onKey: key }
}
