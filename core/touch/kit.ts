import type RAPIER from '@dimforge/rapier3d-compat'
import { type Placing, placed, turned } from '../geometry/placing'
import { cross, minus, plus, size, times, type Vec3 } from '../geometry/vec3'
import { type Convex, convexOf, separationOf } from './separation'

type Rapier = typeof RAPIER

/** Where two convex bodies are nearest: the gap, less than 0 = how deep one stands in the other, and the point on each. mm */
export type Contact = { gapMm: number; at: [Vec3, Vec3] }

/**
 * Distances between convex bodies, by the library that is handed in (the core loads nothing): Gilbert, Johnson & Keerthi's distance, in single precision, good
 * to 0.01 mm within ten metres. How deep two stand in one another is found by separating axes: the library's own depth of long thin bodies was found wrong.
 */
export type Kit = {
  /** a body by its corners; null where they span no volume */
  body: (corners: Vec3[]) => KitBody | null
  /** null where they are farther apart than asked */
  contact: (a: KitBody, b: KitBody, withinMm: number) => Contact | null
  /** how far one may go straight that way before it is so near the other, up to a distance; null where it is never so near, or meets it only as it leaves it. mm */
  cast: (a: KitBody, way: Vec3, b: KitBody, nearMm: number, uptoMm: number) => number | null
  /** whether they share any room at all */
  meets: (a: KitBody, b: KitBody) => boolean
  place: (body: KitBody, at: Placing) => void
  forget: (body: KitBody) => void
  close: () => void
}
export type KitBody = { readonly collider: RAPIER.Collider; readonly convex: Convex; at: Placing | null }

/** What is no wider than this anywhere has no body. mm */
const LEAST_MM = 0.01
/** Nearer than this the distance is not relied on, and axes decide. mm */
const TOUCHING_MM = 0.05

/** Opens a kit on a Rapier that has been initialised; `close` gives its memory back. */
export function rapierKit(rapier: Rapier): Kit {
  const world = new rapier.World({ x: 0, y: 0, z: 0 })
  const vec = (v: { x: number; y: number; z: number }): Vec3 => ({ x: v.x, y: v.y, z: v.z })
  const colliderOf = (corners: Vec3[]): RAPIER.Collider | null => {
    const shape = rapier.ColliderDesc.convexHull(new Float32Array(corners.flatMap((c) => [c.x, c.y, c.z])))
    try {
      return shape && world.createCollider(shape)
    } catch {
      return null
    }
  }
  return {
    body: (corners) => {
      if (!hasExtent(corners)) return null
      // a sliver that the library makes no hull of is taken as the box round it: larger than it is, never left out
      const collider = colliderOf(corners) ?? colliderOf(boxRound(corners))
      if (!collider) return null
      let convex: Convex | null = null
      return {
        collider,
        // most bodies are never asked for it
        get convex() {
          convex ??= hullOf(collider)
          return convex
        },
        at: null,
      }
    },
    contact: (a, b, withinMm) => {
      const most = Math.max(TOUCHING_MM, withinMm)
      const c = a.collider.contactCollider(b.collider, most)
      // within a tenth of a millimetre of one another the library was found to see nothing one way round, and the gap the other
      const turned = c ? null : b.collider.contactCollider(a.collider, most)
      const found = c
        ? { distance: c.distance, at: [vec(c.point1), vec(c.point2)] as [Vec3, Vec3] }
        : turned && { distance: turned.distance, at: [vec(turned.point2), vec(turned.point1)] as [Vec3, Vec3] }
      if (!found) return null
      if (found.distance > TOUCHING_MM) return found.distance <= withinMm ? { gapMm: found.distance, at: found.at } : null
      const [p, q] = [standing(a), standing(b)]
      const { mm } = separationOf(p, q)
      const at = sharedMiddle(p.corners, q.corners)
      return mm <= withinMm ? { gapMm: mm, at: [at, at] } : null
    },
    cast: (a, way, b, nearMm, uptoMm) =>
      a.collider.castCollider(way, b.collider, { x: 0, y: 0, z: 0 }, nearMm, uptoMm, false)?.time_of_impact ?? null,
    meets: (a, b) => a.collider.intersectsShape(b.collider.shape, b.collider.translation(), b.collider.rotation()),
    place: (body, at) => {
      body.collider.setRotation(at.turn)
      body.collider.setTranslation(at.shift)
      body.at = at
    },
    forget: ({ collider }) => world.removeCollider(collider, false),
    close: () => world.free(),
  }
}

/** A point or a line is no body, and what is no number would break the library for good. */
function hasExtent(corners: Vec3[]): boolean {
  if (corners.length < 4 || corners.some((c) => !Number.isFinite(c.x + c.y + c.z))) return false
  const from = corners[0]!
  const arms = corners.map((c) => minus(c, from))
  const far = arms.reduce((a, b) => (size(b) > size(a) ? b : a))
  return size(far) > LEAST_MM && arms.some((a) => size(cross(far, a)) / size(far) > LEAST_MM)
}

/** Corners of the upright box round some places, a little thicker than nothing. */
function boxRound(corners: Vec3[]): Vec3[] {
  const ends = (of: (c: Vec3) => number) => [Math.min(...corners.map(of)) - LEAST_MM, Math.max(...corners.map(of)) + LEAST_MM]
  return ends((c) => c.x).flatMap((x) => ends((c) => c.y).flatMap((y) => ends((c) => c.z).map((z) => ({ x, y, z }))))
}

function hullOf(collider: RAPIER.Collider): Convex {
  const list = collider.vertices()
  const corners = Array.from({ length: list.length / 3 }, (_, i) => ({ x: list[3 * i]!, y: list[3 * i + 1]!, z: list[3 * i + 2]! }))
  return convexOf(corners, collider.indices() ?? [])
}

const standing = ({ convex, at }: KitBody): Convex =>
  at
    ? {
        corners: convex.corners.map((c) => placed(at, c)),
        faces: convex.faces.map((f) => turned(at.turn, f)),
        edges: convex.edges.map((e) => turned(at.turn, e)),
      }
    : convex

/** The middle of the box that two bodies' boxes share: near enough to point at where they meet. */
function sharedMiddle(p: Vec3[], q: Vec3[]): Vec3 {
  const ends = (list: Vec3[], pick: (...v: number[]) => number) => ({
    x: pick(...list.map((c) => c.x)),
    y: pick(...list.map((c) => c.y)),
    z: pick(...list.map((c) => c.z)),
  })
  const [a, b, c, d] = [ends(p, Math.min), ends(q, Math.min), ends(p, Math.max), ends(q, Math.max)]
  const low = { x: Math.max(a.x, b.x), y: Math.max(a.y, b.y), z: Math.max(a.z, b.z) }
  const high = { x: Math.min(c.x, d.x), y: Math.min(c.y, d.y), z: Math.min(c.z, d.z) }
  return times(plus(low, high), 0.5)
}
