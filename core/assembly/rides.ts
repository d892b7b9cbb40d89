import type { Assembly } from './assembly'

/**
 * How each flat part takes part: it rides (between a foot and its bar, or in a joint), it is stiff and carries from part to part (a mount stands on it, or it
 * joins two parts, or it is a leaf that turns on hinges), or it is sheet hung on what it is joined to.
 */
export function ridesOf(a: Assembly): { rides: Set<string>; stiff: Set<string>; hung: Set<string> } {
  const rides = new Set([...a.mounts.flatMap((m) => m.via ?? []), ...a.joints.flatMap((j) => j.gusset?.plateId ?? [])])
  const carries = new Set(a.mounts.map((m) => m.on))
  const stiff = new Set<string>()
  const hung = new Set<string>()
  for (const p of a.plates) {
    if (rides.has(p.id)) continue
    const others = new Set(a.joints.flatMap(({ between: [x, y] }) => (x === p.id ? [y] : y === p.id ? [x] : [])))
    const turns = a.joints.filter((j) => j.between.includes(p.id) && (j.kind === 'hinge' || j.kind === 'latch')).length > 1
    if (carries.has(p.id) || others.size > 1 || turns) stiff.add(p.id)
    else hung.add(p.id)
  }
  return { rides, stiff, hung }
}
