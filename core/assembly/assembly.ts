import type { BoltSize } from '../catalogue/bolts'
import type { HardwarePart } from '../catalogue/hardware'
import type { MountKind } from '../catalogue/mounts'
import { massPerMetre, profileSection } from '../catalogue/profiles'
import { developedLengthMm } from '../geometry/centreLine'
import type { Vec3 } from '../geometry/vec3'

export type EndTreatment = { kind: 'square' | 'cap' } | { kind: 'mitre'; angleDeg: number }

/** A length of profile along a path. Path points lie on its centre line, in vehicle axes, mm. */
export type Member = {
  id: string
  mark: string
  name: string
  /** a bar carries cargo and stands on feet; a rail only ties bars together */
  role: 'bar' | 'rail'
  profileId: string
  path: Vec3[]
  /** centre-line radius at each inner point of the path; none = straight corners */
  bendRadiiMm?: number[]
  ends: [EndTreatment, EndTreatment]
}
/** A flat part, as cut. `place` and `size` say where its box stands when fitted. */
export type Plate = {
  id: string
  mark: string
  name: string
  /** a bracket holds a foot to a bar and is repeated; a fairing faces the wind at `place`; a gusset lies in a joint at `place` */
  role: 'bracket' | 'fairing' | 'gusset'
  /** folds across its length, from its first edge; the side is the way the far part goes */
  bends?: { atMm: number; angleDeg: number; side: 'up' | 'down'; insideRadiusMm: number }[]
  /** bolts at each end of a bracket */
  boltsPerEnd?: number
  materialId: string
  thicknessMm: number
  flatLengthMm: number
  flatWidthMm: number
  massKg: number
  place: Vec3
  size: Vec3
  quantity: number
}
/** What is bought and counted for the assembly; spares are added where it is ordered. */
export type Hardware = { part: HardwarePart; quantity: number; for: string }
/** weld holds everything; a bolt lets the parts turn about it and lean; a clamp holds; a slip lets one slide along the other */
export type Joint = {
  id: string
  kind: 'bolt' | 'weld' | 'clamp' | 'slip'
  between: string[]
  /** what goes through it, and whether a sleeve keeps each tube from caving in under it; a bolted joint only */
  bolts?: { size: BoltSize; count: number; sleeved?: boolean }
  /** side of a gusset plate bolted to both parts, which keeps them from turning about the bolt */
  gussetMm?: number
}
/** Where the rack meets the vehicle. */
export type Mount = {
  id: string
  mark: string
  kind: MountKind
  /** the vehicle's mount line it stands on */
  lineId: string
  memberId: string
  side: 'left' | 'right'
  place: Vec3
  massKg: number
  /** side of the plate behind the sheet; null where none is drilled for */
  backingMm: number | null
}

export type Assembly = {
  members: Member[]
  plates: Plate[]
  joints: Joint[]
  hardware: Hardware[]
  mounts: Mount[]
  /** height on which cargo rests, mm above ground */
  deckZMm: number | null
}

export const emptyAssembly: Assembly = { members: [], plates: [], joints: [], hardware: [], mounts: [], deckZMm: null }

/** The members that cargo rests on, in mark order. */
export const loadBars = (a: Assembly): Member[] => a.members.filter((m) => m.role === 'bar')

/** What is cut, weighed, coated and paid for: straight legs and arcs. mm */
export const memberLengthMm = (m: Member): number => developedLengthMm(m.path, m.bendRadiiMm)

/** kg = length × area × density. */
export const memberMassKg = (m: Member): number => (memberLengthMm(m) / 1000) * massPerMetre(m.profileId)

/** Where a member's centre line starts and stops: a member has two points at least. */
export const memberEnds = (m: Pick<Member, 'path'>): [Vec3, Vec3] => [m.path[0]!, m.path[m.path.length - 1]!]

export const memberMiddle = (m: Member): Vec3 => {
  const [a, b] = memberEnds(m)
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 }
}

/** Highest point of a member: its path and half its height, as it lies. mm above ground */
export const topOf = (m: Member): number => Math.max(...m.path.map((p) => p.z)) + profileSection(m.profileId).heightMm / 2

/** Own mass of the rack: members, plates and feet. Bolts ride in the foot's mass. kg. */
export const assemblyMassKg = (a: Assembly): number =>
  a.members.reduce((s, m) => s + memberMassKg(m), 0) +
  a.plates.reduce((s, p) => s + p.massKg * p.quantity, 0) +
  a.mounts.reduce((s, m) => s + m.massKg, 0)

/** Surface to coat: members all round, plates both faces. m². */
export const coatedAreaM2 = (a: Assembly): number =>
  a.members.reduce((s, m) => s + memberLengthMm(m) * profileSection(m.profileId).perimeterMm, 0) / 1e6 +
  a.plates.reduce((s, p) => s + 2 * p.flatLengthMm * p.flatWidthMm * p.quantity, 0) / 1e6
