import type { Assembly, Joint, Mount } from '../assembly/assembly'
import { stepBracketOf } from '../assembly/fittedBracket'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { profileOf, profileSection } from '../catalogue/profiles'
import { bracketBending } from '../fasten/bracket'
import { centreLine, pointAlong } from '../geometry/centreLine'
import { apart, cross, size, unit, type Vec3 } from '../geometry/vec3'
import type { Rules } from '../rules/rules'
import type { FrameMaterial, FrameSection, Triple } from './element'
import { buildFrame, type Frame, type FrameMember, type FrameNode, type Six } from './frame'

/** A straight piece of a member between two places where something meets it. mm along the member's centre line. */
export type Piece = { memberId: string; element: number; fromMm: number; toMm: number; weld: boolean }
export type RackFrame = {
  frame: Frame
  pieces: Piece[]
  /** by mount, in assembly order: the node on the vehicle and the node on the member above it */
  seats: number[]
  heads: number[]
  /** by mount: the piece between the two; null where the member lies on its seat */
  posts: (number | null)[]
  /** the short stiff piece between two members at each joint; where their lines meet it has no length but what its rigid arms take back */
  links: { joint: Joint; element: number; fromEndMm: [number, number]; atMm: [number, number] }[]
  /** nodes of a member in order along it */
  along: Map<string, { node: number; atMm: number }[]>
}

/** A foot clamps its bar no more than its clamp and its seat can: what is worked out with both, the worse of either counts. */
export type FeetHold = 'free' | 'clamped'

const SAME_MM = 0.5
/** Length between the rigid arms of a link whose members' lines meet. */
const NO_LENGTH_MM = 10
const PIECE_MM = 300
const FOOT_LENGTH_MM = 80
/** A foot or a clamp as the frame sees it: a solid block of 40 × 40, far stiffer than what it stands on. */
const block: FrameSection = { A: 1600, Iy: 213_000, Iz: 213_000, J: 360_000 }
const blockMaterial: FrameMaterial = { E: 70_000, G: 26_000 }
const none: Six<boolean> = [false, false, false, false, false, false]

/** What a joint does not pass on at the second part's end, in the link's own axes: along it, across it twice, about it, about the two across. */
const lets: Record<Joint['kind'], Six<boolean>> = {
  weld: none,
  clamp: none,
  bolt: [false, false, false, true, true, false],
  slip: [false, false, true, false, false, false],
}

/** The shop's rule for a gusset plate: in its own plane it holds, across it it bends like the bolt alone. */
const gusseted = ([along, y, z, , aboutY, aboutZ]: Six<boolean>): Six<boolean> => [along, y, z, false, aboutY, aboutZ]

type Line = { id: string; points: Vec3[]; starts: number[]; length: number; stations: Set<number> }

/**
 * The rack as a frame: members cut where something meets them, feet on springs. `wanted` = further places along a member that need a node. Feet
 * clamped: head and member turn together, so bar and feet act as a portal. Feet free: the member lies on its feet and turns on them.
 */
export function rackFrame(assembly: Assembly, rules: Rules, wanted: Map<string, number[]>, hold: FeetHold): RackFrame {
  const lines = new Map(assembly.members.map((m) => [m.id, lineOf(m.id, centreLine(m.path, m.bendRadiiMm), wanted.get(m.id) ?? [])]))
  const welds: { id: string; atMm: number }[] = []
  const links = assembly.joints.flatMap((joint) => {
    const [a, b] = joint.between.map((id) => lines.get(id))
    if (!a || !b) return []
    const met = nearest(a, b)
    a.stations.add(met.onA)
    b.stations.add(met.onB)
    if (joint.kind === 'weld') welds.push({ id: a.id, atMm: met.onA }, { id: b.id, atMm: met.onB })
    return [{ joint, a, b, ...met }]
  })
  for (const w of welds) for (const side of [-1, 1]) lines.get(w.id)?.stations.add(w.atMm + side * rules.weldZoneMm)
  const feet = assembly.mounts.map((mount) => {
    const line = lines.get(mount.memberId)
    const atMm = line ? nearestOn(line, mount.place) : 0
    line?.stations.add(atMm)
    return { mount, line, atMm }
  })

  const nodes: FrameNode[] = []
  const members: FrameMember[] = []
  const node = (p: Vec3, springs?: Six<number>): number =>
    nodes.push({ id: String(nodes.length), x: p.x, y: p.y, z: p.z, fixed: none, ...(springs ? { springs } : {}) }) - 1
  type More = Pick<FrameMember, 'releases' | 'offsets'>
  const member = (from: number, to: number, section: FrameSection, material: FrameMaterial, more: More = {}): number =>
    members.push({ id: String(members.length), from: String(from), to: String(to), section, material, roll: 0, ...more }) - 1

  const pieces: Piece[] = []
  const along = new Map<string, { node: number; atMm: number }[]>()
  for (const m of assembly.members) {
    const line = lines.get(m.id)
    if (!line) continue
    const s = profileSection(m.profileId)
    const material = materialOf(profileOf(m.profileId).materialId)
    const section = { A: s.areaMm2, Iy: s.iyMm4, Iz: s.izMm4, J: s.torsionMm4 }
    const own = stationsOf(line).map((atMm) => ({ atMm, node: node(pointAt(line, atMm)) }))
    along.set(m.id, own)
    own.slice(1).forEach((to, i) => {
      const from = own[i]!
      const weld = welds.some(
        (w) =>
          w.id === m.id &&
          (from.atMm + to.atMm) / 2 > w.atMm - rules.weldZoneMm - SAME_MM &&
          (from.atMm + to.atMm) / 2 < w.atMm + rules.weldZoneMm + SAME_MM,
      )
      const element = member(from.node, to.node, section, { E: material.elasticMPa, G: material.shearMPa })
      pieces.push({ memberId: m.id, element, fromMm: from.atMm, toMm: to.atMm, weld })
    })
  }
  const made: RackFrame['links'] = []
  const nodeOf = (line: Line, atMm: number): number => nearestNode(along.get(line.id) ?? [], atMm)
  for (const { joint, a, b, onA, onB } of links) {
    const [from, to] = [nodeOf(a, onA), nodeOf(b, onB)]
    const meet = apart(nodes[from]!, nodes[to]!) < SAME_MM
    const lets_ = joint.gussetMm ? gusseted(lets[joint.kind]) : lets[joint.kind]
    made.push({
      joint,
      fromEndMm: [fromEnd(a, onA), fromEnd(b, onB)],
      atMm: [onA, onB],
      element: member(from, to, block, blockMaterial, { releases: { from: none, to: lets_ }, ...(meet ? arms(a, onA, b, onB) : {}) }),
    })
  }
  const seats: number[] = []
  const heads: number[] = []
  const posts: (number | null)[] = []
  for (const { mount, line, atMm } of feet) {
    const head = line ? nodeOf(line, atMm) : node(mount.place)
    const springs = seatSprings(mount, assembly, rules, hold)
    const onSeat = apart(nodes[head]!, mount.place) < SAME_MM
    const seat = onSeat ? head : node(mount.place, springs)
    if (onSeat) nodes[head]!.springs = springs
    const turns = hold === 'free' && line ? { releases: { from: none, to: turnsOn(line, atMm) } } : {}
    posts.push(onSeat ? null : member(seat, head, block, blockMaterial, turns))
    seats.push(seat)
    heads.push(head)
  }
  return { frame: buildFrame(nodes, members), pieces, links: made, seats, heads, posts, along }
}

/** Rigid arms that take a link of some length back to the one place where its two members meet, square to both of them. */
function arms(a: Line, onA: number, b: Line, onB: number): Pick<FrameMember, 'offsets'> {
  const square = cross(headingAt(a, onA), headingAt(b, onB))
  const n = size(square) > 1e-6 ? unit(square) : headingAt(b, onB)
  const half = NO_LENGTH_MM / 2
  return { offsets: { from: [-n.x * half, -n.y * half, -n.z * half], to: [n.x * half, n.y * half, n.z * half] } }
}

/** What an upright foot's head does not hold when free: bending of the member up and down, about the foot's own z for a member across, y for one along. */
function turnsOn(line: Line, atMm: number): Six<boolean> {
  const way = headingAt(line, atMm)
  const across = Math.abs(way.y) >= Math.abs(way.x)
  return [false, false, false, false, !across, across]
}

/**
 * How a mount gives way: down and up by its seat, along and across by the shop's figure; held from turning about the bar's line by the foot's own
 * length on that seat (k·l²/12). About the vehicle's line a foot that clamps its bar leans freely on its seat; one that the bar turns on stands by its
 * own length there too. A step bracket between gives as it bends, in series.
 */
function seatSprings(mount: Mount, assembly: Assembly, rules: Rules, hold: FeetHold): Six<number> {
  const seat = footTypes[mount.kind].seat === 'firm' ? rules.seatFirmNmm : rules.seatSkinNmm
  const bracket = stepBracketOf(assembly, rules)
  const down = bracket ? 1 / (1 / seat + bracketBending(bracket.made, 1).bendsByMm) : seat
  const side = rules.seatSideNmm
  const stands = (seat * FOOT_LENGTH_MM ** 2) / 12
  return [side, side, down, hold === 'free' ? stands : 0, stands, (side * FOOT_LENGTH_MM ** 2) / 12]
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
const headingAt = (line: Line, atMm: number): Vec3 => {
  const [a, b] = [pointAt(line, Math.max(0, atMm - 1)), pointAt(line, Math.min(line.length, atMm + 1))]
  return unit({ x: b.x - a.x, y: b.y - a.y, z: b.z - a.z })
}

export const nearestNode = (own: { node: number; atMm: number }[], atMm: number): number =>
  own.reduce((best, s) => (Math.abs(s.atMm - atMm) < Math.abs(best.atMm - atMm) ? s : best), own[0] ?? { node: 0, atMm: 0 }).node

/** The place along a line nearest to a point. mm */
function nearestOn(line: Line, p: Vec3): number {
  let [best, least] = [0, Number.POSITIVE_INFINITY]
  line.points.slice(1).forEach((b, i) => {
    const a = line.points[i]!
    const d: Triple = [b.x - a.x, b.y - a.y, b.z - a.z]
    const l2 = d[0] ** 2 + d[1] ** 2 + d[2] ** 2
    const t = l2 > 0 ? Math.max(0, Math.min(1, ((p.x - a.x) * d[0] + (p.y - a.y) * d[1] + (p.z - a.z) * d[2]) / l2)) : 0
    const q = { x: a.x + d[0] * t, y: a.y + d[1] * t, z: a.z + d[2] * t }
    const away = apart(p, q)
    if (away < least - 1e-9) [best, least] = [line.starts[i]! + Math.sqrt(l2) * t, away]
  })
  return best
}

/** Where two lines come nearest each other: going to and fro between them settles on straight pieces within a few steps. */
function nearest(a: Line, b: Line): { onA: number; onB: number } {
  const settle = (start: number): { onA: number; onB: number; away: number } => {
    let onA = start
    let onB = 0
    for (let i = 0; i < 40; i++) {
      onB = nearestOn(b, pointAt(a, onA))
      const next = nearestOn(a, pointAt(b, onB))
      if (Math.abs(next - onA) < 1e-6) break
      onA = next
    }
    return { onA, onB, away: apart(pointAt(a, onA), pointAt(b, onB)) }
  }
  return [0, a.length / 2, a.length].map(settle).reduce((best, s) => (s.away < best.away - 1e-9 ? s : best))
}
