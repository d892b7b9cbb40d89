import type { Assembly, Mount } from '../assembly/assembly'
import { plateCentre } from '../assembly/places'
import { footTypes } from '../catalogue/mounts'
import { profileSection } from '../catalogue/profiles'
import { centreLine, nearestAlong, pointAlong } from '../geometry/centreLine'
import { hull } from '../geometry/polygon'
import { dot, minus, along as moved, type Point, times, type Vec3 } from '../geometry/vec3'
import { seatAxes } from '../loads/solveRack'
import { type Entity, project, type ViewName } from './sheet'

const FOOT_MM = { along: 80, across: 46 }

/** The outline that a solid of these corners shows in a view. */
export const shadow = (view: ViewName, corners: Vec3[]): Point[] => hull(corners.map((p) => project(view, p)))

export const boxCorners = (centre: Vec3, half: [Vec3, Vec3, Vec3]): Vec3[] =>
  [-1, 1].flatMap((a) => [-1, 1].flatMap((b) => [-1, 1].map((c) => moved(moved(moved(centre, half[0], a), half[1], b), half[2], c))))

/** How far what stands on a foot is above its seat, along the seat's normal: to the underside of a member, to the middle of a plate. mm */
export function footRiseMm(m: Mount, assembly: Assembly): number {
  if (m.spacerMm !== undefined) return m.spacerMm
  const bar = assembly.members.find((b) => b.id === m.on)
  const plate = assembly.plates.find((b) => b.id === m.on)
  const line = bar ? centreLine(bar.path, bar.bendRadiiMm) : null
  const head = line ? pointAlong(line, nearestAlong(line, m.place).atMm) : plate ? plateCentre(plate) : m.place
  return Math.max(8, dot(minus(head, m.place), seatAxes(m.normal).out) - (bar ? profileSection(bar.profileId).heightMm / 2 : 0))
}

/** A foot from its seat to the underside of what stands on it, along the seat's normal. */
export function footShape(view: ViewName, m: Mount, assembly: Assembly): Entity {
  const { out, along, aside } = seatAxes(m.normal)
  const rise = footRiseMm(m, assembly)
  const wide = footTypes[m.kind].spacerMm
  return {
    kind: 'polygon',
    layer: 'foot',
    ref: m.id,
    closed: true,
    filled: true,
    points: shadow(
      view,
      boxCorners(moved(m.place, out, rise / 2), [
        times(along, (wide ?? FOOT_MM.along) / 2),
        times(aside, (wide ?? FOOT_MM.across) / 2),
        times(out, rise / 2),
      ]),
    ),
  }
}
