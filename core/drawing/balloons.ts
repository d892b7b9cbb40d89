import type { Assembly, Member } from '../assembly/assembly'
import { memberLengthMm } from '../assembly/assembly'
import { centreLine, pointAlong } from '../geometry/centreLine'
import type { Vec3 } from '../geometry/vec3'
import { type Entity, project, type ViewName } from './sheet'

/** Where along a member its mark stands: near its first end, clear of what it carries in the middle. */
const NEAR_END = 0.09
/** A member that lies on others is marked between the last two of them, where no mark of theirs and seldom a name stands. */
const BETWEEN = 0.84
/** From the side and from behind a mark hangs below the deck on a line to its part, where the drawing is empty. mm */
const HANGS_MM = 230

/** A mark in a ring on every part that a view shows, so that the drawing, the cut list and the piece in the hand say the same. */
export function balloons(view: ViewName, assembly: Assembly): Entity[] {
  const balloon = (mark: string, part: Vec3): Entity[] => {
    const at = view === 'plan' ? part : { ...part, z: part.z - HANGS_MM }
    const ring: Entity = { kind: 'balloon', layer: 'mark', at: project(view, at), text: mark }
    return view === 'plan' ? [ring] : [{ kind: 'line', layer: 'mark', from: project(view, part), to: project(view, at) }, ring]
  }
  const along = (m: Member) => (view === 'rear' ? 0.3 : assembly.mounts.some((x) => x.memberId === m.id) ? NEAR_END : BETWEEN)
  const shown = view === 'rear' ? firstOfEach(assembly.members) : assembly.members
  const onePlate = new Map(assembly.plates.map((p) => [p.mark, p]))
  return [
    ...shown.flatMap((m) => balloon(m.mark, pointAlong(centreLine(m.path, m.bendRadiiMm), along(m) * memberLengthMm(m)))),
    ...[...onePlate.values()].filter((p) => p.role !== 'bracket').flatMap((p) => balloon(p.mark, p.place)),
    ...bracketMark(view, assembly, balloon),
  ]
}

/** Seen from behind, members across stand one behind the other: the rearmost of them is the one that is seen. */
const firstOfEach = (members: Member[]): Member[] => {
  const across = members.filter((m) => m.role === 'bar')
  const rearmost = across.length ? [across.reduce((a, b) => (b.path[0]!.x < a.path[0]!.x ? b : a))] : []
  return [...rearmost, ...members.filter((m) => m.role !== 'bar')]
}

/** Brackets are all alike and sit under the feet: one of them is marked. */
function bracketMark(view: ViewName, assembly: Assembly, balloon: (mark: string, at: Vec3) => Entity[]): Entity[] {
  const bracket = assembly.plates.find((p) => p.role === 'bracket')
  const [mount] = assembly.mounts
  return bracket && mount && view !== 'plan' ? balloon(bracket.mark, { ...mount.place, z: mount.place.z + bracket.size.z / 2 }) : []
}
