import { type Assembly, type Member, memberEnds, memberLengthMm } from '../assembly/assembly'
import { infillCentre, plateCentre } from '../assembly/places'
import { centreLine, pointAlong } from '../geometry/centreLine'
import type { Point, Vec3 } from '../geometry/vec3'
import { balloonRadius, type Entity, project, type ViewName } from './sheet'

/** Where along a member its mark stands: near its first end, clear of what it carries in the middle. */
const NEAR_END = 0.09
/** A member that lies on others is marked between the last two of them, where no mark of theirs and seldom a name stands. */
const BETWEEN = 0.84
/** From the side and from behind a mark hangs below the deck on a line to its part, where the drawing is empty. mm */
const HANGS_MM = 230

/** So large is a ring where a vehicle fills the view, for each height of its text: side and rear share a sheet with the plan and are smaller. mm */
const RING_MM = { plan: 80, side: 135, rear: 135 }
/** A ring with no room looks farther out for it, below first, in the plan all round. mm, degrees */
const REACHES_MM = { plan: [HANGS_MM, 400, 570], side: [HANGS_MM, 400], rear: [HANGS_MM, 400] }
const BELOW_DEG = [-90, -60, -120]
const ROUND_DEG = [...BELOW_DEG, -30, -150, 0, 180, 30, 150, 60, 120, 90]

/** A mark in a ring on every part that a view shows, clear of the other rings, so that the drawing, the cut list and the piece in the hand say the same. */
export function balloons(view: ViewName, assembly: Assembly): Entity[] {
  const placed: (Point & { r: number })[] = []
  const balloon = (mark: string, of: Vec3): Entity[] => {
    const part = project(view, of)
    const r = RING_MM[view] * balloonRadius(mark)
    const free = (p: Point) => placed.every((o) => Math.hypot(o.x - p.x, o.y - p.y) >= o.r + r)
    const usual = view === 'plan' ? part : { x: part.x, y: part.y - HANGS_MM }
    const at = [usual, ...around(view, part)].find(free) ?? (view === 'plan' ? usual : null)
    // where there is no room the plan says it
    if (!at) return []
    placed.push({ ...at, r })
    const ring: Entity = { kind: 'balloon', layer: 'mark', at, text: mark }
    return at === part ? [ring] : [{ kind: 'line', layer: 'mark', from: part, to: at }, ring]
  }
  const along = (m: Member) => (view === 'rear' ? 0.3 : assembly.mounts.some((x) => x.on === m.id) ? NEAR_END : BETWEEN)
  const line = (m: Member) => centreLine(m.path, m.bendRadiiMm)
  const plates = firstOfEachMark(assembly.plates)
  return [
    ...seen(view, assembly.members).flatMap((m) => balloon(m.mark, pointAlong(line(m), along(m) * memberLengthMm(m)))),
    ...plates.filter((p) => view !== 'plan' || !p.steps).flatMap((p) => balloon(p.mark, plateCentre(p))),
    ...firstOfEachMark(assembly.infills).flatMap((i) => balloon(i.mark, infillCentre(i))),
    ...firstOfEachMark(assembly.fittings).flatMap((f) => balloon(f.mark, f.middle)),
  ]
}

const around = (view: ViewName, part: Point): Point[] =>
  REACHES_MM[view].flatMap((reach) =>
    (view === 'plan' ? ROUND_DEG : BELOW_DEG).map((deg) => ({
      x: part.x + reach * Math.cos((deg * Math.PI) / 180),
      y: part.y + reach * Math.sin((deg * Math.PI) / 180),
    })),
  )

/** Alike parts carry one mark: one of them is marked. */
const firstOfEachMark = <T extends { mark: string }>(parts: T[]): T[] =>
  [...new Map([...parts].reverse().map((p) => [p.mark, p])).values()].reverse()

/** Members that stand one behind the other in a view: the nearest of each place is the one that is seen. */
function seen(view: ViewName, members: Member[]): Member[] {
  if (view === 'plan') return members
  const depth = (m: Member) => {
    const [a, b] = memberEnds(m)
    return view === 'rear' ? (a.x + b.x) / 2 : (a.y + b.y) / 2
  }
  const placeOf = (m: Member) => {
    const ends = memberEnds(m).map((p) => project(view, p))
    return ends
      .map((p) => `${Math.round(p.x / 60)} ${Math.round(p.y / 60)}`)
      .sort()
      .join('|')
  }
  const nearest = new Map<string, Member>()
  for (const m of members) {
    const key = placeOf(m)
    const other = nearest.get(key)
    // the rear view looks forward, the side view from the right
    if (!other || depth(m) < depth(other)) nearest.set(key, m)
  }
  return members.filter((m) => [...nearest.values()].includes(m))
}
