import type { Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import type { Body, Swing, swingKinds, Vehicle } from './vehicle'

type Turn = { shut: Vec3; open: Vec3; line: Vec3 }
const [fore, aft]: [Vec3, Vec3] = [
  { x: 1, y: 0, z: 0 },
  { x: -1, y: 0, z: 0 },
]
const [left, right]: [Vec3, Vec3] = [
  { x: 0, y: 1, z: 0 },
  { x: 0, y: -1, z: 0 },
]
const [up, down]: [Vec3, Vec3] = [
  { x: 0, y: 0, z: 1 },
  { x: 0, y: 0, z: -1 },
]

/** Where a leaf points when shut, where it points a quarter turn later, and how its hinge line runs. */
const turns: Record<(typeof swingKinds)[number], Turn> = {
  tailgate: { shut: up, open: aft, line: left },
  hatch: { shut: down, open: aft, line: left },
  cover: { shut: aft, open: up, line: left },
  'pop-top': { shut: fore, open: up, line: left },
  'left door': { shut: aft, open: left, line: up },
  'right door': { shut: aft, open: right, line: up },
  'left rear door': { shut: right, open: aft, line: up },
  'right rear door': { shut: left, open: aft, line: up },
}

/** A body with a hinge as a leaf: one hinged at its rear end hangs down like a hatch, any other lies level like a cover. */
const bodySwing = (b: Body): Swing | null => {
  if (!b.hinge) return null
  const hangs = Math.abs(b.fromXMm - b.hinge.xMm) < 50
  return {
    id: b.id,
    name: b.name,
    kind: hangs ? 'hatch' : 'cover',
    xMm: b.hinge.xMm,
    yMm: 0,
    zMm: b.hinge.zMm,
    reachMm: hangs ? b.topZMm - b.bottomZMm : Math.max(Math.abs(b.fromXMm - b.hinge.xMm), Math.abs(b.toXMm - b.hinge.xMm)),
    hingeLengthMm: b.widthMm,
    opensDeg: b.hinge.opensDeg,
    taken: b.taken,
  }
}

/** Everything on the vehicle that swings: its bodies with a hinge, its doors, tailgate, hatch and pop-top. */
export const swingsOf = (vehicle: Vehicle): Swing[] => [
  ...vehicle.bodies.flatMap((b) => {
    const s = bodySwing(b)
    return s ? [s] : []
  }),
  ...vehicle.swings,
]

/** How far things may go for the stops that are to be fitted, by the name of what moves. Degrees or mm */
export type Stops = Record<string, number>
export const swingId = (id: string): string => `swing:${id}`
/** The nearer of its own end and a stop; a stop is an end where nobody measured its own. */
export const upToStop = <T extends number | null>(opens: T, stop: number | undefined): T | number =>
  stop === undefined ? opens : opens === null ? stop : Math.min(opens, stop)

/** The vehicle with its leaves opening no farther than the stops let them. */
export const withStops = (vehicle: Vehicle, stops: Stops): Vehicle => ({
  ...vehicle,
  swings: vehicle.swings.map((s) => ({ ...s, opensDeg: upToStop(s.opensDeg, stops[swingId(s.id)]) })),
  bodies: vehicle.bodies.map((b) =>
    b.hinge ? { ...b, hinge: { ...b.hinge, opensDeg: upToStop(b.hinge.opensDeg, stops[swingId(b.id)]) } } : b,
  ),
})

const plus = (a: Vec3, b: Vec3, by: number): Vec3 => ({ x: a.x + b.x * by, y: a.y + b.y * by, z: a.z + b.z * by })

function headingOf({ kind }: Swing, openDeg: number): Vec3 {
  const { shut, open } = turns[kind]
  const angle = radians(openDeg)
  return plus(plus({ x: 0, y: 0, z: 0 }, shut, Math.cos(angle)), open, Math.sin(angle))
}

/** The leaf at an opening angle: the middle of its hinge, its direction (cos·shut + sin·open) and its hinge line. Vehicle axes, mm. */
export function leafAt(swing: Swing, openDeg: number): { hinge: Vec3; along: Vec3; line: Vec3; corners: [Vec3, Vec3, Vec3, Vec3] } {
  const { line } = turns[swing.kind]
  const along = headingOf(swing, openDeg)
  const hinge = { x: swing.xMm, y: swing.yMm, z: swing.zMm }
  const half = swing.hingeLengthMm / 2
  const [a, b] = [plus(hinge, line, half), plus(hinge, line, -half)]
  return { hinge, along, line, corners: [a, b, plus(b, along, swing.reachMm), plus(a, along, swing.reachMm)] }
}

/** The paths of the leaf's two far corners from shut to open, in steps of 6° or finer. Empty when nobody knows how far it opens. */
export function swingPaths(swing: Swing): [Vec3[], Vec3[]] {
  if (swing.opensDeg === null) return [[], []]
  const opens = swing.opensDeg
  const steps = Math.max(1, Math.ceil(opens / 6))
  const leaves = Array.from({ length: steps + 1 }, (_, i) => leafAt(swing, (opens * i) / steps))
  return [leaves.map((l) => l.corners[2]), leaves.map((l) => l.corners[3])]
}

export type Box = { name: string; centre: Vec3; half: Vec3 }
const dot = (a: Vec3, b: Vec3): number => a.x * b.x + a.y * b.y + a.z * b.z
const cross = (a: Vec3, b: Vec3): Vec3 => ({ x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x })

const AXES = [fore, left, up]
/** Whether a leaf standing at an angle cuts into an upright box: no axis of the two separates them (Gottschalk, Lin & Manocha 1996). */
export function leafMeetsBox(swing: Swing, openDeg: number, box: Box): boolean {
  const { line } = turns[swing.kind]
  const along = headingOf(swing, openDeg)
  const centre = plus({ x: swing.xMm, y: swing.yMm, z: swing.zMm }, along, swing.reachMm / 2)
  const away = { x: box.centre.x - centre.x, y: box.centre.y - centre.y, z: box.centre.z - centre.z }
  const apart = (n: Vec3) => {
    if (dot(n, n) < 1e-12) return false
    const leaf = (Math.abs(dot(n, along)) * swing.reachMm) / 2 + (Math.abs(dot(n, line)) * swing.hingeLengthMm) / 2
    const solid = Math.abs(n.x) * box.half.x + Math.abs(n.y) * box.half.y + Math.abs(n.z) * box.half.z
    return Math.abs(dot(n, away)) >= leaf + solid - 1e-9
  }
  if (AXES.some(apart) || apart(along) || apart(line) || apart(cross(along, line))) return false
  return !AXES.some((e) => apart(cross(along, e)) || apart(cross(line, e)))
}

const STEP_DEG = 2
/** The first angle at which a leaf meets a box as it opens, in steps of 2°; null when it opens clear of it, or nobody knows how far it opens. */
export function firstMeeting(swing: Swing, box: Box): number | null {
  // what lies beyond the leaf's farthest reach from the middle of its hinge is never met
  const gap = (at: number, centre: number, half: number) => Math.max(0, Math.abs(at - centre) - half)
  const away = Math.hypot(
    gap(swing.xMm, box.centre.x, box.half.x),
    gap(swing.yMm, box.centre.y, box.half.y),
    gap(swing.zMm, box.centre.z, box.half.z),
  )
  if (away > Math.hypot(swing.reachMm, swing.hingeLengthMm / 2)) return null
  for (let deg = 0; swing.opensDeg !== null && deg <= swing.opensDeg + 1e-9; deg += STEP_DEG) if (leafMeetsBox(swing, deg, box)) return deg
  return null
}
