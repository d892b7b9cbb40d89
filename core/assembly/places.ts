import { profileSection } from '../catalogue/profiles'
import { areaMm2, centroid } from '../geometry/polygon'
import { along, cross, middleOf, minus, type Point, plus, size, times, type Vec3 } from '../geometry/vec3'
import {
  type Assembly,
  type Face,
  type Infill,
  type Member,
  memberEnds,
  memberMassKg,
  memberMiddle,
  type Plate,
  plateMassKg,
} from './assembly'

/** A point of a plate's own plane, in space. mm */
export const onPlate = (p: Pick<Plate, 'pose'>, at: Point): Vec3 => along(along(p.pose.origin, p.pose.along, at.x), p.pose.up, at.y)
export const plateNormal = (p: Pick<Plate, 'pose'>): Vec3 => cross(p.pose.along, p.pose.up)

/** The middle of a flat part, half its thickness above the plane of its outline; of a folded one half way between its ends. mm */
export function plateCentre(p: Plate): Vec3 {
  if (p.faces) return facesCentre(p.faces, p.thicknessMm)
  const flat = along(onPlate(p, centroid(p.outline)), plateNormal(p), p.thicknessMm / 2)
  return p.steps ? p.pose.origin : flat
}

/** Each face by its area, half a thickness inside it. */
function facesCentre(faces: Face[], thicknessMm: number): Vec3 {
  const parts = faces.map((f) => ({ by: areaMm2(f.outline), at: along(onPlate(f, centroid(f.outline)), plateNormal(f), thicknessMm / 2) }))
  const all = parts.reduce((s, p) => s + p.by, 0)
  return times(
    parts.reduce((s, p) => plus(s, times(p.at, p.by)), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1e-9, all),
  )
}

/** The flat pieces that a part stands in: one where it is not folded. */
export const facesOf = (p: Plate): Face[] => p.faces ?? [{ pose: p.pose, outline: p.outline, holes: p.holes }]

/** Corners of one flat piece, the outside first. mm */
export function faceCorners(f: Face, thicknessMm: number): Vec3[] {
  const near = f.outline.map((q) => onPlate(f, q))
  return [...near, ...near.map((q) => along(q, plateNormal(f), thicknessMm))]
}

/** Corners of a flat part or of all the faces of a folded one. mm */
export const plateCorners = (p: Plate): Vec3[] => facesOf(p).flatMap((f) => faceCorners(f, p.thicknessMm))

export function infillCentre(i: Infill): Vec3 {
  const [first] = i.outline
  if (!first) return { x: 0, y: 0, z: 0 }
  // by triangles from its first corner, each by its area
  const parts = i.outline.slice(1, -1).map((p, k) => {
    const q = i.outline[k + 2]!
    return { by: size(cross(minus(p, first), minus(q, first))), at: times(plus(plus(first, p), q), 1 / 3) }
  })
  const all = parts.reduce((s, t) => s + t.by, 0)
  return all > 0
    ? times(
        parts.reduce((s, t) => plus(s, times(t.at, t.by)), { x: 0, y: 0, z: 0 }),
        1 / all,
      )
    : first
}

/** Highest point of a member: its path and half its height as it lies, or half its width where it stands. mm above ground */
export function topOf(m: Member): number {
  const s = profileSection(m.profileId)
  const [a, b] = memberEnds(m)
  const upright = Math.abs(a.z - b.z) > Math.hypot(a.x - b.x, a.y - b.y)
  return Math.max(...m.path.map((p) => p.z)) + (upright ? 0 : s.heightMm / 2)
}

export type PartMass = { id: string; name: string; kg: number | null; at: Vec3; unknown?: ('x' | 'behind' | 'z' | 'box' | 'feet')[] }
/** Every part with its mass and the middle of it: members, flat parts, infill, fittings, feet. kg, mm */
export const partMasses = (a: Assembly): PartMass[] => [
  ...a.members.map((m) => ({ id: m.id, name: `${m.name} ${m.mark}`, kg: memberMassKg(m), at: memberMiddle(m) })),
  ...a.plates.map((p) => ({ id: p.id, name: p.name, kg: plateMassKg(p), at: plateCentre(p) })),
  ...a.infills.map((i) => ({ id: i.id, name: i.name, kg: i.massKg, at: infillCentre(i) })),
  ...a.fittings.map((f) => ({ id: f.id, name: f.name, kg: f.massKg, at: f.at, unknown: f.unknown })),
  ...a.mounts.map((m) => ({ id: m.id, name: `foot ${m.mark}`, kg: m.massKg, at: m.place })),
]

/** Middle of all masses, mm; a coordinate is null while a mass or a place that it needs is not known. `behind` = along the vehicle as told from a pin. */
export function centreOfParts(parts: PartMass[]): { x: number | null; behind: number | null; y: number | null; z: number | null } {
  const kg = parts.reduce((s, p) => s + (p.kg ?? Number.NaN), 0)
  const lacks = (what: 'x' | 'behind' | 'z') => parts.some((p) => p.unknown?.includes(what) && p.kg !== 0)
  const mean = (of: 'x' | 'y' | 'z', known: boolean): number | null =>
    kg > 0 && known ? parts.reduce((s, p) => s + (p.kg ?? 0) * p.at[of], 0) / kg : null
  return { x: mean('x', !lacks('x')), behind: mean('x', !lacks('behind')), y: mean('y', true), z: mean('z', !lacks('z')) }
}

/** A box's middle between two corners. */
export const boxOf = (points: Vec3[]): { centre: Vec3; size: Vec3 } => {
  const [low, high] = (['min', 'max'] as const).map((which) => ({
    x: Math[which](...points.map((p) => p.x)),
    y: Math[which](...points.map((p) => p.y)),
    z: Math[which](...points.map((p) => p.z)),
  })) as [Vec3, Vec3]
  return { centre: middleOf(low, high), size: { x: high.x - low.x, y: high.y - low.y, z: high.z - low.z } }
}
