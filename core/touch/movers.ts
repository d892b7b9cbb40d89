import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { placed, placingAt } from '../geometry/placing'
import { along, cross, unit, type Vec3 } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import { leafAt, type Stops, swingId, swingsOf, upToStop, withStops } from '../vehicle/swings'
import type { Swing, Vehicle } from '../vehicle/vehicle'
import type { Solid } from './solids'

/** Something that turns about a line (degrees) or slides along it (mm), and everything that goes with it. `to` null = nobody measured how far it goes. */
export type Mover = {
  id: string
  name: string
  kind: 'turn' | 'slide'
  axis: { at: Vec3; way: Vec3 }
  from: number
  to: number | null
  /** ids of the solids that go with it */
  moves: string[]
  /** a leaf of the vehicle itself, or what goes out of an item that is opened: its own body, which the assembly does not hold */
  leaf: Solid | null
  /** the item that is opened, by its own id */
  item?: string
  /** what must have been done before it */
  after: string | null
  pieceId: string | null
}

/** What moves on this job: lids, drawers and folds of its pieces; doors, gates, hatches and covers of its vehicle with what stands on them. */
export function moversOf(assembly: Assembly, vehicle: Vehicle, brief: Brief, stops: Stops = {}): Mover[] {
  return [
    ...assembly.motions.map(
      (m): Mover => ({
        id: m.id,
        name: m.name,
        kind: m.kind,
        axis: { at: m.axis.at, way: unit(m.axis.way) },
        from: m.from,
        to: upToStop(m.to, stops[m.id]),
        // what lies on something that turns is taken out first
        moves: [
          ...m.moves,
          ...ridingOn(assembly, m.moves),
          ...(m.kind === 'slide' ? lyingOn(assembly, brief, new Set(m.moves), m.pulledOut?.supportId ?? null) : []),
        ],
        leaf: null,
        after: m.after ?? null,
        pieceId: pieceIdOf(m.id),
      }),
    ),
    ...swingsOf(withStops(vehicle, stops)).map((s) => swingMover(s, assembly, brief)),
  ]
}

/** Parts of other pieces that are fixed to what moves, and to nothing that stays: all of such a piece goes with it. */
function ridingOn(a: Assembly, moves: string[]): string[] {
  const going = new Set(moves)
  const own = new Set(moves.map(pieceIdOf))
  const fixedTo = new Map<string, string[]>()
  for (const { between } of a.joints)
    for (const [x, y] of [between, [between[1], between[0]] as const]) {
      const piece = pieceIdOf(x)
      if (piece !== null && !own.has(piece) && pieceIdOf(y) !== piece) fixedTo.set(piece, [...(fixedTo.get(piece) ?? []), y])
    }
  const rides = (piece: string): boolean => {
    const to = fixedTo.get(piece) ?? []
    return to.length > 0 && to.every((id) => going.has(id)) && !a.mounts.some((m) => pieceIdOf(m.id) === piece)
  }
  return [...a.members, ...a.plates, ...a.infills, ...a.fittings]
    .map((p) => p.id)
    .filter((id) => {
      const piece = pieceIdOf(id)
      return piece !== null && !own.has(piece) && rides(piece)
    })
}

/** Cargo that lies on what turns: it is taken out before that is opened or folded. */
export const takenOut = (m: Mover, assembly: Assembly, brief: Brief): string[] =>
  m.kind === 'turn' && !m.leaf ? lyingOn(assembly, brief, new Set(m.moves), null) : []

/** Cargo whose support is made of parts that move. */
function lyingOn(assembly: Assembly, brief: Brief, moved: Set<string>, supportId: string | null): string[] {
  return brief.cargo.flatMap((c) => {
    const { supports, under } = restOf(c, assembly)
    const carried = under.length > 0 && under.every((b) => b.on !== null && moved.has(b.on))
    return carried || supports.some((s) => s.id === supportId) ? [`cargo:${c.id}`] : []
  })
}

/** A leaf is taken as thick as this. mm */
const LEAF_MM = 40
function swingMover(swing: Swing, assembly: Assembly, brief: Brief): Mover {
  const { hinge, along: shut, line, corners } = leafAt(swing, 0)
  const open = leafAt(swing, 90).along
  const out = unit(cross(shut, line))
  // parts of pieces that stand on a cover go up with it
  const pieces = new Set(assembly.mounts.filter((m) => m.bodyId === swing.id).map((m) => pieceIdOf(m.id)))
  const parts = [...assembly.members, ...assembly.plates, ...assembly.infills, ...assembly.fittings, ...assembly.mounts]
    .map((p) => p.id)
    .filter((id) => pieces.size > 0 && pieces.has(pieceIdOf(id)))
  return {
    id: swingId(swing.id),
    name: swing.name,
    kind: 'turn',
    axis: { at: hinge, way: unit(cross(shut, open)) },
    from: 0,
    to: swing.opensDeg,
    moves: [...parts, ...lyingOn(assembly, brief, new Set(parts), null)],
    leaf: {
      id: swingId(swing.id),
      name: swing.name.toLowerCase(),
      kind: 'body',
      pieceId: null,
      hulls: [corners.flatMap((c) => [-0.5, 0.5].map((s) => along(c, out, s * LEAF_MM)))],
    },
    after: null,
    pieceId: null,
  }
}

/** Solids as they stand once a mover has gone so far, and whatever must go before it is done. */
export function afterMove(solids: Solid[], movers: Mover[], m: Mover, value: number): Solid[] {
  const before = movers.find((o) => o.id === m.after && o.id !== m.id)
  const from = before ? afterMove(solids, movers, { ...before, after: null }, before.to ?? before.from) : solids
  const going = new Set(m.moves)
  const at = placingAt(m, value)
  return from.map((s) => (going.has(s.id) ? { ...s, hulls: s.hulls.map((h) => h.map((p) => placed(at, p))) } : s))
}
