import type { Assembly, Joint } from '../assembly/assembly'
import type { CaseResult, JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { type JoinedPart, partsOf } from './joinedParts'

/** What the limits of joints between members are worked out from. */
export type JointsGiven = { assembly: Assembly; cases: CaseResult[]; lacks: string[]; rules: Rules; own: (id: string) => boolean }
/** One joint in one case, with its parts as its rules see them. */
export type JointAt = { r: CaseResult; j: JointForce; parts: JoinedPart[] }

/** Every joint of those kinds in every case. */
export function jointsAmong({ assembly, cases, own }: JointsGiven, kinds: JointForce['joint']['kind'][]): JointAt[] {
  // what a joint is does not change from case to case
  const known = new Map<Joint, JoinedPart[] | null>()
  const partsIfAsked = (joint: Joint): JoinedPart[] | null => {
    const found = known.get(joint)
    if (found !== undefined) return found
    const parts = kinds.includes(joint.kind) && own(joint.id) ? partsOf(assembly, joint) : null
    known.set(joint, parts)
    return parts
  }
  const all: JointAt[] = []
  for (const r of cases)
    for (const j of r.joints) {
      const parts = partsIfAsked(j.joint)
      if (parts) all.push({ r, j, parts })
    }
  return all
}
export const jointName = ({ parts }: JointAt): string => parts.map((m) => m.mark).join(' to ')
