import type { Assembly, Face, Infill, Member, Plate } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { facesOf, onPlate, plateNormal } from '../assembly/places'
import { fittingCorners } from '../assembly/round'
import type { Brief } from '../brief/brief'
import { isConvex } from '../geometry/polygon'
import { along, cross, minus, type Point, plus, times, unit, type Vec3 } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import { footCorners } from '../solid/foot'
import { notchedFace } from '../solid/notched'
import { convexPieces, outlineOf } from '../solid/outline'
import { ringsAlong } from '../solid/sweep'
import { triangulate } from '../solid/triangulate'
import type { Vehicle } from '../vehicle/vehicle'
import { bodySolids } from './bodySolids'

export type SolidKind = 'member' | 'plate' | 'fitting' | 'foot' | 'infill' | 'cargo' | 'obstacle' | 'body'
/** One thing that takes up room, as convex bodies by their corners; together they fill it. Vehicle axes, mm */
export type Solid = {
  id: string
  name: string
  kind: SolidKind
  pieceId: string | null
  hulls: Vec3[][]
  /** of a tube: its wall in narrow strips, for what may lie inside it */
  walls?: () => Vec3[][]
}

/** Everything that stands there while driving, while parked, or ever: parts, feet, what is carried, what is on the roof, the vehicle's bodies. */
export function solidsOf(assembly: Assembly, vehicle: Vehicle, brief: Brief, when: 'driving' | 'parked' | 'ever'): Solid[] {
  return [
    ...assembly.members.map((m) => memberSolid(m, assembly.members)),
    ...assembly.plates.filter((p) => !p.steps).map(plateSolid),
    ...assembly.infills.filter((i) => i.outline.length > 2).map(infillSolid),
    ...assembly.fittings.filter((f) => !f.unknown.includes('box')).map(fittingSolid),
    ...assembly.mounts.map(
      (m): Solid => ({ id: m.id, name: `foot ${m.mark}`, kind: 'foot', pieceId: pieceIdOf(m.id), hulls: footCorners(m, assembly) }),
    ),
    ...brief.cargo.flatMap((c): Solid[] => {
      if (when !== 'ever' && c.counts !== 'both' && c.counts !== when) return []
      const z = restOf(c, assembly).zMm
      const size = { x: c.lengthMm, y: c.widthMm, z: c.heightMm }
      return z === null ? [] : [boxSolid(`cargo:${c.id}`, c.name, 'cargo', { x: c.xMm, y: c.yMm, z: z + c.heightMm / 2 }, size)]
    }),
    ...obstacleSolids(vehicle),
    ...bodySolids(vehicle),
  ]
}

const partName = (p: { name: string; mark: string }): string => `${p.name.toLowerCase()} ${p.mark}`

export function memberSolid(m: Member, mains: Member[]): Solid {
  if (m.notches?.length) {
    const { thicknessMm, ...face } = notchedFace(m)
    return { id: m.id, name: partName(m), kind: 'member', pieceId: pieceIdOf(m.id), hulls: faceHulls(face, thicknessMm) }
  }
  const strips = (outlines: Point[][]) =>
    outlines.flatMap((outline) => {
      const rings = ringsAlong(m, mains, outline)
      return rings.slice(1).map((ring, i) => [...rings[i]!, ...ring])
    })
  const { outer, inner } = outlineOf(m.profileId)
  return {
    id: m.id,
    name: partName(m),
    kind: 'member',
    pieceId: pieceIdOf(m.id),
    hulls: strips(convexPieces(m.profileId)),
    ...(inner ? { walls: () => wallStrips(ringsAlong(m, mains, outer), ringsAlong(m, mains, inner)) } : {}),
  }
}

/** A tube's wall, a strip to each side of its outline and each chord of its line. */
function wallStrips(outer: Vec3[][], inner: Vec3[][]): Vec3[][] {
  return outer.slice(1).flatMap((_, k) =>
    outer[0]!.map((_, i) => {
      const j = (i + 1) % outer[0]!.length
      return [k, k + 1].flatMap((at) => [outer[at]![i]!, outer[at]![j]!, inner[at]![i]!, inner[at]![j]!])
    }),
  )
}

const faceHulls = (f: Pick<Face, 'pose' | 'outline'>, thicknessMm: number): Vec3[][] =>
  convexParts(f.outline).map((part) => {
    const near = part.map((q) => onPlate(f, q))
    return [...near, ...near.map((q) => along(q, plateNormal(f), thicknessMm))]
  })

/** Each face of a flat part as thick as it is; holes are what bolts go through and stay out. */
function plateSolid(p: Plate): Solid {
  const hulls = facesOf(p).flatMap((f) => faceHulls(f, p.thicknessMm))
  return { id: p.id, name: partName(p), kind: 'plate', pieceId: pieceIdOf(p.id), hulls }
}

/** An outline as it is where it is convex, else in triangles. */
export function convexParts(outline: Point[]): Point[][] {
  if (isConvex(outline)) return [outline]
  const tris = triangulate(outline)
  return Array.from({ length: tris.length / 3 }, (_, i) => [0, 1, 2].map((k) => outline[tris[3 * i + k]!]!))
}

/** Mesh and sheet between members are taken as thick as this, so that they have a body at all. mm */
const SHEET_MM = 3
function infillSolid(i: Infill): Solid {
  const [a, b, c] = i.outline as [Vec3, Vec3, Vec3]
  const n = unit(cross(minus(b, a), minus(c, a)))
  return {
    id: i.id,
    name: i.name.toLowerCase(),
    kind: 'infill',
    pieceId: pieceIdOf(i.id),
    hulls: [[-1, 1].flatMap((s) => i.outline.map((p) => along(p, n, (s * SHEET_MM) / 2)))],
  }
}

const fittingSolid = (f: Assembly['fittings'][number]): Solid => ({
  id: f.id,
  name: f.name.toLowerCase(),
  kind: 'fitting',
  pieceId: pieceIdOf(f.id),
  hulls: [fittingCorners(f)],
})

export function boxSolid(id: string, name: string, kind: SolidKind, middle: Vec3, size: Vec3): Solid {
  const half = times(size, 0.5)
  const corners = [-1, 1].flatMap((i) =>
    [-1, 1].flatMap((j) => [-1, 1].map((k) => plus(middle, { x: i * half.x, y: j * half.y, z: k * half.z }))),
  )
  return { id, name, kind, pieceId: pieceIdOf(id), hulls: [corners] }
}

/** Fans, hatches and the like, where the roof's height is known. */
function obstacleSolids(vehicle: Vehicle): Solid[] {
  const roof = vehicle.roofHeightMm.value
  if (roof === null) return []
  return vehicle.obstacles.map((o, i) =>
    boxSolid(
      `obstacle:${i}`,
      o.name,
      'obstacle',
      { x: o.xMm, y: o.yMm, z: roof + o.heightMm / 2 },
      { x: o.lengthMm, y: o.widthMm, z: o.heightMm },
    ),
  )
}
