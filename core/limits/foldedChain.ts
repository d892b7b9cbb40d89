import type { Face, Plate } from '../assembly/assembly'
import { faceCorners, onPlate, plateNormal } from '../assembly/places'
import { apart, dot, minus, type Vec3 } from '../geometry/vec3'

/** A strip that is folded once or more along parallel lines: its flat legs in order, and the line of the fold after each but the last. mm */
export type Chain = { legs: Face[]; folds: { at: Vec3; way: Vec3; wideMm: number }[] }

const SAME_MM = 0.5

/** Null for what is no strip: a box, whose folds meet in corners, holds by these. A flat part is a strip of one leg. */
export function chainOf(plate: Plate): Chain | null {
  if (!plate.faces) return { legs: [{ pose: plate.pose, outline: plate.outline, holes: plate.holes }], folds: [] }
  const folds: Chain['folds'] = []
  for (const [i, f] of plate.faces.entries()) {
    const next = plate.faces[i + 1]
    if (!next) continue
    const edge = sharedEdge(f, next)
    if (!edge) return null
    // the arc ends where the next leg begins
    if (f.bend && !next.bend) folds.push(edge)
  }
  const legs = plate.faces.filter((f) => !f.bend)
  return legs.length === folds.length + 1 ? { legs, folds } : null
}

function sharedEdge(a: Face, b: Face): Chain['folds'][number] | null {
  const [p, q] = [a, b].map((f) => f.outline.map((o) => onPlate(f, o))) as [Vec3[], Vec3[]]
  const both = p.filter((v) => q.some((w) => apart(v, w) < SAME_MM))
  const [from, to] = [
    both[0],
    both.reduce<Vec3 | undefined>((far, v) => (far && apart(both[0]!, far) > apart(both[0]!, v) ? far : v), undefined),
  ]
  const wideMm = from && to ? apart(from, to) : 0
  if (!from || !to || wideMm < 1) return null
  const d = minus(to, from)
  return { at: from, way: { x: d.x / wideMm, y: d.y / wideMm, z: d.z / wideMm }, wideMm }
}

/** The leg that lies nearest to a place: by its plane, and by how far the place is past its edges. */
export function legAt({ legs }: Chain, at: Vec3, thicknessMm: number): number {
  const off = (f: Face): number => {
    const corners = faceCorners(f, thicknessMm)
    const past = (of: (v: Vec3) => number): number => {
      const all = corners.map(of)
      return Math.max(0, Math.min(...all) - of(at), of(at) - Math.max(...all))
    }
    return Math.hypot(
      past((v) => dot(v, f.pose.along)),
      past((v) => dot(v, f.pose.up)),
      past((v) => dot(v, plateNormal(f))),
    )
  }
  return legs.reduce((best, f, i) => (off(f) < off(legs[best]!) - 1e-6 ? i : best), 0)
}
