import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { type Placing, placed, uprightTo } from '../geometry/placing'
import { along, cross, unit, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { Kit, KitBody } from '../touch/kit'

/** A tool as it stands upright on the ground of its own: convex bodies by their corners. mm */
type ToolShape = { corners: Vec3[]; body: KitBody }[]
/** Room that something takes up where it is held. */
export type Room = { shape: ToolShape; at: Placing }
/** A tool held at a place, and where the hand is on it. */
export type ToolPose = Room & { tool: 'socket' | 'spanner' | 'torch'; hand: Vec3 }
/** The room a tool takes up where it is held. mm */
export const roomOf = (p: ToolPose): Vec3[][] => p.shape.map((s) => s.corners.map((c) => placed(p.at, c)))

/** Of the bolt's diameter: how thick a spanner is, how far off the metal it lies. The shop's own, measured on its own tools. */
export const THICK = 1.4
export const OFF = 0.3
/** A hand round a handle is so deep. mm; shop's own */
export const HAND_DEEP_MM = 60
/** A hexagon looks the same after so much, so a spanner must swing that far. */
const FLAT_DEG = 60
const STARTS = 12
/** How far the nozzle keeps from the seam, and how long it is before the hand begins. mm; shop's own */
const NOZZLE = { offMm: 15, longMm: 70 }
/** An arm comes to the hand from the open, straight: fingers, a wrist so far from them, and longer than any box that nobody stands in. mm; shop's own */
const ARM_MM = { fingers: 10, wrist: 60, across: 60, long: 2000 }
/** The ways an arm may come: along the axes, edges and corners of a cube, from above first, where most is open. */
const ARM_WAYS: Vec3[] = [1, 0, -1].flatMap((z) =>
  [0, 1, -1].flatMap((y) => [0, 1, -1].flatMap((x) => (x || y || z ? [unit({ x, y, z })] : []))),
)
/** Nothing is called in the way that is only brushed. mm */
const GRAZE_MM = 0.5

/** Two ways across another one, of length 1. */
export function acrossOf(way: Vec3): [Vec3, Vec3] {
  const u = unit(cross(way, Math.abs(way.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }))
  return [u, cross(way, u)]
}

/** A round bar standing up, from so high to so high. */
const bar = (acrossMm: number, fromMm: number, toMm: number): Vec3[] =>
  [fromMm, toMm].flatMap((z) =>
    Array.from({ length: 12 }, (_, i) => {
      const [t, r] = [(i * Math.PI) / 6, acrossMm / 2 - GRAZE_MM]
      return { x: r * Math.cos(t), y: r * Math.sin(t), z }
    }),
  )

/** The tools of a shop, each made once for a kit. */
export type ToolBox = {
  /** socket and hand straight out from a bolt */
  socket: (at: Vec3, out: Vec3, size: BoltSize) => ToolPose
  /** a spanner lying on the metal, in every twelfth of a turn: swung by a flat, or only held */
  spanners: (at: Vec3, out: Vec3, size: BoltSize, swung: boolean) => Generator<ToolPose>
  /** a torch and the hand on it, pointing at a seam from that way */
  torch: (at: Vec3, from: Vec3) => ToolPose
  /** an arm that comes to a hand from every way in turn */
  arms: (hand: Vec3) => Generator<Room>
  /** no tool at a place takes up room farther from it than this. mm */
  withinMm: number
  /** it gets into no corner that closes sharper than this. degrees */
  cornerDeg: number
  close: () => void
}

export function toolBox(kit: Kit, rules: Rules): ToolBox {
  const made = new Map<string, ToolShape>()
  const shape = (key: string, make: () => Vec3[][]): ToolShape => {
    const known = made.get(key)
    if (known) return known
    const bodies = make().flatMap((corners) => {
      const body = kit.body(corners)
      return body ? [{ corners, body }] : []
    })
    made.set(key, bodies)
    return bodies
  }
  const at = (place: Vec3, way: Vec3, twist = 0): Placing => ({ turn: uprightTo(way, twist), shift: place })
  return {
    socket: (place, out, size) => ({
      tool: 'socket',
      shape: shape(`socket ${size}`, () => [
        bar(rules.socketAcrossD * boltSizes[size].diameterMm, GRAZE_MM, rules.socketMm),
        bar(rules.handMm, rules.socketMm, rules.socketMm + HAND_DEEP_MM),
      ]),
      at: at(place, out),
      hand: along(place, out, rules.socketMm + HAND_DEEP_MM / 2),
    }),
    spanners: function* (place, out, size, swung) {
      const key = `spanner ${size} ${swung}`
      const d = boltSizes[size].diameterMm
      for (let i = 0; i < STARTS; i++) {
        const where = at(place, out, (i * 2 * Math.PI) / STARTS)
        yield {
          tool: 'spanner',
          shape: shape(key, () => [spanner(d, rules.ringAcrossD * d, rules.spannerMm, swung ? FLAT_DEG : 0)]),
          at: where,
          hand: placed(where, { x: rules.spannerMm, y: 0, z: (OFF + THICK) * d }),
        }
      }
    },
    torch: (place, from) => ({
      tool: 'torch',
      shape: shape('torch', () => {
        const hand = NOZZLE.offMm + NOZZLE.longMm
        return [bar(rules.nozzleMm, NOZZLE.offMm, hand), bar(rules.handMm, hand, Math.max(rules.torchMm, hand + 1))]
      }),
      at: at(place, from),
      hand: along(place, from, Math.max(rules.torchMm, NOZZLE.offMm + NOZZLE.longMm)),
    }),
    arms: function* (hand) {
      const arm = shape('arm', () => [
        [...bar(ARM_MM.fingers, 0, 0.1), ...bar(ARM_MM.across, ARM_MM.wrist - 0.1, ARM_MM.wrist)],
        bar(ARM_MM.across, ARM_MM.wrist, ARM_MM.long),
      ])
      for (const way of ARM_WAYS) yield { shape: arm, at: at(hand, way) }
    },
    withinMm: Math.max(rules.socketMm + HAND_DEEP_MM, rules.spannerMm, rules.torchMm) + rules.handMm,
    cornerDeg: rules.torchCornerDeg,
    close: () => {
      for (const s of made.values()) for (const { body } of s) kit.forget(body)
    },
  }
}

/** All the room of a spanner that swings so far: its ring, and at its end as wide as its handle is. */
function spanner(d: number, ringMm: number, longMm: number, swungDeg: number): Vec3[] {
  const on = (r: number, t: number, z: number): Vec3 => ({ x: r * Math.cos(t), y: r * Math.sin(t), z })
  const half = Math.asin(Math.min(0.5, d / longMm))
  const swung = radians(swungDeg)
  return [OFF * d, (OFF + THICK) * d].flatMap((z) => [
    ...Array.from({ length: 8 }, (_, k) => on(ringMm / 2 - GRAZE_MM, (k * Math.PI) / 4, z)),
    ...Array.from({ length: 5 }, (_, k) => on(longMm, -half + ((swung + 2 * half) * k) / 4, z)),
  ])
}
