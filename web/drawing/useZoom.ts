import { type KeyboardEvent, type PointerEvent, type RefObject, useCallback, useEffect, useRef, useState } from 'react'
import type { Point } from '../../core/geometry/vec3'

/** How much larger than it fits a view is drawn, and by how many pixels it is moved. */
export type Zoom = { by: number; shift: Point }
export const whole: Zoom = { by: 1, shift: { x: 0, y: 0 } }
const MOST = 24
const STEP = 1.35
/** How near a place that is looked at is shown. */
const NEAR = 5

type Size = { width: number; height: number }

/** The frame never looks past the edge of what it shows whole. */
const kept = ({ by, shift }: Zoom, size: Size): Zoom => ({
  by,
  shift: { x: Math.min(0, Math.max(size.width * (1 - by), shift.x)), y: Math.min(0, Math.max(size.height * (1 - by), shift.y)) },
})

/** Larger or smaller about a point of the screen, which stays where it is. */
export function zoomedAt(z: Zoom, at: Point, factor: number, size: Size): Zoom {
  const by = Math.max(1, Math.min(MOST, z.by * factor))
  const k = by / z.by
  return kept({ by, shift: { x: at.x - (at.x - z.shift.x) * k, y: at.y - (at.y - z.shift.y) * k } }, size)
}

/** So near that a place of the whole view stands in the middle of the frame. */
export const centredOn = (at: Point, size: Size, by = NEAR): Zoom =>
  kept({ by, shift: { x: size.width / 2 - at.x * by, y: size.height / 2 - at.y * by } }, size)

/** Wheel and pinch zoom about the pointer, dragging the empty sheet pans, + − 0 zoom by keyboard. */
export function useZoom(frame: RefObject<HTMLElement | null>, size: Size, on: boolean) {
  const [zoom, setZoom] = useState<Zoom>(whole)
  const sized = useRef(size)
  sized.current = size
  const about = useCallback((factor: number, at?: Point) => {
    const s = sized.current
    setZoom((z) => zoomedAt(z, at ?? { x: s.width / 2, y: s.height / 2 }, factor, s))
  }, [])
  useEffect(() => {
    const element = frame.current
    if (!element || !on) return
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      const box = element.getBoundingClientRect()
      about(Math.exp(-event.deltaY / 400), { x: event.clientX - box.left, y: event.clientY - box.top })
    }
    element.addEventListener('wheel', wheel, { passive: false })
    return () => element.removeEventListener('wheel', wheel)
  }, [frame, about, on])

  const fingers = useRef(new Map<number, Point>())
  const spread = () => {
    const [a, b] = [...fingers.current.values()]
    return a && b ? { apart: Math.hypot(a.x - b.x, a.y - b.y), middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } } : null
  }
  const place = (event: PointerEvent): Point => {
    const box = frame.current?.getBoundingClientRect()
    return { x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) }
  }
  const onPointerDown = (event: PointerEvent<Element>) => {
    if (!on) return
    event.currentTarget.setPointerCapture?.(event.pointerId)
    fingers.current.set(event.pointerId, place(event))
  }
  const onPointerMove = (event: PointerEvent) => {
    const before = fingers.current.get(event.pointerId)
    if (!before) return
    const was = spread()
    const now = place(event)
    fingers.current.set(event.pointerId, now)
    const is = spread()
    if (was && is) about(is.apart / Math.max(1, was.apart), is.middle)
    else setZoom((z) => kept({ ...z, shift: { x: z.shift.x + now.x - before.x, y: z.shift.y + now.y - before.y } }, sized.current))
  }
  const onPointerUp = (event: PointerEvent) => {
    fingers.current.delete(event.pointerId)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    const does: Record<string, () => void> = {
      '+': () => about(STEP),
      '=': () => about(STEP),
      '-': () => about(1 / STEP),
      '0': () => setZoom(whole),
    }
    const act = does[event.key]
    if (!act || !on || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    act()
  }
  return {
    zoom,
    show: setZoom,
    nearer: () => about(STEP),
    farther: () => about(1 / STEP),
    all: () => setZoom(whole),
    sheet: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp },
    onKeyDown,
  }
}
