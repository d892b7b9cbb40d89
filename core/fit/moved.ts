import type { Assembly, Face, Plate, Pose, Support } from '../assembly/assembly'
import { boxOf } from '../assembly/places'
import type { Brief } from '../brief/brief'
import { plus, times, type Vec3 } from '../geometry/vec3'
import { swingId } from '../vehicle/swings'
import type { Swing, Vehicle } from '../vehicle/vehicle'
import { type Mover, moversOf, placingAt, takenOut } from './movers'
import { type Placing, placed, turned } from './placing'

export type Shown = { assembly: Assembly; vehicle: Vehicle; brief: Brief }

/** The job as it stands with one thing moved so far and every door shut: what every view then draws. What lies on something that turns is taken out first. */
export function movedTo(shown: Shown, moverId: string | null, value: number): Shown {
  const { assembly, vehicle, brief } = shown
  const movers = moversOf(assembly, vehicle, brief)
  const mover = movers.find((m) => m.id === moverId)
  const doors = swungTo(vehicle, moverId, value)
  if (!mover) return { ...shown, vehicle: doors }
  const first = movers.find((m) => m.id === mover.after)
  const before = first ? carried(shown, first, first.to ?? first.from) : shown
  const out = new Set(takenOut(mover, assembly, brief))
  const after = carried({ ...before, brief: { ...brief, cargo: brief.cargo.filter((c) => !out.has(`cargo:${c.id}`)) } }, mover, value)
  return { ...after, vehicle: doors }
}

/** Every door shut but the one that is looked at. */
function swungTo(vehicle: Vehicle, moverId: string | null, value: number): Vehicle {
  const deg = (id: string) => (moverId === swingId(id) ? value : 0)
  return {
    ...vehicle,
    swings: vehicle.swings.map((s): Swing => ({ ...s, opensDeg: deg(s.id) })),
    bodies: vehicle.bodies.map((b) => (b.hinge ? { ...b, hinge: { ...b.hinge, opensDeg: deg(b.id) } } : b)),
  }
}

function carried({ assembly: a, vehicle, brief }: Shown, m: Mover, value: number): Shown {
  const going = new Set(m.moves)
  const at = placingAt(m, value)
  const go = (v: Vec3) => placed(at, v)
  const its = <T extends { id: string }>(list: T[], move: (x: T) => T): T[] => list.map((x) => (going.has(x.id) ? move(x) : x))
  return {
    vehicle,
    brief: {
      ...brief,
      cargo: brief.cargo.map((c) =>
        going.has(`cargo:${c.id}`) && m.kind === 'slide' ? { ...c, xMm: c.xMm + at.shift.x, yMm: c.yMm + at.shift.y } : c,
      ),
    },
    assembly: {
      ...a,
      members: its(a.members, (x) => ({ ...x, path: x.path.map(go) })),
      plates: its(a.plates, (x) => movedPlate(x, at)),
      infills: its(a.infills, (x) => ({ ...x, outline: x.outline.map(go) })),
      mounts: its(a.mounts, (x) => ({ ...x, place: go(x.place), normal: turned(at.turn, x.normal) })),
      // a bought part is a box along the vehicle's axes: turned, it is the box round it
      fittings: its(a.fittings, (x) => {
        const { centre, size } = boxOf(cornersOf(x.middle, x.size).map(go))
        return { ...x, at: go(x.at), middle: centre, size }
      }),
      anchors: a.anchors.map((x) => (going.has(x.on) ? { ...x, at: go(x.at) } : x)),
      joints: a.joints.map((j) => (j.between.every((id) => going.has(id)) ? { ...j, at: go(j.at) } : j)),
      supports: a.supports.map((s) => movedSupport(s, going, at)),
      // figures of the design are drawn where they were set out
      dimensions: m.pieceId === null ? a.dimensions : a.dimensions.filter((d) => !d.id.startsWith(`${m.pieceId}/`)),
    },
  }
}

function movedPlate(p: Plate, at: Placing): Plate {
  const pose = (x: Pose): Pose => ({ origin: placed(at, x.origin), along: turned(at.turn, x.along), up: turned(at.turn, x.up) })
  return { ...p, pose: pose(p.pose), ...(p.faces ? { faces: p.faces.map((f): Face => ({ ...f, pose: pose(f.pose) })) } : {}) }
}

/** Lines that things lie on go with what they are on, where it slides. */
function movedSupport(s: Support, going: Set<string>, { turn, shift }: Placing): Support {
  if (turn.w < 1 || !s.bearings.some((b) => b.on !== null && going.has(b.on))) return s
  const bearings = s.bearings.map((b) =>
    b.on !== null && going.has(b.on)
      ? { ...b, xMm: b.xMm + shift.x, leftMm: b.leftMm + shift.y, rightMm: b.rightMm + shift.y, zMm: b.zMm + shift.z }
      : b,
  )
  const { surface } = s
  return {
    ...s,
    bearings,
    surface: surface && { ...surface, fromXMm: surface.fromXMm + shift.x, toXMm: surface.toXMm + shift.x, zMm: surface.zMm + shift.z },
  }
}

const cornersOf = (middle: Vec3, size: Vec3): Vec3[] =>
  [-0.5, 0.5].flatMap((i) =>
    [-0.5, 0.5].flatMap((j) => [-0.5, 0.5].map((k) => plus(middle, times({ x: i * size.x, y: j * size.y, z: k * size.z }, 1)))),
  )
