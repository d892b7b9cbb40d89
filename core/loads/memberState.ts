import type { Assembly, Joint, Member } from '../assembly/assembly'
import { carriedAtMm } from '../assembly/heldAt'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import type { Section } from '../catalogue/section'
import type { Rules } from '../rules/rules'
import { nearestNode, type RackFrame } from '../structure/rackFrame'
import { ROW, type Solved } from '../structure/solved'

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
  shape: MemberShape
}
/** How a member's centre line moves, in order along it: mm along it, and mm along x, y and z at each of those places. */
export type MemberShape = { atMm: readonly number[]; x: Float64Array; y: Float64Array; z: Float64Array }

/** Combined stress (von Mises, Shigley 5-5) of a section under what acts inside: direct and bending with torque and mean shear. MPa. */
export const stressOf = (i: Pick<Inner, 'axialN' | 'momentYNmm' | 'momentZNmm' | 'torqueNmm' | 'shearN'>, s: Section): number =>
  misesMPa(i.axialN, bendingMPa(i.momentYNmm, i.momentZNmm, s), i.torqueNmm, i.shearN, s)
function misesMPa(axialN: number, bendsMPa: number, torqueNmm: number, shearN: number, s: Section): number {
  const direct = Math.abs(axialN) / s.areaMm2 + bendsMPa
  const shear = Math.abs(torqueNmm) / s.torsionModulusMm3 + (2 * shearN) / s.areaMm2
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

const innerOf = (rows: Float64Array, at: number, atMm: number): Inner => ({
  atMm,
  axialN: rows[at + 1]!,
  momentYNmm: rows[at + 5]!,
  momentZNmm: rows[at + 6]!,
  torqueNmm: rows[at + 4]!,
  shearN: Math.hypot(rows[at + 2]!, rows[at + 3]!),
})
const nothingYet: Inner = { atMm: 0, axialN: 0, momentYNmm: 0, momentZNmm: 0, torqueNmm: 0, shearN: 0 }

export type Made = { section: Section; material: Material }
export const madeOf = (m: Member): Made => ({
  section: profileSection(m.profileId),
  material: materialOf(profileOf(m.profileId).materialId),
})

/** A piece with what is asked of it besides its own telling places: the edges of what a weld softened, from its first end, and the holes in it. */
type OwnPiece = { piece: RackFrame['pieces'][number]; edgesMm: number[]; holes: RackFrame['holes'] }
/** Where a member's sag is measured from: one place, or the line through two. */
type Chord = { a: AlongNode; b: AlongNode | null } | null
type AlongNode = { node: number; atMm: number }
/** What of a frame is one member's: sorted once for a frame, as every case asks for every member. */
type Own = { pieces: OwnPiece[]; along: AlongNode[]; atMm: readonly number[]; chord: Chord }
const owned = new WeakMap<RackFrame, Map<string, Own>>()
function ofMember(rack: RackFrame, m: Member, assembly: Assembly): Own {
  const all = owned.get(rack) ?? new Map<string, Own>()
  owned.set(rack, all)
  const known = all.get(m.id)
  if (known) return known
  const holes = rack.holes.filter((h) => h.memberId === m.id)
  const pieces = rack.pieces
    .filter((p) => p.memberId === m.id)
    .map((piece) => ({
      piece,
      edgesMm: piece.welds.flatMap((w) => [w.fromMm - piece.fromMm, w.toMm - piece.fromMm]),
      holes: holes.filter((h) => h.atMm > piece.fromMm - 1 && h.atMm < piece.toMm + 1),
    }))
  const along = rack.along.get(m.id) ?? []
  const own = { pieces, along, atMm: along.map((s) => s.atMm), chord: chordOf(m, assembly, along) }
  all.set(m.id, own)
  return own
}

export function memberState(m: Member, assembly: Assembly, rack: RackFrame, solved: Solved, rules: Rules): MemberState {
  const { section, material } = madeOf(m)
  const { pieces, along, atMm, chord } = ofMember(rack, m, assembly)
  const worst = worstInside(pieces, solved, section, [material.yieldMPa / rules.yieldSafety, material.weldedYieldMPa / rules.yieldSafety])
  const level = levelAt(chord, solved)
  let sagMm = 0
  let sagAtMm = 0
  for (const { node, atMm: at } of along) {
    const sag = level(at) - solved.movedMm(node, 2)
    if (Math.abs(sag) > Math.abs(sagMm)) {
      sagMm = sag
      sagAtMm = at
    }
  }
  return {
    ...worst,
    memberId: m.id,
    sagMm,
    sagAtMm,
    shape: shapeOf(atMm, along, solved),
  }
}

function shapeOf(atMm: readonly number[], along: AlongNode[], solved: Solved): MemberShape {
  const shape: MemberShape = {
    atMm,
    x: new Float64Array(along.length),
    y: new Float64Array(along.length),
    z: new Float64Array(along.length),
  }
  for (let k = 0; k < along.length; k++) {
    const { node } = along[k]!
    shape.x[k] = solved.movedMm(node, 0)
    shape.y[k] = solved.movedMm(node, 1)
    shape.z[k] = solved.movedMm(node, 2)
  }
  return shape
}

type WorstInside = Omit<MemberState, 'memberId' | 'sagMm' | 'sagAtMm' | 'shape'>
/** Through all that acts inside one member: where most is used of what is allowed there, the greatest stresses and push, and what acts at its holes. */
function worstInside(pieces: OwnPiece[], solved: Solved, section: Section, [plain, soft]: [number, number]): WorstInside {
  let [used, stressMPa, allowedMPa, weld, besideWeldMPa, plainMPa, pushN] = [0, 0, plain, false, 0, 0, 0]
  let most: Inner = nothingYet
  const worstAt = new Map<Joint, { inner: Inner; stressMPa: number }>()
  for (const { piece, edgesMm, holes } of pieces) {
    const { rows, count } = solved.insideRows(piece.element, edgesMm)
    for (let k = 0; k < count; k++) {
      const at = k * ROW
      const x = rows[at]!
      const axial = rows[at + 1]!
      const shear = Math.hypot(rows[at + 2]!, rows[at + 3]!)
      const stress = misesMPa(axial, bendingMPa(rows[at + 5]!, rows[at + 6]!, section), rows[at + 4]!, shear, section)
      const atMm = piece.fromMm + x
      const softened = piece.welds.length > 0 && piece.welds.some((w) => atMm >= w.fromMm - 1e-6 && atMm <= w.toMm + 1e-6)
      // the edge of what a weld softened is the end of both
      const edge =
        softened && x > 1e-6 && atMm < piece.toMm - 1e-6 && piece.welds.some((w) => atMm < w.fromMm + 1e-6 || atMm > w.toMm - 1e-6)
      if (-axial > pushN) pushN = -axial
      if (softened && stress > besideWeldMPa) besideWeldMPa = stress
      if ((!softened || edge) && stress > plainMPa) plainMPa = stress
      for (const h of holes)
        if (Math.abs(h.atMm - atMm) < 1 && stress >= (worstAt.get(h.joint)?.stressMPa ?? 0))
          worstAt.set(h.joint, { inner: innerOf(rows, at, atMm), stressMPa: stress })
      const may = softened ? soft : plain
      if (stress / may > used) {
        most = innerOf(rows, at, atMm)
        used = stress / may
        stressMPa = stress
        allowedMPa = may
        weld = softened
      }
    }
  }
  const atHoles = [...worstAt].map(([joint, { inner }]) => ({ ...inner, joint }))
  return { ...most, used, stressMPa, allowedMPa, weld, besideWeldMPa, plainMPa, pushN, atHoles }
}

/** The line through where what carries a member went: level with the only one where there is one, through its ends where nothing carries it. */
function chordOf(m: Member, assembly: Assembly, along: AlongNode[]): Chord {
  const carried = carriedAtMm(m, assembly)
  const [first, last] = [carried[0], carried[carried.length - 1]]
  const near = (atMm: number) => along.find((s) => s.node === nearestNode(along, atMm))
  const held = first === undefined ? undefined : near(first)
  const on = first !== undefined && last !== undefined && last - first > 1
  // held at one place only, it is measured from there
  if (held && !on) return { a: held, b: null }
  const [a, b] = on ? [near(first), near(last)] : [along[0], along[along.length - 1]]
  return a && b ? { a, b } : null
}
function levelAt(chord: Chord, solved: Solved): (atMm: number) => number {
  if (!chord) return () => 0
  const { a, b } = chord
  const za = solved.movedMm(a.node, 2)
  if (!b) return () => za
  const zb = solved.movedMm(b.node, 2)
  return (atMm) => za + ((zb - za) * (atMm - a.atMm)) / Math.max(1e-9, b.atMm - a.atMm)
}

/** How far a member sinks at a place, against the line through its feet. mm */
export function sagAt(bar: Member, assembly: Assembly, rack: RackFrame, solved: Solved, atMm: number): number {
  const own = rack.along.get(bar.id) ?? []
  const node = nearestNode(own, atMm)
  const at = own.find((s) => s.node === node)?.atMm ?? atMm
  return levelAt(ofMember(rack, bar, assembly).chord, solved)(at) - solved.movedMm(node, 2)
}
