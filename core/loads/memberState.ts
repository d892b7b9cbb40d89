import type { Assembly, Joint, Member } from '../assembly/assembly'
import { carriedAtMm } from '../assembly/heldAt'
import { sectionAt } from '../assembly/notch'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import type { Section } from '../catalogue/section'
import type { Rules } from '../rules/rules'
import { nearestNode, type RackFrame } from '../structure/rackFrame'
import { ROW, type Rows, type Solved } from '../structure/solved'
import type { MemberShape } from './memberShape'

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

/** Combined stress (von Mises, Shigley 5-5) of a section under what acts inside: direct and bending with torque and mean shear. MPa. */
export const stressOf = (i: Pick<Inner, 'axialN' | 'momentYNmm' | 'momentZNmm' | 'torqueNmm' | 'shearN'>, s: Section): number =>
  misesMPa(i.axialN, bendingMPa(i.momentYNmm, i.momentZNmm, s), i.torqueNmm, i.shearN, s)
function misesMPa(axialN: number, bendsMPa: number, torqueNmm: number, shearN: number, s: Section): number {
  const direct = Math.abs(axialN) / s.areaMm2 + bendsMPa
  const shear = Math.abs(torqueNmm) / s.torsionModulusMm3 + (2 * shearN) / s.areaMm2
  return Math.sqrt(direct * direct + 3 * shear * shear)
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

export type Made = { section: Section; material: Material }
export const madeOf = (m: Member): Made => ({
  section: profileSection(m.profileId),
  material: materialOf(profileOf(m.profileId).materialId),
})

/** A piece with what is asked of it besides its own telling places: the edges of what a weld softened, from its first end, and the holes in it. */
type OwnPiece = { piece: RackFrame['pieces'][number]; section: Section; lengthMm: number; edgesMm: number[]; holes: RackFrame['holes'] }
/** Where a member's sag is measured from: one place, or the line through two. */
type Chord = { a: AlongNode; b: AlongNode | null } | null
type AlongNode = { node: number; atMm: number }
/** What of a frame is one member's: sorted once for the parts laid out, as every case asks for every member on feet that hold either way. */
type Own = { pieces: OwnPiece[]; along: AlongNode[]; shape: Omit<MemberShape, 'moved'>; chord: Chord }
const owned = new WeakMap<RackFrame['pieces'], Map<string, Own>>()
function ofMember(rack: RackFrame, m: Member, assembly: Assembly): Own {
  const all = owned.get(rack.pieces) ?? new Map<string, Own>()
  owned.set(rack.pieces, all)
  const known = all.get(m.id)
  if (known) return known
  const holes = rack.holes.filter((h) => h.memberId === m.id)
  const pieces = rack.pieces
    .filter((p) => p.memberId === m.id)
    .map((piece) => ({
      piece,
      section: sectionAt(m, (piece.fromMm + piece.toMm) / 2),
      lengthMm: piece.toMm - piece.fromMm,
      edgesMm: piece.welds.flatMap((w) => [w.fromMm - piece.fromMm, w.toMm - piece.fromMm]),
      holes: holes.filter((h) => h.atMm > piece.fromMm - 1 && h.atMm < piece.toMm + 1),
    }))
  const along = rack.along.get(m.id) ?? []
  const shape = { atMm: along.map((s) => s.atMm), from: along.map((s) => 6 * s.node) }
  const own = { pieces, along, shape, chord: chordOf(m, assembly, along) }
  all.set(m.id, own)
  return own
}

export function memberState(m: Member, assembly: Assembly, rack: RackFrame, solved: Solved, rules: Rules): MemberState {
  const { material } = madeOf(m)
  const { pieces, along, shape, chord } = ofMember(rack, m, assembly)
  const atHoles = lookInside(pieces, solved, [material.yieldMPa / rules.yieldSafety, material.weldedYieldMPa / rules.yieldSafety])
  const { sagMm, sagAtMm } = sagOf(pieces, along, chord, solved)
  return {
    memberId: m.id,
    atMm: kept[AT]!,
    axialN: kept[ACTS + 1]!,
    momentYNmm: kept[ACTS + 5]!,
    momentZNmm: kept[ACTS + 6]!,
    torqueNmm: kept[ACTS + 4]!,
    shearN: Math.hypot(kept[ACTS + 2]!, kept[ACTS + 3]!),
    used: kept[USED]!,
    stressMPa: kept[STRESS]!,
    allowedMPa: kept[ALLOWED]!,
    weld: kept[WELD] === 1,
    besideWeldMPa: kept[BESIDE]!,
    plainMPa: kept[PLAINLY]!,
    pushN: kept[PUSH]!,
    atHoles,
    sagMm,
    sagAtMm,
    shape: { atMm: shape.atMm, from: shape.from, moved: solved.state.moved() },
  }
}

/** The deepest place of a member against the line through what carries it: of its nodes and the middles between, the parabola through the deepest and its neighbours. mm */
function sagOf(pieces: OwnPiece[], along: AlongNode[], chord: Chord, solved: Solved): { sagMm: number; sagAtMm: number } {
  const level = levelAt(chord, solved)
  const count = along.length + pieces.length
  if (places.at.length < count) places.at = new Float64Array(2 * count)
  if (places.sag.length < count) places.sag = new Float64Array(2 * count)
  const { at, sag } = places
  let deepest = 0
  for (let k = 0; k < count; k++) {
    const i = k >> 1
    const own = pieces[i]?.piece
    at[k] = k % 2 ? (own!.fromMm + own!.toMm) / 2 : along[i]!.atMm
    sag[k] = level(at[k]!) - (k % 2 ? solved.middleMm(own!.element, 2) : solved.movedMm(along[i]!.node, 2))
    if (Math.abs(sag[k]!) > Math.abs(sag[deepest]!)) deepest = k
  }
  if (!count) return { sagMm: 0, sagAtMm: 0 }
  return deepest > 0 && deepest < count - 1 ? vertex(at, sag, deepest) : { sagMm: sag[deepest]!, sagAtMm: at[deepest]! }
}
const places = { at: new Float64Array(128), sag: new Float64Array(128) }
/** The top of the parabola through three places of which the middle one is the highest; that one where it has no top nearby. */
function vertex(at: Float64Array, sag: Float64Array, k: number): { sagMm: number; sagAtMm: number } {
  const [a, b] = [at[k - 1]! - at[k]!, at[k + 1]! - at[k]!]
  const [p, q] = [(sag[k - 1]! - sag[k]!) / a, (sag[k + 1]! - sag[k]!) / b]
  const curve = (q - p) / (b - a)
  const slope = p - curve * a
  const by = -slope / (2 * curve)
  const inside = by > a && by < b
  return inside ? { sagMm: sag[k]! - (slope * slope) / (4 * curve), sagAtMm: at[k]! + by } : { sagMm: sag[k]!, sagAtMm: at[k]! }
}

/**
 * Through all that acts inside one member, into `kept`: where most is used of what is allowed there, the greatest stresses and push. Gives what acts at its
 * holes. Numbers in rows rather than objects: this looks at a hundred thousand places in a job of three pieces.
 */
function lookInside(pieces: OwnPiece[], solved: Solved, may: readonly [plain: number, soft: number]): MemberState['atHoles'] {
  kept.fill(0)
  kept[ALLOWED] = may[0]
  const worstAt: WorstAt = new Map()
  const least = Math.min(may[0], may[1])
  for (const own of pieces) {
    const { piece, section, edgesMm, holes } = own
    take(own, solved.insideRows(piece.element, NOWHERE), may, worstAt)
    const stands = Math.min(kept[PLAINLY]!, kept[USED]! * least)
    // where not even all of the greatest at once would be more than what stands, nothing between needs a look
    if (holes.length || atMost[0]! > (edgesMm.length ? Math.min(stands, kept[BESIDE]!) : stands))
      take(own, solved.insideRows(piece.element, edgesMm, section), may, worstAt)
  }
  return worstAt.size ? [...worstAt].map(([joint, { inner }]) => ({ ...inner, joint })) : []
}
type WorstAt = Map<Joint, { inner: Inner; stressMPa: number }>
/** Of one member so far: the most used place with what is used, acts and is allowed there; the greatest stress beside a weld and clear of any; the greatest push. */
const [USED, STRESS, ALLOWED, WELD, BESIDE, PLAINLY, PUSH, AT, ACTS] = [0, 1, 2, 3, 4, 5, 6, 7, 8]
const kept = new Float64Array(ACTS + ROW)

function take(own: OwnPiece, all: Rows, may: readonly [number, number], worstAt: WorstAt): void {
  const { piece, section, edgesMm, holes } = own
  const { rows, count } = all
  const stresses = stressesIn(all, section)
  for (let k = 0; k < count; k++) {
    const at = k * ROW
    const push = -rows[at + 1]!
    const stress = stresses[k]!
    const by = edgesMm.length ? besideWeld(own, rows, at) : PLAIN
    if (push > kept[PUSH]!) kept[PUSH] = push
    if (by !== PLAIN && stress > kept[BESIDE]!) kept[BESIDE] = stress
    if (by !== SOFT && stress > kept[PLAINLY]!) kept[PLAINLY] = stress
    for (let h = 0; h < holes.length; h++) {
      const { joint, atMm } = holes[h]!
      const here = piece.fromMm + rows[at]!
      if (Math.abs(atMm - here) < 1 && stress >= (worstAt.get(joint)?.stressMPa ?? 0))
        worstAt.set(joint, { inner: innerOf(rows, at, here), stressMPa: stress })
    }
    const allowed = by === PLAIN ? may[0] : may[1]
    if (stress > kept[USED]! * allowed) {
      kept[USED] = stress / allowed
      kept[STRESS] = stress
      kept[ALLOWED] = allowed
      kept[WELD] = by === PLAIN ? 0 : 1
      kept[AT] = piece.fromMm + rows[at]!
      for (let i = 0; i < ROW; i++) kept[ACTS + i] = rows[at + i]!
    }
  }
}

const NOWHERE: number[] = []
const shared = { stresses: new Float64Array(64) }
/** The stress at each row, MPa, and in `atMost` what it would be if the greatest of all that acts met in one place: each is greatest at an end, at a load, or where a shear passes through nothing. */
function stressesIn({ rows, count }: Rows, section: Section): Float64Array {
  if (shared.stresses.length < count) shared.stresses = new Float64Array(2 * count)
  const { stresses } = shared
  let [n, v, t, my, mz] = [0, 0, 0, 0, 0]
  for (let k = 0; k < count; k++) {
    const at = k * ROW
    const bends = section.corners.length
      ? bendingMPa(rows[at + 5]!, rows[at + 6]!, section)
      : Math.abs(rows[at + 5]!) / section.wyMm3 + Math.abs(rows[at + 6]!) / section.wzMm3
    const shear = Math.sqrt(rows[at + 2]! ** 2 + rows[at + 3]! ** 2)
    const pull = Math.abs(rows[at + 1]!)
    const twist = Math.abs(rows[at + 4]!)
    const direct = pull / section.areaMm2 + bends
    const across = twist / section.torsionModulusMm3 + (2 * shear) / section.areaMm2
    stresses[k] = Math.sqrt(direct * direct + 3 * across * across)
    n = Math.max(n, pull)
    v = Math.max(v, shear)
    t = Math.max(t, twist)
    my = Math.max(my, Math.abs(rows[at + 5]!))
    mz = Math.max(mz, Math.abs(rows[at + 6]!))
  }
  // bending both ways each at its greatest: between two rows both together may be more than at either
  const direct = n / section.areaMm2 + bendingMPa(my, mz, section)
  const across = t / section.torsionModulusMm3 + (2 * v) / section.areaMm2
  atMost[0] = Math.sqrt(direct * direct + 3 * across * across)
  return stresses
}
const atMost = new Float64Array(1)

const PLAIN = 0
const SOFT = 1
/** The edge of what a weld softened: the end of both. */
const EDGE = 2
/** Whether the place of a row lies in one of the stretches that welds softened, two edges each; at such an edge within the piece it is both. */
function besideWeld({ edgesMm, lengthMm }: OwnPiece, rows: Float64Array, at: number): typeof PLAIN | typeof SOFT | typeof EDGE {
  const x = rows[at]!
  let [inside, edge] = [false, false]
  for (let i = 0; i < edgesMm.length; i += 2) {
    const from = edgesMm[i]!
    const to = edgesMm[i + 1]!
    if (x >= from - NEAR_MM && x <= to + NEAR_MM) inside = true
    if (x < from + NEAR_MM || x > to - NEAR_MM) edge = true
  }
  if (!inside) return PLAIN
  return edge && x > NEAR_MM && x < lengthMm - NEAR_MM ? EDGE : SOFT
}
const NEAR_MM = 1e-6

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
