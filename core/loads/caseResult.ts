import type { Joint } from '../assembly/assembly'
import type { Vec3 } from '../geometry/vec3'
import type { FeetHold } from '../structure/rackFrame'
import type { LoadCase } from './loadCases'
import type { MemberState } from './memberState'

/**
 * What one mount takes, N and N·mm, told from its own seat: `down` presses onto it, `forward` and `left` push along and across it (the vehicle's own ways on a
 * seat that looks up); pitch presses its front edge; roll is what turns a flat part over its row of bolts; lean is what its head holds of the bar's bending, nothing where the bar turns on it. `push` is the same
 * force in vehicle axes, as it acts on the vehicle, and `turn` the moment with it.
 */
export type FootForce = {
  downN: number
  forwardN: number
  leftN: number
  pitchNmm: number
  rollNmm: number
  leanNmm: number
  push: Vec3
  turn: Vec3
}
/** Greatest of each along a joint's link: along it, across it both ways, twist about it, bending of it both ways. N, N·mm */
export type JointForce = {
  joint: Joint
  /** from the joint to the nearer end of each part, mm */
  fromEndMm: [number, number]
  alongN: number
  acrossYN: number
  acrossZN: number
  acrossN: number
  twistNmm: number
  bendYNmm: number
  bendZNmm: number
  bendNmm: number
}
export type CaseResult = {
  case: LoadCase
  /** whether the feet clamp the bars or the bars turn on them */
  hold: FeetHold
  /** somebody's weight on a bar in this case */
  person: (Person & { kg: number }) | null
  /** per mount in assembly order */
  feet: FootForce[]
  feetDownN: number[]
  members: MemberState[]
  /** what each joint between two members passes on */
  joints: JointForce[]
  missing: string[]
  lacks: Lack[]
}
/** What a case lacks, and the parts it is about; null = all of them. */
export type Lack = { says: string; on: string[] | null }
/** Where somebody's weight is on a member, and which share of it pulls level as well, forward and to the left positive. */
export type Person = { memberId: string; atMm: number; pulls?: { x: number; y: number } }
