import type { Assembly, Joint, JointKind, Mount } from '../assembly/assembly'
import { bracketOf } from '../assembly/fittedBracket'
import { notchEdges, sectionAt } from '../assembly/notch'
import { plateCentre, plateNormal } from '../assembly/places'
import { ridesOf } from '../assembly/rides'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { profileOf, profileSection } from '../catalogue/profiles'
import type { Section } from '../catalogue/section'
import { bracketBending } from '../fasten/bracket'
import { FOOT_WIDTH_MM } from '../fasten/footPull'
import { centreLine, headingAlong, nearestAlong, pointAlong } from '../geometry/centreLine'
import { localAxes, type Triple, VERTICAL } from '../geometry/localAxes'
import { apart, cross, dot, minus, along as moved, size, unit, type Vec3 } from '../geometry/vec3'
import type { Rules } from '../rules/rules'
import type { FrameMaterial, FrameSection } from './element'
import { buildFrame, type Frame } from './frame'
import type { FrameMember, FrameNode, Six } from './frameMember'

/** A straight piece of a member between two places where something meets it. mm along the member's centre line; `welds`: stretches of it beside a weld. */
export type Piece = {
  memberId: string
  element: number
  fromMm: number
  toMm: number
  welds: { fromMm: number; toMm: number }[]
  from: Vec3
  to: Vec3
}
/** A joint's link in the frame; where the parts' lines meet it has no length but what its rigid arms take back. */
export type Link = { joint: Joint; element: number; fromEndMm: [number, number]; atMm: [number, number] }
/** All of the parts as nodes and members, before they stand on anything. */
export type RackParts = {
  pieces: Piece[]
  links: Link[]
  /** where bolts go through a member */
  holes: { memberId: string; joint: Joint; atMm: number }[]
  /** nodes of a member in order along it */
  along: Map<string, { node: number; atMm: number }[]>
  /** the node of a stiff flat part or a fitting, at its centre of mass */
  blocks: Map<string, { node: number; at: Vec3 }>
}
export type RackFrame = RackParts & {
  frame: Frame
  /** by mount, in assembly order: the node on the vehicle and the node on the part above it */
  seats: number[]
  heads: number[]
  /** by mount: the piece between the two; null where the part lies on its seat */
  posts: (number | null)[]
  /** by mount: about which of the post's own axes the member over it would turn; null where it stands in its mount */
  leansAbout: ('y' | 'z' | null)[]
  /** by mount: whether a flat part is bolted down on it */
  flatOn: boolean[]
}

/** A foot clamps its bar no more than its clamp and its seat can: what is worked out with both, the worse of either counts. */
export type FeetHold = 'free' | 'clamped'

const SAME_MM = 0.5
/** Length between the rigid arms of a link whose members' lines meet. */
const NO_LENGTH_MM = 10
/** A beam bends as a cubic between its nodes, so few of them tell all; what it does in between is asked where it is needed. */
const PIECE_MM = 600
/** A part whose end is so near a joint ends there. */
const ENDS_MM = 60
/** A foot or a clamp as the frame sees it: a solid block of 40 × 40, far stiffer than what it stands on. */
const block: FrameSection = { A: 1600, Iy: 213_000, Iz: 213_000, J: 360_000 }
const blockMaterial: FrameMaterial = { E: 70_000, G: 26_000 }
const none: Six<boolean> = [false, false, false, false, false, false]

/** What a joint does not pass on at the second part's end, in the link's own axes: along it, across it twice, about it, about the two across. */
const lets: Record<JointKind, Six<boolean>> = {
  weld: none,
  clamp: none,
  rivet: none,
  bolt: [false, false, false, true, true, false],
  // both turn about their own line, which is the link's
  pin: [false, false, false, true, false, false],
  hinge: [false, false, false, true, false, false],
  slide: [false, false, true, false, false, false],
  latch: [false, false, false, true, true, true],
}

/** Bolts in a pattern keep the parts from turning; a single one, or a pair in line, does not. */
const letsOf = ({ kind, bolts, gusset }: Joint): Six<boolean> => (bolts?.apartMm ? none : gusset ? gusseted(lets[kind]) : lets[kind])
/** The shop's rule for a gusset plate: in its own plane it holds, across it it bends like the bolt alone. */
const gusseted = ([along, y, z, , aboutY, aboutZ]: Six<boolean>): Six<boolean> => [along, y, z, false, aboutY, aboutZ]

/** A hinge lets go about the one of its link's own axes that lies nearest to the line it turns on; a slide along it, and one of bolts in slots turns as these do. */
function about({ kind, bolts }: Joint, axis: Vec3, a: Vec3, b: Vec3, offsets: FrameMember['offsets']): Six<boolean> {
  const end = (p: Vec3, [x, y, z]: Triple): Triple => [p.x + x, p.y + y, p.z + z]
  const axes = localAxes(end(a, offsets?.from ?? zero), end(b, offsets?.to ?? zero), 0)
  const along = axes.map(([x, y, z]) => Math.abs(x * axis.x + y * axis.y + z * axis.z))
  const most = along.indexOf(Math.max(...along))
  const one: [boolean, boolean, boolean] = [most === 0, most === 1, most === 2]
  const [, , , x, y, z] = bolts ? lets.bolt : none
  return kind === 'slide' ? [...one, x, y, z] : [false, false, false, ...one]
}

type Line = { id: string; points: Vec3[]; starts: number[]; length: number; stations: Set<number> }
/** A stiff part that is no line: a flat part that carries, or something fitted whole. */
type Block = { id: string; at: Vec3; node: number; normal: Vec3 | null }
/** One side of a link: a place on a line, or on a block. */
type Side = { line: Line; atMm: number } | { block: Block; at: Vec3 }

/** The parts laid out, to be stood on feet that hold one way or the other. */
type Layout = {
  assembly: Assembly
  rules: Rules
  nodes: FrameNode[]
  members: FrameMember[]
  parts: RackParts
  feet: { mount: Mount; side: Side | null }[]
}

export const rackFrame = (assembly: Assembly, rules: Rules, wanted: Map<string, number[]>, hold: FeetHold): RackFrame =>
  standing(rackLayout(assembly, rules, wanted), hold)

/**
 * All pieces as parts of one frame: members cut where something meets them, stiff plates and fittings as blocks. `wanted` = further places along a member that
 * need a node.
 */
export function rackLayout(assembly: Assembly, rules: Rules, wanted: Map<string, number[]>): Layout {
  const nodes: FrameNode[] = []
  const members: FrameMember[] = []
  const node = (p: Vec3): number => addNode(nodes, p)
  const member = addingTo(members)

  const lines = new Map(
    assembly.members.map((m) => [m.id, lineOf(m.id, centreLine(m.path, m.bendRadiiMm), [...(wanted.get(m.id) ?? []), ...notchEdges(m)])]),
  )
  const blocks = new Map(blocksOf(assembly).map((b): [string, Block] => [b.id, { ...b, node: node(b.at) }]))
  const welds: { id: string; atMm: number }[] = []
  const sideOf = (id: string, at: Vec3): Side | null => {
    const line = lines.get(id)
    if (line) {
      const { atMm } = nearestAlong(line.points, at)
      line.stations.add(atMm)
      return { line, atMm }
    }
    const block = blocks.get(id)
    return block ? { block, at } : null
  }
  const links = assembly.joints.flatMap((joint) => {
    const [a, b] = [sideOf(joint.between[0], joint.at), sideOf(joint.between[1], joint.at)]
    if (!a || !b) return []
    if (joint.kind === 'weld') for (const s of [a, b]) if ('line' in s) welds.push({ id: s.line.id, atMm: s.atMm })
    return [{ joint, a, b }]
  })
  // what is only hung on a member drills it all the same
  const holes = assembly.joints.flatMap((joint) =>
    joint.between.flatMap((id) => {
      const side = joint.bolts ? sideOf(id, joint.at) : null
      return side && 'line' in side ? [{ memberId: id, joint, atMm: side.atMm }] : []
    }),
  )
  const feet = assembly.mounts.map((mount) => ({ mount, side: sideOf(mount.on, mount.place) }))

  const weldsOn = new Map<string, number[]>()
  for (const w of welds) weldsOn.set(w.id, [...(weldsOn.get(w.id) ?? []), w.atMm])
  const pieces: Piece[] = []
  const along = new Map<string, { node: number; atMm: number }[]>()
  for (const m of assembly.members) {
    const line = lines.get(m.id)
    if (!line) continue
    const material = materialOf(profileOf(m.profileId).materialId)
    const whole = frameSection(profileSection(m.profileId))
    const own = stationsOf(line).map((atMm) => ({ atMm, node: node(pointAt(line, atMm)) }))
    along.set(m.id, own)
    own.slice(1).forEach((to, i) => {
      const from = own[i]!
      const beside = softened(weldsOn.get(m.id) ?? [], from.atMm, to.atMm, rules.weldZoneMm)
      const section = m.notches ? frameSection(sectionAt(m, (from.atMm + to.atMm) / 2)) : whole
      const element = member(from.node, to.node, section, { E: material.elasticMPa, G: material.shearMPa }, {}, m.rollDeg ?? 0)
      pieces.push({
        memberId: m.id,
        element,
        fromMm: from.atMm,
        toMm: to.atMm,
        welds: beside,
        from: nodes[from.node]!,
        to: nodes[to.node]!,
      })
    })
  }
  const nodeOf = nodeOfSide(along)
  const made = links.map(({ joint, a, b }): Link => {
    const [from, to] = [nodeOf(a), nodeOf(b)]
    const arms = armsOf(nodes, [a, from], [b, to])
    const releases = { from: none, to: joint.axis ? about(joint, joint.axis, nodes[from]!, nodes[to]!, arms.offsets) : letsOf(joint) }
    const element = member(from, to, block, blockMaterial, { releases, ...arms })
    return { joint, element, fromEndMm: [endOf(a), endOf(b)], atMm: [stationOf(a), stationOf(b)] }
  })
  return { assembly, rules, nodes, members, parts: { pieces, links: made, holes, along, blocks }, feet }
}

const frameSection = (s: Section): FrameSection => ({ A: s.areaMm2, Iy: s.iyMm4, Iz: s.izMm4, J: s.torsionMm4 })
const nodeOfSide =
  (along: RackParts['along']) =>
  (s: Side): number =>
    'line' in s ? nearestNode(along.get(s.line.id) ?? [], s.atMm) : s.block.node
const addNode = (nodes: FrameNode[], p: Vec3, springs?: Six<number>): number =>
  nodes.push({ id: String(nodes.length), x: p.x, y: p.y, z: p.z, fixed: none, ...(springs ? { springs } : {}) }) - 1
type More = Pick<FrameMember, 'releases' | 'offsets'>
const addingTo =
  (members: FrameMember[]) =>
  (from: number, to: number, section: FrameSection, material: FrameMaterial, more: More = {}, roll = 0): number =>
    members.push({ id: String(members.length), from: String(from), to: String(to), section, material, roll, ...more }) - 1

/**
 * The parts on their feet, feet on springs. Feet clamped: head and member turn together, so bar and feet act as a portal. Feet free: a member that lies across
 * its feet turns on them; one that stands in its mount does not. `like` = the same layout on feet that hold the other way.
 */
export function standing(layout: Layout, hold: FeetHold, like?: RackFrame): RackFrame {
  const { assembly, rules, parts, feet } = layout
  const nodes = [...layout.nodes]
  const members = [...layout.members]
  const node = (p: Vec3, springs?: Six<number>): number => addNode(nodes, p, springs)
  const member = addingTo(members)
  const nodeOf = nodeOfSide(parts.along)
  const seats: number[] = []
  const heads: number[] = []
  const posts: (number | null)[] = []
  const leansAbout: RackFrame['leansAbout'] = []
  const flatOn: boolean[] = []
  for (const { mount, side } of feet) {
    const flat = side !== null && 'block' in side && side.block.normal !== null
    flatOn.push(flat)
    const springs = seatSprings(mount, assembly, rules, hold, flat)
    const head = side ? nodeOf(side) : node(mount.place)
    const onSeat = (!side || 'line' in side) && apart(nodes[head]!, mount.place) < SAME_MM
    const seat = onSeat ? head : node(mount.place, springs)
    if (onSeat) nodes[head] = { ...nodes[head]!, springs }
    const turns = !onSeat && side && 'line' in side ? turnsOn(side.line, side.atMm, mount, nodes[head]!) : null
    leansAbout.push(turns)
    const lets = turns === 'y' ? [false, false, false, false, true, false] : [false, false, false, false, false, true]
    const more = {
      ...(turns && hold === 'free' ? { releases: { from: none, to: lets as Six<boolean> } } : {}),
      // on a block the post is as long as a link of no length, and a rigid arm takes it to the middle
      ...(side && 'block' in side
        ? { offsets: { from: zero, to: arm(minus(moved(mount.place, mount.normal, NO_LENGTH_MM), side.block.at)) } }
        : {}),
    }
    posts.push(onSeat ? null : member(seat, head, block, blockMaterial, more))
    seats.push(seat)
    heads.push(head)
  }
  return { ...parts, frame: buildFrame(nodes, members, like?.frame), seats, heads, posts, leansAbout, flatOn }
}

/** Flat parts that carry from part to part, and what is fitted whole; sheet hung on one part is only weight and wind on it. */
function blocksOf(assembly: Assembly): Omit<Block, 'node'>[] {
  const { stiff } = ridesOf(assembly)
  return [
    ...assembly.plates.filter((p) => stiff.has(p.id)).map((p) => ({ id: p.id, at: plateCentre(p), normal: plateNormal(p) })),
    ...assembly.fittings.map((f) => ({ id: f.id, at: f.at, normal: null })),
  ]
}

/** The stretches between two places that lie within a weld's reach, those that meet as one. mm */
function softened(weldsAtMm: number[], fromMm: number, toMm: number, zoneMm: number): Piece['welds'] {
  const out: Piece['welds'] = []
  for (const atMm of [...weldsAtMm].sort((a, b) => a - b)) {
    const zone = { fromMm: Math.max(fromMm, atMm - zoneMm), toMm: Math.min(toMm, atMm + zoneMm) }
    const last = out[out.length - 1]
    if (zone.toMm <= zone.fromMm) continue
    if (last && zone.fromMm <= last.toMm) last.toMm = Math.max(last.toMm, zone.toMm)
    else out.push(zone)
  }
  return out
}

const zero: Triple = [0, 0, 0]
const arm = (v: Vec3): Triple => [v.x, v.y, v.z]
const stationOf = (s: Side): number => ('line' in s ? s.atMm : 0)
const endOf = (s: Side): number => ('line' in s ? fromEnd(s.line, s.atMm) : 0)
const placeOf = (s: Side, node: Vec3): Vec3 => ('line' in s ? node : s.at)

/** Rigid arms from each part's node to where the joint is; where both meet in one place, a link of some length and arms that take it back. */
function armsOf(nodes: FrameNode[], [a, from]: [Side, number], [b, to]: [Side, number]): Pick<FrameMember, 'offsets'> {
  const [nodeA, nodeB] = [nodes[from]!, nodes[to]!]
  const [pA, pB] = [placeOf(a, nodeA), placeOf(b, nodeB)]
  const meet = apart(pA, pB) < SAME_MM
  if (!meet && 'line' in a && 'line' in b) return {}
  const n = meet ? squareTo(a, b) : { x: 0, y: 0, z: 0 }
  const half = NO_LENGTH_MM / 2
  return { offsets: { from: arm(moved(minus(pA, nodeA), n, -half)), to: arm(moved(minus(pB, nodeB), n, half)) } }
}

/** Which way a link of no length lies: through a flat part, along a member that ends there, else square to both parts. */
function squareTo(a: Side, b: Side): Vec3 {
  const heading = (s: Side): Vec3 | null => ('line' in s ? headingAt(s.line, s.atMm) : null)
  const face = ('block' in a ? a.block.normal : null) ?? ('block' in b ? b.block.normal : null)
  if (face) return face
  const [hA, hB] = [heading(a), heading(b)]
  if (hA && endOf(a) < ENDS_MM) return hA
  if (hB && endOf(b) < ENDS_MM) return hB
  const square = hA && hB ? cross(hA, hB) : null
  return square && size(square) > 1e-6 ? unit(square) : (hB ?? hA ?? { x: 0, y: 0, z: 1 })
}

/**
 * About which of its own axes a foot's head does not hold when free: the bending of a member that lies across the foot. The post runs along the mount's normal; the line about which
 * the member turns is square to it and to the member. A member that stands in its mount is held.
 */
function turnsOn(line: Line, atMm: number, mount: Mount, head: Vec3): 'y' | 'z' | null {
  const way = headingAt(line, atMm)
  const post = unit(minus(head, mount.place))
  if (Math.abs(dot(way, post)) > 0.7) return null
  const about = cross(post, way)
  // the post's own y: across the vehicle where it stands upright, level and square to it elsewhere
  const y = Math.hypot(post.x, post.y) < VERTICAL ? { x: 0, y: 1, z: 0 } : unit(cross({ x: 0, y: 0, z: 1 }, post))
  return Math.abs(dot(about, y)) >= Math.abs(dot(about, cross(post, y))) ? 'y' : 'z'
}

/**
 * How a mount gives way: onto its seat by the seat, along and across by the shop's figure; held from turning by the length and width it stands on
 * (k·l²/12). About the vehicle's line a foot that clamps its bar leans freely on its seat; one that the bar turns on stands by its own length there too; a flat
 * part that is bolted down stands by its width; a pocket or a receiver holds by its shape both ways. A step bracket between gives as it bends, in series. The seat's stiff way is the axis nearest its normal.
 */
function seatSprings(mount: Mount, assembly: Assembly, rules: Rules, hold: FeetHold, flat: boolean): Six<number> {
  const type = footTypes[mount.kind]
  const firm = type.seat === 'firm' ? rules.seatFirmNmm : rules.seatSkinNmm
  const bracket = bracketOf(mount, assembly, rules)
  const onto = bracket ? 1 / (1 / firm + bracketBending(bracket.made, 1).bendsByMm) : firm
  const side = rules.seatSideNmm
  const { lengthMm, depthMm } = type.stance
  const stands = (firm * lengthMm ** 2) / 12
  const shaped = (firm * depthMm ** 2) / 12
  const lies = (firm * Math.min(lengthMm, FOOT_WIDTH_MM) ** 2) / 12
  const leans = depthMm > 0 ? shaped : flat ? lies : hold === 'free' ? stands : 0
  const twists = depthMm > 0 ? shaped : (side * lengthMm ** 2) / 12
  const { x, y, z } = mount.normal
  const turns = (rules.receiverNmPerDeg * 1000 * 180) / Math.PI
  if (type.kind === 'receiver') return [firm, firm, firm, turns, turns, turns]
  if (Math.abs(z) >= Math.abs(x) && Math.abs(z) >= Math.abs(y)) return [side, side, onto, leans, stands, twists]
  return Math.abs(y) >= Math.abs(x) ? [side, onto, side, leans, twists, stands] : [onto, side, side, twists, stands, leans]
}

function lineOf(id: string, points: Vec3[], wanted: number[]): Line {
  const starts = [0]
  points.slice(1).forEach((p, i) => {
    starts.push(starts[i]! + apart(points[i]!, p))
  })
  const length = starts[starts.length - 1]!
  return { id, points, starts, length, stations: new Set([...starts, ...wanted]) }
}

/** Places in order, within the line, none nearer than half a millimetre to the next, long stretches halved until they are short. */
function stationsOf(line: Line): number[] {
  const inside = [...line.stations].map((s) => Math.min(line.length, Math.max(0, s))).sort((a, b) => a - b)
  const apartEnough = inside.filter((s, i) => i === 0 || s - inside[i - 1]! > SAME_MM || s === line.length)
  const kept = apartEnough.filter((s, i) => i === 0 || i === apartEnough.length - 1 || apartEnough[i + 1]! - s > SAME_MM)
  return kept.flatMap((s, i) => {
    const next = kept[i + 1]
    if (next === undefined) return [s]
    const n = Math.ceil((next - s) / PIECE_MM)
    return Array.from({ length: n }, (_, k) => s + ((next - s) * k) / n)
  })
}

const fromEnd = (line: Line, atMm: number): number => Math.min(atMm, line.length - atMm)
const pointAt = (line: Line, atMm: number): Vec3 => pointAlong(line.points, atMm)
const headingAt = (line: Line, atMm: number): Vec3 => headingAlong(line.points, atMm)

export const nearestNode = (own: { node: number; atMm: number }[], atMm: number): number =>
  own.reduce((best, s) => (Math.abs(s.atMm - atMm) < Math.abs(best.atMm - atMm) ? s : best), own[0] ?? { node: 0, atMm: 0 }).node
