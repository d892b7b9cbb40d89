import { profileSection } from '../catalogue/profiles'
import { centreLine } from '../geometry/centreLine'
import { sectionAxes } from '../geometry/localAxes'
import { areaMm2 } from '../geometry/polygon'
import { cross, dot, minus, size, type Vec3 } from '../geometry/vec3'
import { type Fitting, type Infill, type Member, type Plate, plateAreaMm2 } from './assembly'

/** A direction the air comes along, or down. */
export const AHEAD: Vec3 = { x: 1, y: 0, z: 0 }
export const ASIDE: Vec3 = { x: 0, y: 1, z: 0 }
export const DOWN: Vec3 = { x: 0, y: 0, z: 1 }

/** What one straight piece of a member shows in a direction of length 1: the projection of a box of its section, its ends left out. mm² */
export function pieceFacingMm2(m: Pick<Member, 'profileId' | 'rollDeg'>, from: Vec3, to: Vec3, way: Vec3): number {
  const { widthMm, heightMm } = profileSection(m.profileId)
  const { width, height } = sectionAxes(from, to, m.rollDeg)
  return size(minus(to, from)) * (widthMm * Math.abs(dot(height, way)) + heightMm * Math.abs(dot(width, way)))
}

/** What a member shows in a direction, over all its straight pieces and the chords of its bends. mm² */
export const memberFacingMm2 = (m: Member, way: Vec3): number => {
  const points = centreLine(m.path, m.bendRadiiMm)
  return points.slice(1).reduce((s, to, i) => s + pieceFacingMm2(m, points[i]!, to, way), 0)
}

/** A flat part by the slope of its face, a folded one by the faces that look that way or the other, whichever show more; what lies in a joint shows nothing. mm² */
export function plateFacingMm2(p: Plate, way: Vec3): number {
  if (p.air === 'sheltered') return 0
  const shown = (areaOf: number, { along, up }: Plate['pose']) => areaOf * dot(cross(along, up), way)
  if (!p.faces) return Math.abs(shown(plateAreaMm2(p), p.pose))
  const each = p.faces.map((f) => shown(areaMm2(f.outline), f.pose))
  return Math.max(...[1, -1].map((side) => each.reduce((s, a) => s + Math.max(0, side * a), 0)))
}

export const fittingFacingMm2 = ({ size: s }: Fitting, way: Vec3): number =>
  s.y * s.z * Math.abs(way.x) + s.x * s.z * Math.abs(way.y) + s.x * s.y * Math.abs(way.z)

/** The solid share of an infill's outline, seen along a direction: its area as a vector (Newell). mm² */
export function infillFacingMm2(i: Infill, way: Vec3): number {
  const n = i.outline.reduce(
    (s, p, k) => {
      const q = i.outline[(k + 1) % i.outline.length]!
      return { x: s.x + (p.y - q.y) * (p.z + q.z), y: s.y + (p.z - q.z) * (p.x + q.x), z: s.z + (p.x - q.x) * (p.y + q.y) }
    },
    { x: 0, y: 0, z: 0 },
  )
  return (1 - i.openShare) * Math.abs(dot(n, way)) * 0.5
}
