import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { Impossible } from '../issue/impossible'
import { rackSolvers } from '../loads/solveRack'
import type { Rules } from '../rules/rules'

export type Fallen = { pieceId: string | null; says: string; parts: string[] }

/** The parts that stand by themselves as one assembly, and those that do not, each with the reason: one loose piece does not take the others with it. */
export function whatStands(assembly: Assembly, rules: Rules): { standing: Assembly; fallen: Fallen[] } {
  // without a single mount nothing is asked of the frame, and nothing holds it
  if (assembly.mounts.length && tried(assembly, rules) === null) return { standing: assembly, fallen: [] }
  const fallen: Fallen[] = []
  const lost = new Set<string>()
  for (const ids of joined(assembly)) {
    const own = among(assembly, (id) => ids.has(id))
    const says = own.mounts.length ? tried(own, rules) : 'nothing holds it to the vehicle: give it a mount, or join it to what it stands on'
    if (says === null) continue
    for (const id of ids) lost.add(id)
    const [first] = ids
    fallen.push({ pieceId: pieceIdOf(first ?? ''), says, parts: [...ids] })
  }
  return { standing: among(assembly, (id) => !lost.has(id)), fallen }
}

/** Why it is no structure; null when it is one, or there is nothing of it. */
function tried(a: Assembly, rules: Rules): string | null {
  try {
    rackSolvers(a, [], rules, [], ['free', 'clamped'])
    return null
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    return error.message
  }
}

/** Sets of parts that joints tie together. */
function joined(a: Assembly): Set<string>[] {
  const parts = [...a.members, ...a.plates, ...a.fittings].map((p) => p.id)
  const root = new Map(parts.map((id) => [id, id]))
  const top = (id: string): string => {
    const up = root.get(id)
    return up === undefined || up === id ? id : top(up)
  }
  for (const { between } of a.joints) if (between.every((id) => root.has(id))) root.set(top(between[0]), top(between[1]))
  const sets = new Map<string, Set<string>>()
  for (const id of parts) sets.set(top(id), (sets.get(top(id)) ?? new Set()).add(id))
  return [...sets.values()]
}

const among = (a: Assembly, keep: (id: string) => boolean): Assembly => ({
  ...a,
  members: a.members.filter((m) => keep(m.id)),
  plates: a.plates.filter((p) => keep(p.id)),
  fittings: a.fittings.filter((f) => keep(f.id)),
  mounts: a.mounts.filter((m) => keep(m.on)),
  infills: a.infills.filter((i) => i.on.every(keep)),
})
