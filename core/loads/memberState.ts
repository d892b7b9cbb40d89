import type { Assembly, Joint, Member } from '../assembly/assembly'
import { carriedAtMm } from '../assembly/heldAt'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import type { Section } from '../catalogue/section'
import type { Rules } from '../rules/rules'
import type { Inside } from '../structure/element'
import type { Solved } from '../structure/frame'
import { nearestNode, type RackFrame } from '../structure/rackFrame'

/** What bends, twists and pulls a member at one place. N, N·mm; mm from its first end. */
export type Inner = {
  atMm: number
  axialN: number
  momentYNmm: number
  momentZNmm: number
  torqueNmm: number
  shearN: number
}
/** The most used place of one member in one case. */
export type MemberState = Inner & {
  memberId: string
  /** stress over what is allowed there */
  used: number
  stressMPa: number
  allowedMPa: number
  weld: boolean
  /** greatest stress beside a weld and clear of any: what fatigue looks at. MPa */
  besideWeldMPa: number
  plainMPa: number
  /** at each place where bolts go through it */
  atHoles: (Inner & { joint: Joint })[]
  /** greatest push along it */
  pushN: number
  /** deepest place between or beyond its feet, against the line through them */
  sagMm: number
  sagAtMm: number
  /** how its centre line moves, in order along it */
  shape: { atMm: number; x: number; y: number; z: number }[]
}

/** Combined stress (von Mises, Shigley 5-5) of a section under what acts inside: direct and bending with torque and mean shear. MPa. */
export function stressOf(i: Pick<Inner, 'axialN' | 'momentYNmm' | 'momentZNmm' | 'torqueNmm' | 'shearN'>, s: Section): number {
  const direct = Math.abs(i.axialN) / s.areaMm2 + bendingMPa(i.momentYNmm, i.momentZNmm, s)
  const shear = Math.abs(i.torqueNmm) / s.torsionModulusMm3 + (2 * i.shearN) / s.areaMm2
  return Math.sqrt(direct ** 2 + 3 * shear ** 2)
}

/**
 * Bending both ways: |My|/Wy + |Mz|/Wz where both can peak at one corner; an angle about its own (principal) axes, through its product of inertia,
 * σ = [My·(Iz·z − Iyz·y) + Mz·(Iy·y − Iyz·z)] / (Iy·Iz − Iyz²) at its corners (Gere & Goodno, 8th ed., 6.5), whichever way its legs point. MPa
 */
export function bendingMPa(momentY: number, momentZ: number, s: Section): number {
  if (!s.corners.length) return Math.abs(momentY) / s.wyMm3 + Math.abs(momentZ) / s.wzMm3
  const over = s.iyMm4 * s.izMm4 - s.iyzMm4 ** 2
  const at = (mz: number) =>
    s.corners.map(({ yMm: y, zMm: z }) => Math.abs((momentY * (s.izMm4 * z - s.iyzMm4 * y) + mz * (s.iyMm4 * y - s.iyzMm4 * z)) / over))
  return Math.max(...at(momentZ), ...at(-momentZ))
}

const innerOf = (i: Inside, atMm: number): Inner => ({
  atMm,
  axialN: i.axial,
  momentYNmm: i.momentY,
  momentZNmm: i.momentZ,
  torqueNmm: i.torque,
  shearN: Math.hypot(i.shearY, i.shearZ),
})
const nothingYet: Inner = { atMm: 0, axialN: 0, momentYNmm: 0, momentZNmm: 0, torqueNmm: 0, shearN: 0 }

export type Made = { section: Section; material: Material }
export const madeOf = (m: Member): Made => ({
  section: profileSection(m.profileId),
  material: materialOf(profileOf(m.profileId).materialId),
})

/** What of a frame is one member's: sorted once for a frame, as every case asks for every member. */
type Own = { pieces: RackFrame['pieces']; holes: RackFrame['holes'] }
const owned = new WeakMap<RackFrame, Map<string, Own>>()
function ofMember(rack: RackFrame, memberId: string): Own {
  let all = owned.get(rack)
  if (!all) {
    all = new Map()
    const own = (id: string): Own => {
      const known = all?.get(id) ?? { pieces: [], holes: [] }
      all?.set(id, known)
      return known
    }
    for (const p of rack.pieces) own(p.memberId).pieces.push(p)
    for (const h of rack.holes) own(h.memberId).holes.push(h)
    owned.set(rack, all)
  }
  return all.get(memberId) ?? { pieces: [], holes: [] }
}

export function memberState(m: Member, assembly: Assembly, rack: RackFrame, solved: Solved, rules: Rules): MemberState {
  const { section, material } = madeOf(m)
  const { pieces, holes } = ofMember(rack, m.id)
  const worst = worstInside(pieces, holes, solved, section, [
    material.yieldMPa / rules.yieldSafety,
    material.weldedYieldMPa / rules.yieldSafety,
  ])
  const shape = (rack.along.get(m.id) ?? []).map(({ node, atMm }) => ({
    atMm,
    x: solved.movedMm(node, 0),
    y: solved.movedMm(node, 1),
    z: solved.movedMm(node, 2),
  }))
  const chord = chordOf(m, assembly, rack, solved)
  let [sagMm, sagAtMm] = [0, 0]
  for (const s of shape) {
    const sag = chord(s.atMm) - s.z
    if (Math.abs(sag) > Math.abs(sagMm)) [sagMm, sagAtMm] = [sag, s.atMm]
  }
  return { ...worst, memberId: m.id, sagMm, sagAtMm, shape }
}

type WorstInside = Omit<MemberState, 'memberId' | 'sagMm' | 'sagAtMm' | 'shape'>
/** Through all that acts inside one member: where most is used of what is allowed there, the greatest stresses and push, and what acts at its holes. */
function worstInside(
  pieces: Own['pieces'],
  holes: Own['holes'],
  solved: Solved,
  section: Section,
  [plain, soft]: [number, number],
): WorstInside {
  let [used, stressMPa, allowedMPa, weld, besideWeldMPa, plainMPa, pushN] = [0, 0, plain, false, 0, 0, 0]
  let most: Inner = nothingYet
  const worstAt = new Map<Joint, { inner: Inner; stressMPa: number }>()
  for (const piece of pieces) {
    const edges = piece.welds.flatMap((w) => [w.fromMm - piece.fromMm, w.toMm - piece.fromMm])
    for (const i of solved.inside(piece.element, edges)) {
      const atMm = piece.fromMm + i.x
      const inner = innerOf(i, atMm)
      const stress = stressOf(inner, section)
      const softened = piece.welds.some((w) => atMm >= w.fromMm - 1e-6 && atMm <= w.toMm + 1e-6)
      // the edge of what a weld softened is the end of both
      const edge =
        softened && i.x > 1e-6 && atMm < piece.toMm - 1e-6 && piece.welds.some((w) => atMm < w.fromMm + 1e-6 || atMm > w.toMm - 1e-6)
      if (-i.axial > pushN) pushN = -i.axial
      if (softened && stress > besideWeldMPa) besideWeldMPa = stress
      if ((!softened || edge) && stress > plainMPa) plainMPa = stress
      for (const h of holes)
        if (Math.abs(h.atMm - atMm) < 1 && stress >= (worstAt.get(h.joint)?.stressMPa ?? 0))
          worstAt.set(h.joint, { inner, stressMPa: stress })
      const may = softened ? soft : plain
      if (stress / may > used) [most, used, stressMPa, allowedMPa, weld] = [inner, stress / may, stress, may, softened]
    }
  }
  const atHoles = [...worstAt].map(([joint, { inner }]) => ({ ...inner, joint }))
  return { ...most, used, stressMPa, allowedMPa, weld, besideWeldMPa, plainMPa, pushN, atHoles }
}

/** The line through where what carries a member went: level with the only one where there is one, through its ends where nothing carries it. */
function chordOf(m: Member, assembly: Assembly, rack: RackFrame, solved: Solved): (atMm: number) => number {
  const own = rack.along.get(m.id) ?? []
  const carried = carriedAtMm(m, assembly)
  const [first, last] = [carried[0], carried[carried.length - 1]]
  const near = (atMm: number) => own.find((s) => s.node === nearestNode(own, atMm))
  const held = first === undefined ? undefined : near(first)
  const on = first !== undefined && last !== undefined && last - first > 1
  // held at one place only, it is measured from there
  if (held && !on) return () => solved.movedMm(held.node, 2)
  const [a, b] = on ? [near(first), near(last)] : [own[0], own[own.length - 1]]
  if (!a || !b) return () => 0
  const [za, zb] = [solved.movedMm(a.node, 2), solved.movedMm(b.node, 2)]
  return (atMm) => za + ((zb - za) * (atMm - a.atMm)) / Math.max(1e-9, b.atMm - a.atMm)
}

/** How far a member sinks at a place, against the line through its feet. mm */
export function sagAt(bar: Member, assembly: Assembly, rack: RackFrame, solved: Solved, atMm: number): number {
  const own = rack.along.get(bar.id) ?? []
  const node = nearestNode(own, atMm)
  const at = own.find((s) => s.node === node)?.atMm ?? atMm
  return chordOf(bar, assembly, rack, solved)(at) - solved.movedMm(node, 2)
}
