import { type Placing, placed, turned } from '../geometry/placing'
import type { Vec3 } from '../geometry/vec3'
import type { Assembly, Face, Joint, Plate, Pose, Support } from './assembly'
import { boxOf } from './places'
import { fittingCorners } from './round'

/** An assembly with some of its parts gone elsewhere, and what is on them with them. Its dimensions stay where they were set out. */
export function movedParts(a: Assembly, going: Set<string>, at: Placing): Assembly {
  const go = (v: Vec3) => placed(at, v)
  const its = <T extends { id: string }>(list: T[], move: (x: T) => T): T[] => list.map((x) => (going.has(x.id) ? move(x) : x))
  return {
    ...a,
    members: its(a.members, (x) => ({ ...x, path: x.path.map(go) })),
    plates: its(a.plates, (x) => movedPlate(x, at)),
    infills: its(a.infills, (x) => ({ ...x, outline: x.outline.map(go) })),
    mounts: its(a.mounts, (x) => ({ ...x, place: go(x.place), normal: turned(at.turn, x.normal) })),
    // a bought part is a box along the vehicle's axes: turned, it is the box round it
    fittings: its(a.fittings, (x) => {
      const { centre, size } = boxOf(fittingCorners(x).map(go))
      return {
        ...x,
        at: go(x.at),
        middle: centre,
        size,
        ...(x.round ? { round: { ...x.round, axis: turned(at.turn, x.round.axis) } } : {}),
      }
    }),
    anchors: a.anchors.map((x) => (going.has(x.on) ? { ...x, at: go(x.at) } : x)),
    joints: a.joints.map((j) => (j.between.every((id) => going.has(id)) ? movedJoint(j, at) : j)),
    supports: a.supports.map((s) => movedSupport(s, going, at)),
  }
}

function movedJoint(j: Joint, by: Placing): Joint {
  const go = (v: Vec3) => placed(by, v)
  const { bolts } = j
  return {
    ...j,
    at: go(j.at),
    ...(bolts && {
      bolts: {
        ...bolts,
        ...(bolts.rows ? { rows: bolts.rows.map(go) } : {}),
        ...(bolts.heads ? { heads: bolts.heads.map((h) => ({ ...h, at: go(h.at), out: turned(by.turn, h.out) })) } : {}),
      },
    }),
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
