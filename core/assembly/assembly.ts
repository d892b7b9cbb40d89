import type { BoltSize } from '../catalogue/bolts'
import type { HardwarePart } from '../catalogue/hardware'
import { materialOf } from '../catalogue/materials'
import type { MountKind } from '../catalogue/mounts'
import { massPerMetre, profileOf, profileSection } from '../catalogue/profiles'
import { centreLine, developedLengthMm } from '../geometry/centreLine'
import { type Hole, holeAreaMm2 } from '../geometry/hole'
import { areaMm2 as outlineAreaMm2 } from '../geometry/polygon'
import { apart, middleOf, type Point, plus, times, type Vec3 } from '../geometry/vec3'
import { notchedOutMm3 } from './notch'
import { ofPart } from './ofPart'

/** A wheel, a can or a bottle: a cylinder about `axis`, of length 1. mm */
export type Round = { axis: Vec3; acrossMm: number; wideMm: number }

/** A mitre leans the cut so much off square; `about` says which way the long point lies. */
export type EndTreatment =
  | { kind: 'square' | 'cap' }
  | { kind: 'mitre'; angleDeg: number }
  // saddled onto another member: the path ends at its longest point
  | { kind: 'cope'; onto: string }

/** Cut out of the lower or upper edge of a flat bar, its middle so far from the first end. mm */
export type Notch = { atMm: number; lengthMm: number; depthMm: number; edge: 'under' | 'over' }

/** A length of profile along a path. Path points lie on its centre line, in vehicle axes, mm. */
export type Member = {
  id: string
  mark: string
  name: string
  profileId: string
  path: Vec3[]
  /** centre-line radius at each inner point of the path; none = straight corners */
  bendRadiiMm?: number[]
  /** turned about its own line from how it lies by itself: its width level, or across the vehicle where it stands upright. degrees */
  rollDeg?: number
  ends: [EndTreatment, EndTreatment]
  /** of a straight flat bar on edge: what it is let over or under */
  notches?: Notch[]
}
/** Where a flat part stands when fitted: the corner or middle its outline is measured from, and the two directions of the outline, of length 1. */
export type Pose = { origin: Vec3; along: Vec3; up: Vec3 }
/** A fold of a flat part: its line on the blank, how far the part turns there, and the way it goes from the face that is laid up. mm, degrees */
export type Fold = { line: [Point, Point]; angleDeg: number; side: 'up' | 'down'; insideRadiusMm: number }
/** One flat piece of a folded part as it stands: outside in its pose, its thickness inward, with the holes in it. `bend` = a strip of the arc between two faces. */
export type Face = { pose: Pose; outline: Point[]; holes?: Hole[]; bend?: true }
/**
 * One flat part as it is cut: `outline` closed, mm, in the plane of its pose; a folded one has its flat blank as outline and stands in `pose` with its
 * first face. `air` = how it meets the wind: a fairing leads it over, a board stops it, what lies sheltered does not feel it.
 */
export type Plate = {
  id: string
  mark: string
  name: string
  materialId: string
  thicknessMm: number
  outline: Point[]
  holes: Hole[]
  bends: Fold[]
  /** a folded part as it stands in space; none = it lies flat in its pose */
  faces?: Face[]
  /** what a folded plate reaches and rises from one end to the other */
  steps?: { reachMm: number; riseMm: number; boltsPerEnd: number }
  pose: Pose
  goodFace: 'up' | 'down' | 'either'
  air: 'fairing' | 'board' | 'sheltered'
}
/** Something bought or found that is fitted whole: a winch, a box of a maker, a carrier. Its mass null = nobody knows. mm, kg */
export type Fitting = {
  id: string
  mark: string
  name: string
  massKg: number | null
  /** its centre of mass, and the box it fills about its middle; of what is `unknown` these are stand-ins to draw by, and nothing counts them */
  at: Vec3
  middle: Vec3
  size: Vec3
  /** what nobody measured: its place along the vehicle, that behind its pin, the height of its centre, its box, how many feet it has */
  unknown: ('x' | 'behind' | 'z' | 'box' | 'feet')[]
  /** bought for this job at this price, or there already; minor units, null = not priced */
  priceMinor: number | null
  there: boolean
  /** round about an axis: its box is only the box round it */
  round?: Round
  /** ids of parts that stand in a hollow of it, as a stub in the dish of a wheel; its box says they meet, and they do not */
  around?: string[]
}
/** What is bought and counted for the assembly; spares are added where it is ordered. Lengths in what it is for in braces, mm. */
export type Hardware = { part: HardwarePart; quantity: number; for: string /** the kind of foot it belongs to */; foot?: MountKind }

/**
 * Where two parts meet. A weld holds everything; a bolt lets the parts turn about it and lean; a pin and a hinge let them turn about their axis; a clamp
 * holds; a slide lets one go along the other; a latch holds one way and is not counted on for more than its maker says.
 */
export const jointKinds = ['weld', 'bolt', 'rivet', 'clamp', 'pin', 'hinge', 'slide', 'latch'] as const
export type JointKind = (typeof jointKinds)[number]
export type Joint = {
  id: string
  kind: JointKind
  /** ids of two parts: members, plates or fittings; or a mount and what stands on it */
  between: [string, string]
  at: Vec3
  /** the pattern of a weld: two runs of so much, so far apart, or all four sides; none given = along the first part's sides, over the second's width */
  weld?: { lengthMm: number; apartMm: number; allRound: boolean; legMm?: number }
  /** a weld whose bead is ground off level with the metal: it keeps only a share of its throat */
  flush?: true
  /** what goes through it, and whether a sleeve keeps each tube from caving in under it; a bolted joint only */
  bolts?: {
    size: BoltSize
    count: number
    sleeved?: boolean
    apartMm?: number
    /** middles of its rows, where the joint's own place is none of them */
    rows?: Vec3[]
    /** heads that are turned from one side only, each on its part and the way out of it, where the joint's own place says neither: the bolts of corner brackets */
    heads?: { on: string; at: Vec3; out: Vec3 }[]
    /** what it passes besides the two: spacers, a second ear. mm */
    spacerMm?: number
    /** the joint whose bolts these are, gone on through a third part */
    goesOn?: string
    /** the part that has the thread, a rivet nut or a tapped hole: they are turned from the other's side only */
    into?: string
  }
  /** a clamp's own bolts, which grip a tube and go through nothing */
  collar?: { size: BoltSize; count: number }
  /** the line that a hinge turns about or a slide goes along; none = through the joint */
  axis?: Vec3
  /** bought whole: what its maker lets it hold, any way. N, null = nobody knows */
  rated?: { holdsN: number | null; by: string; what: string }
  /** a plate bolted to both parts, which keeps them from turning about the bolt, and its side */
  gusset?: { plateId: string; sideMm: number }
}
/** Where the assembly meets the vehicle: on which place and body, which way that body's surface looks, and what stands on it. */
export type Mount = {
  id: string
  mark: string
  kind: MountKind
  /** the vehicle's place it stands on, and the body that is part of; null = the only body there is */
  placeId: string
  bodyId: string | null
  /** the member, plate or fitting that stands on it */
  on: string
  side: 'left' | 'right' | 'middle'
  place: Vec3
  normal: Vec3
  massKg: number
  /** side of the plate behind the sheet; null where none is drilled for */
  backingMm: number | null
  /** the folded plate between the foot and what it carries */
  via: string | null
  /** how far its hole in the vehicle may be off; none = as far as the shop's rule says. mm */
  offMm?: number
  /** a spacer keeps what stands on it so far from the body. mm */
  spacerMm?: number
  /** a foot of the maker of what stands on it: its bolts are his, and only what he or the vehicle's maker rates counts */
  theirs?: boolean
}
/** A line across the vehicle on which things lie: the top of a member, of a fitting, or of the vehicle itself (`on` null). mm */
export type Bearing = { on: string | null; xMm: number; leftMm: number; rightMm: number; zMm: number }
export const supportKinds = ['bars', 'deck', 'rail pair', 'socket', 'hook row', 'slot', 'tray', 'floor'] as const
/**
 * What things stand, lie, hang or slide on. `bearings` are the lines an item may lie on; a floor or a deck bears all over between `surface`. `holds`: an item
 * set in it cannot turn or tip (a tray with its hoop, a socket). `walkOn`, `climbOn`: members made for somebody's weight.
 */
export type Support = {
  id: string
  name: string
  kind: (typeof supportKinds)[number]
  bodyId: string | null
  bearings: Bearing[]
  surface: { fromXMm: number; toXMm: number; leftMm: number; rightMm: number; zMm: number } | null
  holds: boolean
  /** nothing lies or hangs on it unless somebody said so */
  asked?: true
  walkOn: string[]
  climbOn: string[]
  /** what its maker lets it carry, moving and parked, or what the shop found in a trial of its `own`; undefined = judged by its own strength, null = nobody knows. kg */
  ratedKg?: { value: number | null; source: string; own?: true }
  /** flat sheet that bends under what lies on it or is thrown against it */
  panels?: Panel[]
  /** a box that is shut round what lies in it: the room, and the joints of its lid that keep it shut; none = something else covers it. mm */
  encloses?: { room: Vec3; lid: { joints: string[] } }
}
/** A flat field of sheet held at its four edges, and which way what lies in the box presses on it. mm */
export type Panel = {
  part: string
  name: string
  longMm: number
  shortMm: number
  takes: 'down' | 'along' | 'aside' | 'up'
  /** folded channels under it that hold its edges: how far they span, how far apart, and their section modulus. mm, mm³ */
  ribs?: { part: string; spanMm: number; pitchMm: number; modulusMm3: number }
}
/** What straps and ropes pull on, with every part the pull passes through. N; null = nobody knows */
export type AssemblyAnchor = {
  id: string
  name: string
  on: string
  at: Vec3
  kind: 'ring' | 'hook' | 'loop' | 'slot'
  links: { part: string; word: 'calculated' | 'maker-rated' | 'proof-tested' | 'felt sturdy'; holdsN: number | null; source: string }[]
}
/** A working force of the piece's own use while parked: a winch pulling, or wind on what is open, up to which it is left so; `lacks` of that = nothing is worked out yet. `force` is all it can pull, as it acts on the part; what is needed, and what its maker lets it. N, null = nobody knows. */
export type Pull = {
  id: string
  name: string
  on: string
  at: Vec3
  force: Vec3
  needsN: number | null
  ratedN: number | null
  ratedBy: string
  caution: string
  lacks: string[]
  wind?: { from: 'side' | 'vehicle' | 'front' | 'rear'; way: 'up' | 'down'; kmh: number; ratedKmh: number | null }
}
/** What fills the space between members: its mass, what it shows the wind, and how it is fixed. The outline lies in space, in order round it. */
export type Infill = {
  id: string
  mark: string
  name: string
  kind: 'mesh' | 'slats' | 'boards' | 'sheet' | 'canvas'
  on: string[]
  outline: Vec3[]
  /** share of the outline that air goes through */
  openShare: number
  massKg: number
  fixings: { what: 'tacks' | 'screws' | 'rivets'; count: number }
  /** boards side by side from the left edge: where each begins, how wide and long, the gap, the drill for their screws. mm */
  boards?: { startsMm: number[]; widthMm: number; lengthMm: number; gapMm: number; pilotMm: number; pilotInWoodMm: number }
  priceMinor: number
}
/** How parts of it move: they turn about a line, or slide along it. Degrees or mm, from and to; `heldBy` = what keeps it there on the road. */
export type Motion = {
  id: string
  name: string
  kind: 'turn' | 'slide'
  moves: string[]
  axis: { at: Vec3; way: Vec3 }
  from: number
  to: number
  heldBy: string
  /** what has been done before it, whole: the id of another motion */
  after?: string
  /** a drawer or tray that comes out to the rear, over the outer feet of its frame: what lies in it goes with it. `lockN` = what keeps it out; null = nobody knows */
  pulledOut?: { supportId: string; lockN: number | null }
}
/**
 * A dimension that the design owns: from and to in space, the view it is drawn in and along which of the view's axes, and the figure of the design that
 * pressing it sets (that figure = length + offset). `running` = set out from one datum, in rows.
 */
export type OwnDimension = {
  id: string
  view: 'plan' | 'side' | 'rear'
  axis: 'x' | 'y'
  from: Vec3
  to: Vec3
  side: 'low' | 'high'
  running: boolean
  label?: string
  ref?: string
  edits?: { figure: string; offsetMm: number }
}

export type Assembly = {
  members: Member[]
  plates: Plate[]
  fittings: Fitting[]
  joints: Joint[]
  hardware: Hardware[]
  mounts: Mount[]
  supports: Support[]
  anchors: AssemblyAnchor[]
  pulls: Pull[]
  infills: Infill[]
  motions: Motion[]
  dimensions: OwnDimension[]
  /** what the owner sees to before he drives off, a sentence each */
  checks: string[]
}

export const emptyAssembly: Assembly = {
  members: [],
  plates: [],
  fittings: [],
  joints: [],
  hardware: [],
  mounts: [],
  supports: [],
  anchors: [],
  pulls: [],
  infills: [],
  motions: [],
  dimensions: [],
  checks: [],
}

/** What is cut, weighed, coated and paid for: straight legs and arcs. mm */
export const memberLengthMm: (m: Member) => number = ofPart((m) => developedLengthMm(m.path, m.bendRadiiMm))

/** kg = (length × area − notches) × density. */
export const memberMassKg = (m: Member): number =>
  (memberLengthMm(m) / 1000) * massPerMetre(m.profileId) -
  (m.notches?.length ? (notchedOutMm3(m) * materialOf(profileOf(m.profileId).materialId).densityKgM3) / 1e9 : 0)

/** kg = (outline − holes) × thickness × density. */
export const plateMassKg = (p: Plate): number => (plateAreaMm2(p) * p.thicknessMm * materialOf(p.materialId).densityKgM3) / 1e9
export const plateAreaMm2 = (p: Plate): number => Math.max(0, outlineAreaMm2(p.outline) - p.holes.reduce((s, h) => s + holeAreaMm2(h), 0))

/** Where a member's centre line starts and stops: a member has two points at least. */
export const memberEnds = (m: Pick<Member, 'path'>): [Vec3, Vec3] => [m.path[0]!, m.path[m.path.length - 1]!]

/** Its centre of mass: the middle of its line, each straight or chord of a bend by its length. A bent one's lies off its line. */
export const memberMiddle: (m: Member) => Vec3 = ofPart((m) => {
  const line = centreLine(m.path, m.bendRadiiMm)
  const legs = line.slice(1).map((to, i) => ({ by: apart(line[i]!, to), at: middleOf(line[i]!, to) }))
  const all = legs.reduce((s, l) => s + l.by, 0)
  return times(
    legs.reduce((s, l) => plus(s, times(l.at, l.by)), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1e-9, all),
  )
})

/** Own mass: members, plates, infill, fittings and feet. Bolts ride in the foot's mass. kg; null while something fitted has no known mass. */
export function assemblyMassKg(a: Assembly): number | null {
  if (a.fittings.some((f) => f.massKg === null)) return null
  return (
    a.members.reduce((s, m) => s + memberMassKg(m), 0) +
    a.plates.reduce((s, p) => s + plateMassKg(p), 0) +
    a.infills.reduce((s, i) => s + i.massKg, 0) +
    a.fittings.reduce((s, f) => s + (f.massKg ?? 0), 0) +
    a.mounts.reduce((s, m) => s + m.massKg, 0)
  )
}

/** Surface to coat: members all round, plates both faces. m². */
export const coatedAreaM2 = (a: Assembly): number =>
  a.members.reduce((s, m) => s + memberLengthMm(m) * profileSection(m.profileId).perimeterMm, 0) / 1e6 +
  a.plates.reduce((s, p) => s + 2 * outlineAreaMm2(p.outline), 0) / 1e6

/** Every member that something lies on. */
export const bearingMembers = (a: Assembly): Member[] => {
  const ids = new Set(a.supports.flatMap((s) => s.bearings.flatMap((b) => b.on ?? [])))
  return a.members.filter((m) => ids.has(m.id))
}
