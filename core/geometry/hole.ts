import { radians } from '../quantity/units'
import type { Point } from './vec3'

/** A round hole; or a slot as wide as that, so long over all, its length turned from the outline's x. mm, degrees */
export type Hole = { at: Point; diameterMm: number; slot?: { lengthMm: number; turnDeg: number } }

/** Middles of its two round ends; of a round hole both are its own. mm */
export function endsOfHole({ at, diameterMm, slot }: Hole): [Point, Point] {
  if (!slot) return [at, at]
  const half = Math.max(0, slot.lengthMm - diameterMm) / 2
  const turn = radians(slot.turnDeg)
  const [x, y] = [Math.cos(turn) * half, Math.sin(turn) * half]
  return [
    { x: at.x - x, y: at.y - y },
    { x: at.x + x, y: at.y + y },
  ]
}
const betweenEnds = (h: Hole): number => (h.slot ? Math.max(0, h.slot.lengthMm - h.diameterMm) : 0)

/** A circle and the strip between its halves. mm² */
export const holeAreaMm2 = (h: Hole): number => (Math.PI * h.diameterMm ** 2) / 4 + betweenEnds(h) * h.diameterMm

/** Once round it. mm */
export const roundHoleMm = (h: Hole): number => Math.PI * h.diameterMm + 2 * betweenEnds(h)

/** Where its two half circles begin and end, counter-clockwise: the first arc from the first to the second, the other from the third to the fourth. mm */
export function cornersOfSlot(h: Hole): [Point, Point, Point, Point] {
  const [a, b] = endsOfHole(h)
  const turn = radians(h.slot?.turnDeg ?? 0)
  const [x, y] = [-Math.sin(turn) * (h.diameterMm / 2), Math.cos(turn) * (h.diameterMm / 2)]
  return [
    { x: a.x + x, y: a.y + y },
    { x: a.x - x, y: a.y - y },
    { x: b.x - x, y: b.y - y },
    { x: b.x + x, y: b.y + y },
  ]
}

/** Its edge as a polygon, counter-clockwise, each half circle in so many chords. mm */
export function edgeOfHole(h: Hole, chords = 8): Point[] {
  const [a, b] = endsOfHole(h)
  const turn = radians(h.slot?.turnDeg ?? 0)
  const half = (middle: Point, from: number): Point[] =>
    Array.from({ length: h.slot ? chords + 1 : chords }, (_, i) => {
      const by = from + (Math.PI * i) / chords
      return { x: middle.x + Math.cos(by) * (h.diameterMm / 2), y: middle.y + Math.sin(by) * (h.diameterMm / 2) }
    })
  return [...half(a, turn + Math.PI / 2), ...half(b, turn - Math.PI / 2)]
}
