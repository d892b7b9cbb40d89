import type { Assembly, Joint } from '../assembly/assembly'
import { bracketOf } from '../assembly/fittedBracket'
import { markOf } from '../assembly/marks'
import { footTypes, type MountKind } from '../catalogue/mounts'
import type { Rules } from '../rules/rules'
import type { Limit } from './limit'

export type Held = { foot: string; ways: string; advice: string[] }

/** For each kind of foot in use: what holds it each way, and what to add where nothing, or only grip, does. */
export function heldBy(assembly: Assembly, limits: Limit[], rules: Rules): Held[] {
  const kinds = [...new Set(assembly.mounts.map((m) => m.kind))]
  return kinds.map((kind) => ({ foot: footTypes[kind].name, ways: waysOf(kind), advice: adviceFor(kind, assembly, limits, rules) }))
}

function waysOf(kind: MountKind): string {
  const { up, along, across, turning } = footTypes[kind].holds
  return [
    'down on its seat',
    up === null ? 'up by nothing' : `up by ${up.by}`,
    `along by ${along.by}`,
    `across by ${across.by}`,
    turning === null ? 'against turning by nothing of its own' : `against turning by ${turning.by}`,
  ].join(', ')
}

function adviceFor(kind: MountKind, assembly: Assembly, limits: Limit[], rules: Rules): string[] {
  const { up, turning } = footTypes[kind].holds
  const ratio = (id: string) => limits.find((l) => l.id === id)?.ratio ?? 0
  const own = assembly.mounts.filter((m) => m.kind === kind)
  const bracket = own.map((m) => bracketOf(m, assembly, rules)).find((b) => b !== null)
  const stood = new Set(own.map((m) => m.on))
  // a member that lies on two or more of those that stand on feet keeps them from turning
  const tied = assembly.members.some(
    (m) => !stood.has(m.id) && assembly.joints.filter((j) => j.between[0] === m.id && stood.has(j.between[1])).length > 1,
  )
  return [
    ...(up === null ? ['What lifts it takes it out: choose a mount that clamps or bolts, or a pin through the post.'] : []),
    ...(turning === null && !tied
      ? ['Its one bolt lets it turn: the foot across the bar keeps it straight, so both are tightened; side rails would hold it too.']
      : []),
    ...(bracket && !bracket.made.bothEndsHeld
      ? ['A step bracket on one bolt can turn about it: a second bolt, or an edge folded against the bar, stops that.']
      : []),
    ...(ratio('foot.grip') > rules.nearRatio ? ['Grip is nearly used up: a stop behind the clamp, or another bar, takes the push.'] : []),
    ...(stood.size > 1 && !tied && ratio('foot.bolts') > rules.nearRatio
      ? ['Each bar stands alone against braking: side rails share the push between the feet.']
      : []),
  ]
}

/** A joint on one bolt, pin or clamp between parts that nothing else joins: they turn about it, held by grip alone. */
export function turningJoint(j: Joint, a: Assembly): boolean {
  const pair = (o: Joint) => [...o.between].sort().join('|')
  return (
    (j.kind === 'bolt' || j.kind === 'pin' || j.kind === 'clamp') &&
    (j.bolts?.count ?? 1) === 1 &&
    !a.mounts.some((m) => j.between.includes(m.id)) &&
    !a.joints.some((o) => o !== j && pair(o) === pair(j))
  )
}

export const turningJoints = (a: Assembly): string[] =>
  a.joints
    .filter((j) => turningJoint(j, a))
    .map(
      (j) =>
        `${markOf(a, j.between[0])} on ${markOf(a, j.between[1])}: nothing but grip keeps it from turning about its one ${j.kind}. A second one beside it, or a brace, does.`,
    )
