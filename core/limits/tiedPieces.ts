import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Carried } from '../loads/carried'

type PieceId = string | null

/** Which pieces belong together: tell it two that do, ask it for the name of a piece's set. */
function sets(): { tie: (a: PieceId, b: PieceId) => void; of: (id: PieceId) => PieceId } {
  const root = new Map<PieceId, PieceId>()
  const of = (id: PieceId): PieceId => {
    const up = root.get(id)
    return up === undefined ? id : of(up)
  }
  return {
    of,
    tie: (a, b) => {
      const [p, q] = [of(a), of(b)]
      if (p !== q) root.set(p, q)
    },
  }
}

/** The name of the set of pieces that joints tie a piece to. */
export function tiedPieces(a: Assembly): (pieceId: PieceId) => PieceId {
  const { tie, of } = sets()
  for (const { between } of a.joints) tie(pieceIdOf(between[0]), pieceIdOf(between[1]))
  return of
}

/** What moves as one when it is loaded, with what it carries. */
export type Group = { assembly: Assembly; carried: Carried[] }

/**
 * The assembly as groups of pieces that pass nothing on to one another: no joint, mount or infill goes across, and nothing carried lies on two of them. Each is
 * a frame by itself, and what one of them answers does not change with the others. What lies on nothing is with all of them; what a floor of the vehicle
 * bears is with none. Supports of the vehicle itself stay with each.
 */
export function groupsOf(a: Assembly, carried: Carried[]): Group[] {
  const { tie, of } = sets()
  const tieAll = (ids: string[]) => {
    for (const id of ids.slice(1)) tie(pieceIdOf(ids[0]!), pieceIdOf(id))
  }
  for (const j of a.joints) tieAll(j.between)
  for (const m of a.mounts) tieAll([m.id, m.on, ...(m.via ? [m.via] : [])])
  for (const i of a.infills) tieAll([i.id, ...i.on])
  for (const m of a.motions) tieAll([m.id, ...m.moves])
  for (const p of a.pulls) tieAll([p.id, p.on])
  const bears = (c: Carried): string[] => c.bearings.flatMap((b) => b.on ?? [])
  for (const c of carried) tieAll(bears(c))
  const parts = [...a.members, ...a.plates, ...a.fittings, ...a.mounts]
  const names = [...new Set(parts.map((p) => of(pieceIdOf(p.id))))]
  if (names.length < 2) return names.map(() => ({ assembly: a, carried: carried.filter((c) => !c.onFloor) }))
  return names.map((name) => {
    const own = ({ id }: { id: string }) => of(pieceIdOf(id)) === name
    return {
      assembly: {
        members: a.members.filter(own),
        plates: a.plates.filter(own),
        fittings: a.fittings.filter(own),
        joints: a.joints.filter(own),
        hardware: [],
        mounts: a.mounts.filter(own),
        supports: a.supports.filter((s) => pieceIdOf(s.id) === null || own(s)),
        anchors: a.anchors.filter(own),
        pulls: a.pulls.filter(own),
        infills: a.infills.filter(own),
        motions: a.motions.filter(own),
        dimensions: [],
        checks: [],
      },
      carried: carried.filter((c) => {
        const on = bears(c)
        return !c.onFloor && (!on.length || on.some((id) => own({ id })))
      }),
    }
  })
}
