import { radians } from '../quantity/units'
import { areaMm2 } from './polygon'
import type { Point } from './vec3'

/**
 * A round hole; or a slot as wide as that, so long over all, its length turned from the outline's x; or a cut-out of any edge about `at`, counter-clockwise, as
 * wide as that at its narrowest. mm, degrees
 */
export type Hole = { at: Point; diameterMm: number; slot?: { lengthMm: number; turnDeg: number }; edge?: Point[] }
/** Whether a drill makes it. */
export const isRound = (h: Hole): boolean => h.slot === undefined && h.edge === undefined
const edgeAt = (h: Hole): Point[] => (h.edge ?? []).map((q) => ({ x: q.x + h.at.x, y: q.y + h.at.y }))

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
export const holeAreaMm2 = (h: Hole): number =>
  h.edge ? areaMm2(h.edge) : (Math.PI * h.diameterMm ** 2) / 4 + betweenEnds(h) * h.diameterMm

/** Once round it. mm */
export const roundHoleMm = (h: Hole): number =>
  h.edge
    ? h.edge.reduce((s, a, i) => s + Math.hypot(a.x - h.edge![(i + 1) % h.edge!.length]!.x, a.y - h.edge![(i + 1) % h.edge!.length]!.y), 0)
    : Math.PI * h.diameterMm + 2 * betweenEnds(h)

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
  if (h.edge) return edgeAt(h)
  const [a, b] = endsOfHole(h)
  const turn = radians(h.slot?.turnDeg ?? 0)
  const half = (middle: Point, from: number): Point[] =>
    Array.from({ length: h.slot ? chords + 1 : chords }, (_, i) => {
      const by = from + (Math.PI * i) / chords
      return { x: middle.x + Math.cos(by) * (h.diameterMm / 2), y: middle.y + Math.sin(by) * (h.diameterMm / 2) }
    })
  return [...half(a, turn + Math.PI / 2), ...half(b, turn - Math.PI / 2)]
}

/** The same hole on the other side of an upright line. mm */
export const mirroredHole = (h: Hole, aboutX: number): Hole => ({
  ...h,
  at: { x: 2 * aboutX - h.at.x, y: h.at.y },
  ...(h.slot ? { slot: { ...h.slot, turnDeg: -h.slot.turnDeg } } : {}),
  ...(h.edge ? { edge: h.edge.map((q) => ({ x: -q.x, y: q.y })).reverse() } : {}),
})

/** The same hole at another place, turned with its part by so many degrees to the left. */
export function turnedHole(h: Hole, at: Point, turnDeg: number): Hole {
  const by = radians(turnDeg)
  return {
    ...h,
    at,
    ...(h.slot ? { slot: { ...h.slot, turnDeg: h.slot.turnDeg + turnDeg } } : {}),
    ...(h.edge
      ? { edge: h.edge.map(({ x, y }) => ({ x: x * Math.cos(by) - y * Math.sin(by), y: x * Math.sin(by) + y * Math.cos(by) })) }
      : {}),
  }
}
