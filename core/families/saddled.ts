import type { Joint, Member } from '../assembly/assembly'
import { roundWeld } from '../assembly/roundWeld'
import { profileOf } from '../catalogue/profiles'
import type { Vec3 } from '../geometry/vec3'
import { copedTo } from '../tube/endCuts'

/** A tube saddled at both ends onto others: shortened to its longest fibres there, and the weld round each. Its path runs to the others' middles. */
export function saddled(m: Omit<Member, 'ends'>, from: Member, to: Member): { member: Member; joints: Joint[] } {
  const [a, b] = [m.path[0]!, m.path[m.path.length - 1]!]
  const path: Vec3[] = [
    copedTo(m.path[1]!, a, m.profileId, from),
    ...m.path.slice(1, -1),
    copedTo(m.path[m.path.length - 2]!, b, m.profileId, to),
  ]
  const { shape } = profileOf(m.profileId)
  const weld = roundWeld(shape.kind === 'round' ? shape.outsideDiameterMm : 25)
  return {
    member: {
      ...m,
      path,
      ends: [
        { kind: 'cope', onto: from.id },
        { kind: 'cope', onto: to.id },
      ],
    },
    joints: [
      { id: `weld:${m.id}:0`, kind: 'weld', between: [m.id, from.id], at: path[0]!, weld },
      { id: `weld:${m.id}:1`, kind: 'weld', between: [m.id, to.id], at: path[path.length - 1]!, weld },
    ],
  }
}
