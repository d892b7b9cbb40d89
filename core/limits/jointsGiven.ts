import type { Assembly } from '../assembly/assembly'
import type { CaseResult, JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { type JoinedPart, partsOf } from './joinedParts'

/** What the limits of joints between members are worked out from. */
export type JointsGiven = { assembly: Assembly; cases: CaseResult[]; lacks: string[]; rules: Rules; own: (id: string) => boolean }
/** One joint in one case, with its parts as its rules see them. */
export type JointAt = { r: CaseResult; j: JointForce; parts: JoinedPart[] }

/** Every joint of those kinds in every case. */
export const jointsAmong = ({ assembly, cases, own }: JointsGiven, kinds: JointForce['joint']['kind'][]): JointAt[] =>
  cases.flatMap((r) =>
    r.joints.filter((j) => kinds.includes(j.joint.kind) && own(j.joint.id)).map((j) => ({ r, j, parts: partsOf(assembly, j.joint) })),
  )
export const jointName = ({ parts }: JointAt): string => parts.map((m) => m.mark).join(' to ')
