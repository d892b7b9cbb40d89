import { areaMm2, centroid } from './polygon'
import type { Point } from './vec3'

/** A line of points from one end to the other, an arc already as its chords. mm */
export type Stretch = Point[]
export type Contours = {
  closed: Point[][]
  /** ends that meet nothing, and how far the next end is from each. mm, null = there is none */
  open: { at: Point; gapMm: number | null }[]
  /** middles of stretches that lie on one another: one of each was left out */
  doubled: Point[]
}

/** Ends nearer than this are one. mm */
const SAME_MM = 0.05
const off = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)
const firstOf = (s: Stretch): Point => s[0]!
const lastOf = (s: Stretch): Point => s[s.length - 1]!
const middleOf = (s: Stretch): Point =>
  s.length > 2 ? s[Math.floor(s.length / 2)]! : { x: (s[0]!.x + lastOf(s).x) / 2, y: (s[0]!.y + lastOf(s).y) / 2 }

/** Whether a point lies inside a closed outline (crossings of a level ray). */
export function isInside(q: Point, outline: Point[]): boolean {
  let inside = false
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    if (a.y > q.y !== b.y > q.y && q.x < a.x + ((b.x - a.x) * (q.y - a.y)) / (b.y - a.y)) inside = !inside
  })
  return inside
}

/** Stretches joined end to end into closed outlines, in the order they are met; what stays open is told by its ends. */
export function joined(given: Stretch[]): Contours {
  const doubled: Point[] = []
  const left: Stretch[] = []
  for (const s of given.filter((x) => x.length > 1 && (off(firstOf(x), lastOf(x)) > SAME_MM || x.length > 2))) {
    const same = left.some(
      (o) =>
        ((off(firstOf(o), firstOf(s)) < SAME_MM && off(lastOf(o), lastOf(s)) < SAME_MM) ||
          (off(firstOf(o), lastOf(s)) < SAME_MM && off(lastOf(o), firstOf(s)) < SAME_MM)) &&
        off(middleOf(o), middleOf(s)) < SAME_MM,
    )
    if (same) doubled.push(middleOf(s))
    else left.push(s)
  }
  const closed: Point[][] = []
  const open: Contours['open'] = []
  const chains: Stretch[] = []
  while (left.length) {
    let chain = left.shift()!
    for (;;) {
      if (chain.length > 2 && off(firstOf(chain), lastOf(chain)) < SAME_MM) break
      const next = left.findIndex((s) => [firstOf(s), lastOf(s)].some((e) => off(e, lastOf(chain)) < SAME_MM))
      if (next < 0) break
      const [s] = left.splice(next, 1) as [Stretch]
      chain = [...chain, ...(off(firstOf(s), lastOf(chain)) < SAME_MM ? s : [...s].reverse()).slice(1)]
    }
    if (chain.length > 2 && off(firstOf(chain), lastOf(chain)) < SAME_MM) {
      // there and back on one line is no edge
      if (chain.length > 3) closed.push(chain.slice(0, -1))
      continue
    }
    // it may have been begun in its middle: it goes on from its first end too
    const before = left.some((s) => [firstOf(s), lastOf(s)].some((e) => off(e, firstOf(chain)) < SAME_MM))
    if (before) left.unshift([...chain].reverse())
    else chains.push(chain)
  }
  const ends = chains.flatMap((c, i) => [
    { at: firstOf(c), i },
    { at: lastOf(c), i },
  ])
  for (const e of ends) {
    const others = ends.filter((o) => o !== e).map((o) => off(o.at, e.at))
    open.push({ at: e.at, gapMm: others.length ? Math.min(...others) : null })
  }
  const single: Point[][] = []
  for (const loop of closed.map(tidied)) {
    if (single.some((o) => isSame(o, loop))) doubled.push(loop[0]!)
    else single.push(loop)
  }
  return { closed: single, open, doubled }
}

/** Whether two outlines are one drawn twice, wherever each was begun. */
const isSame = (a: Point[], b: Point[]): boolean =>
  a.length === b.length && Math.abs(areaMm2(a) - areaMm2(b)) < 1 && a.every((p) => b.some((q) => off(p, q) < SAME_MM))

/** Where an outline first crosses itself; null where it does not. mm */
export function crossingOf(outline: Point[]): Point | null {
  const n = outline.length
  for (let i = 0; i < n; i++) {
    const [a, b] = [outline[i]!, outline[(i + 1) % n]!]
    for (let k = i + 2; k < n; k++) {
      if (i === 0 && k === n - 1) continue
      const at = crossAt(a, b, outline[k]!, outline[(k + 1) % n]!)
      if (at) return at
    }
  }
  return null
}

const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
/** Where the line from a to b crosses that from c to d; null where they miss or only touch. mm */
function crossAt(a: Point, b: Point, c: Point, d: Point): Point | null {
  if (Math.max(a.x, b.x) < Math.min(c.x, d.x) || Math.max(c.x, d.x) < Math.min(a.x, b.x)) return null
  const [p, q, r, s] = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)]
  if (p * q >= 0 || r * s >= 0) return null
  const t = r / (r - s)
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }
}

type Edge = [Point, Point]
const edgesOf = (outline: Point[]): Edge[] => outline.map((a, i) => [a, outline[(i + 1) % outline.length]!])
/** The box round some points. */
export const spanOf = (points: Point[]): { left: number; right: number; low: number; high: number } =>
  points.reduce(
    (s, { x, y }) => ({ left: Math.min(s.left, x), right: Math.max(s.right, x), low: Math.min(s.low, y), high: Math.max(s.high, y) }),
    { left: Number.POSITIVE_INFINITY, right: Number.NEGATIVE_INFINITY, low: Number.POSITIVE_INFINITY, high: Number.NEGATIVE_INFINITY },
  )
/** Those of its edges that come near the other outline. */
function edgesNear(outline: Point[], other: Point[]): Edge[] {
  const s = spanOf(other)
  return edgesOf(outline).filter(
    ([a, b]) =>
      Math.max(a.x, b.x) > s.left - SAME_MM &&
      Math.min(a.x, b.x) < s.right + SAME_MM &&
      Math.max(a.y, b.y) > s.low - SAME_MM &&
      Math.min(a.y, b.y) < s.high + SAME_MM,
  )
}
const offEdge = (p: Point, [a, b]: Edge): number => {
  const long = off(a, b)
  const along = long > 0 ? Math.min(Math.max(((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / long, 0), long) / long : 0
  return off(p, { x: a.x + (b.x - a.x) * along, y: a.y + (b.y - a.y) * along })
}
const touches = (p: Point, edge: Edge): boolean => offEdge(p, edge) < SAME_MM
/** The least distance from a place to an outline, from within it or from outside. mm */
export const distanceToEdge = (p: Point, outline: Point[]): number =>
  edgesOf(outline).reduce((least, e) => Math.min(least, offEdge(p, e)), Number.POSITIVE_INFINITY)
/** Where two outlines cross or touch one another; null where they keep apart, or one lies within the other. mm */
export function meetingOf(one: Point[], other: Point[]): Point | null {
  const [mine, theirs] = [edgesNear(one, other), edgesNear(other, one)]
  for (const a of mine)
    for (const b of theirs) {
      const at = crossAt(...a, ...b) ?? (touches(a[0], b) ? a[0] : touches(b[0], a) ? b[0] : null)
      if (at) return at
    }
  return null
}

/** Counter-clockwise, without points that lie on a straight between their neighbours. mm */
export function tidied(outline: Point[]): Point[] {
  const turned =
    outline.reduce((s, a, i) => s + a.x * outline[(i + 1) % outline.length]!.y - outline[(i + 1) % outline.length]!.x * a.y, 0) < 0
  const points = turned ? [...outline].reverse() : outline
  const kept: Point[] = []
  points.forEach((p, i) => {
    const a = kept[kept.length - 1] ?? points[(i + points.length - 1) % points.length]!
    const b = points[(i + 1) % points.length]!
    const long = off(a, b)
    const aside = long > 1e-9 ? Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / long : off(a, p)
    if (aside > 1e-3) kept.push(p)
  })
  return kept.length > 2 ? kept : points
}

/** An outline that is a slot: straight sides and round ends, by its area and every corner of it; null where it is none. mm, degrees */
export function slotOf(outline: Point[]): { at: Point; diameterMm: number; lengthMm: number; turnDeg: number } | null {
  const at = centroid(outline)
  const far = outline.reduce((best, p) => (off(p, at) > off(best, at) ? p : best))
  const lengthMm = 2 * off(far, at)
  const way = { x: (far.x - at.x) / (lengthMm / 2), y: (far.y - at.y) / (lengthMm / 2) }
  const aside = (p: Point) => Math.abs((p.x - at.x) * way.y - (p.y - at.y) * way.x)
  const diameterMm = 2 * Math.max(...outline.map(aside))
  const half = (lengthMm - diameterMm) / 2
  if (half < 0.1) return null
  const onEdge = outline.every((p) => {
    const s = (p.x - at.x) * way.x + (p.y - at.y) * way.y
    return Math.abs(Math.hypot(Math.max(0, Math.abs(s) - half), aside(p)) - diameterMm / 2) < 0.1
  })
  const area = (Math.PI * diameterMm ** 2) / 4 + 2 * half * diameterMm
  if (!onEdge || Math.abs(areaMm2(outline) / area - 1) > 0.02) return null
  const turn = (Math.atan2(way.y, way.x) * 180) / Math.PI
  return { at, diameterMm, lengthMm, turnDeg: turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn }
}

/** An outline that is a circle, as chords; null where it is none. mm */
export function circleOf(outline: Point[]): { at: Point; diameterMm: number } | null {
  if (outline.length < 12) return null
  const at = centroid(outline)
  const radii = outline.map((p) => off(p, at))
  const [least, most] = [Math.min(...radii), Math.max(...radii)]
  return most - least < Math.max(0.05, most * 0.005) ? { at, diameterMm: 2 * most } : null
}
