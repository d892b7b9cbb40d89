import { distanceToEdge, isInside } from '../geometry/contours'
import type { Point } from '../geometry/vec3'
import { type Contour, type PathPoint, pointsOf, startedAt } from './contour'

/** Where it pierces and comes onto the path, and the path from there. mm */
export type Lead = { pierce: Point; path: PathPoint[] }
/** An outline that a pierce keeps clear of: from outside it, or, of a cut-out that it lies in, from within. */
export type Keep = { outline: Point[]; within: boolean }
type Given = { contour: Contour; keep: Keep[]; sheet: { width: number; height: number }; leadMm: number; kerfMm: number }

/** Leads are shortened to no less than so many kerfs before it is said that there is no room. */
const LEAST_KERFS = 1.5
const STEPS = 5
/** Of an edge of many corners its longest stretches are tried. */
const MOST_PLACES = 48

/**
 * Piercing spoils a spot wider than the kerf: it stands in what falls away, square off the middle of a straight or off a corner, clear of every other part by a
 * kerf and on the sheet. Places for the longest lead that finds room, the clearest first; none = there is no room.
 */
export function leadsOf(g: Given): Lead[] {
  const own = pointsOf(g.contour.path)
  const inward = g.contour.what === 'hole'
  const places = placesOn(g.contour.path)
  const least = Math.min(g.leadMm, LEAST_KERFS * g.kerfMm)
  for (let i = 0; i <= STEPS; i++) {
    const long = g.leadMm - ((g.leadMm - least) * i) / STEPS
    const found = places.flatMap(({ at, normal, path }) => {
      const side = clockwise(own) === inward ? 1 : -1
      const pierce = { x: at.x + normal.x * long * side, y: at.y + normal.y * long * side }
      const room = roomAt(pierce, own, inward, g)
      // nor does the way from there run into anything
      const half = roomAt({ x: (pierce.x + at.x) / 2, y: (pierce.y + at.y) / 2 }, own, inward, g)
      return room === null || half === null ? [] : [{ pierce, path, room }]
    })
    if (found.length) return found.sort((a, b) => b.room - a.room)
  }
  return []
}

/** Room round a pierce: to its own path, to other parts and to the edge of the sheet; null where it stands in one of them. mm */
function roomAt(at: Point, own: Point[], inward: boolean, { keep, sheet, kerfMm }: Given): number | null {
  if (isInside(at, own) !== inward) return null
  const toOwn = distanceToEdge(at, own)
  if (toOwn < kerfMm / 2) return null
  const toSheet = Math.min(at.x, at.y, sheet.width - at.x, sheet.height - at.y)
  if (toSheet < kerfMm / 2) return null
  let room = Math.min(toOwn, toSheet + kerfMm)
  for (const { outline, within } of keep) {
    const off = distanceToEdge(at, outline)
    if (off < kerfMm || isInside(at, outline) !== within) return null
    room = Math.min(room, off)
  }
  return room
}

const clockwise = (points: Point[]): boolean =>
  points.reduce((s, a, i) => {
    const b = points[(i + 1) % points.length]!
    return s + a.x * b.y - b.x * a.y
  }, 0) < 0

/** Middles of straights and ends of arcs, each with the way to its right, and the path begun there. */
function placesOn(path: PathPoint[]): { at: Point; normal: Point; path: PathPoint[] }[] {
  const next = (i: number) => path[(i + 1) % path.length]!
  const longOf = (i: number) => Math.hypot(next(i).x - path[i]!.x, next(i).y - path[i]!.y)
  const longest = path
    .map((_, i) => i)
    .sort((a, b) => longOf(b) - longOf(a))
    .slice(0, MOST_PLACES)
  return longest.flatMap((i) => {
    const [a, b, long] = [path[i]!, next(i), longOf(i)]
    if (long < 1e-6) return []
    if (a.bulge) {
      const turn = 2 * Math.atan(a.bulge)
      const way = { x: (b.x - a.x) / long, y: (b.y - a.y) / long }
      // the arc begins turned off its chord by half of what it turns
      const along = { x: way.x * Math.cos(-turn) - way.y * Math.sin(-turn), y: way.x * Math.sin(-turn) + way.y * Math.cos(-turn) }
      return [{ at: a, normal: { x: along.y, y: -along.x }, path: startedAt(path, i) }]
    }
    const at = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
    const normal = { x: (b.y - a.y) / long, y: -(b.x - a.x) / long }
    return [{ at, normal, path: [at, ...startedAt(path, (i + 1) % path.length)] }]
  })
}
