import type { Assembly } from '../assembly/assembly'
import { centreLine, nearestAlong } from '../geometry/centreLine'
import { minus, size, type Vec3 } from '../geometry/vec3'
import type { CaseResult } from '../loads/caseResult'
import { type MemberShape, movedAt } from '../loads/memberShape'
import type { Solid } from '../touch/solids'

/** How every member moves in each load case, as the frame tells it. */
export type CaseMoves = {
  name: string
  missing: boolean
  members: { memberId: string; shape: MemberShape }[]
}[]

export const movesOf = (cases: CaseResult[]): CaseMoves =>
  cases.map((c) => ({
    name: c.case.name,
    missing: c.missing.length > 0,
    members: c.members.map(({ memberId, shape }) => ({ memberId, shape })),
  }))

const STILL: Vec3 = { x: 0, y: 0, z: 0 }

/**
 * How far two places of two parts come towards one another at most, over all load cases: the relative movement along the line between them, or all of it
 * where they touch. A plate or fitting moves with the member it is fixed to; bodies and what is on them stand still. mm; null while a case is not known.
 */
export function givesMm(moves: CaseMoves, assembly: Assembly, a: Solid, b: Solid, at: [Vec3, Vec3]): { mm: number; when: string } | null {
  const [ca, cb] = [carrierOf(a, assembly, at[0]), carrierOf(b, assembly, at[1])]
  // neither moves with a member that bends: nothing comes nearer, whatever the case
  if (!ca && !cb) return { mm: 0, when: '' }
  if (moves.some((c) => c.missing)) return null
  const way = minus(at[1], at[0])
  const gap = size(way)
  return moves.reduce(
    (worst, c) => {
      const towards = minus(movement(c, ca), movement(c, cb))
      const mm = gap > 0.5 ? Math.max(0, (towards.x * way.x + towards.y * way.y + towards.z * way.z) / gap) : size(towards)
      return mm > worst.mm ? { mm, when: c.name } : worst
    },
    { mm: 0, when: '' },
  )
}

type Carrier = { memberId: string; line: Vec3[]; atMm: number } | null
/** The member that a part moves with, and where along it. */
function carrierOf(s: Solid, assembly: Assembly, at: Vec3): Carrier {
  const along = (id: string, p: Vec3): Carrier => {
    const m = assembly.members.find((x) => x.id === id)
    const line = m && centreLine(m.path, m.bendRadiiMm)
    return line ? { memberId: id, line, atMm: nearestAlong(line, p).atMm } : null
  }
  if (s.kind === 'member') return along(s.id, at)
  if (s.kind === 'plate' || s.kind === 'fitting') {
    const j = assembly.joints.find((x) => x.between.includes(s.id) && x.between.some((id) => assembly.members.some((m) => m.id === id)))
    return j ? along(j.between[0] === s.id ? j.between[1] : j.between[0], j.at) : null
  }
  if (s.kind === 'infill') {
    const on = assembly.infills.find((i) => i.id === s.id)?.on ?? []
    const near = on.flatMap((id) => along(id, at) ?? [])
    return near[0] ?? null
  }
  return null
}

function movement(c: CaseMoves[number], carrier: Carrier): Vec3 {
  const shape = c.members.find((m) => m.memberId === carrier?.memberId)?.shape
  return carrier && shape?.atMm.length ? movedAt(shape, carrier.line, carrier.atMm) : STILL
}
