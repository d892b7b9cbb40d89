import { cross, dot, minus, size, times, unit, type Vec3 } from '../geometry/vec3'

/** A convex body as the test of separating axes needs it: its corners, and the ways its faces look and its edges run, each of length 1 and once. mm */
export type Convex = { corners: Vec3[]; faces: Vec3[]; edges: Vec3[] }

/** Ways closer than this count as one: the sine between them. */
const SAME = 1e-4
const parallel = (a: Vec3, b: Vec3): boolean => size(cross(a, b)) < SAME

/** From the triangles of its hull: flat neighbours have no edge between them. */
export function convexOf(corners: Vec3[], triangles: ArrayLike<number>): Convex {
  const normals: Vec3[] = []
  const beside = new Map<string, { way: Vec3; normals: Vec3[] }>()
  for (let i = 0; i < triangles.length; i += 3) {
    const at = [0, 1, 2].map((k) => triangles[i + k]!) as [number, number, number]
    const [a, b, c] = at.map((k) => corners[k]!) as [Vec3, Vec3, Vec3]
    const n = cross(minus(b, a), minus(c, a))
    if (size(n) < 1e-9) continue
    const normal = unit(n)
    normals.push(normal)
    for (const [p, q] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const key = at[p] < at[q] ? `${at[p]} ${at[q]}` : `${at[q]} ${at[p]}`
      const known = beside.get(key) ?? { way: unit(minus(corners[at[q]]!, corners[at[p]]!)), normals: [] }
      known.normals.push(normal)
      beside.set(key, known)
    }
  }
  const edges = [...beside.values()].filter((e) => !e.normals[1] || !parallel(e.normals[0]!, e.normals[1])).map((e) => e.way)
  return { corners, faces: onceEach(normals), edges: onceEach(edges) }
}

function onceEach(ways: Vec3[]): Vec3[] {
  const out: Vec3[] = []
  for (const w of ways) if (!out.some((o) => parallel(o, w))) out.push(w)
  return out
}

/**
 * How far two convex bodies are apart along the way that keeps them farthest apart, less than 0 = the least that one must be moved to come out of the other:
 * the greatest gap between their shadows over the ways of all faces and of all pairs of edges (Gottschalk, Lin & Manocha 1996). mm
 */
export function separationOf(a: Convex, b: Convex): { mm: number; way: Vec3 } {
  let best = { mm: Number.NEGATIVE_INFINITY, way: { x: 0, y: 0, z: 1 } }
  const tryWay = (way: Vec3) => {
    const [p, q] = [shadow(a.corners, way), shadow(b.corners, way)]
    const [ahead, behind] = [q.low - p.high, p.low - q.high]
    if (Math.max(ahead, behind) > best.mm) best = ahead >= behind ? { mm: ahead, way } : { mm: behind, way: times(way, -1) }
  }
  for (const f of a.faces) tryWay(f)
  for (const f of b.faces) tryWay(f)
  for (const e of a.edges)
    for (const g of b.edges) {
      const way = cross(e, g)
      if (size(way) > SAME) tryWay(unit(way))
    }
  return best
}

function shadow(corners: Vec3[], way: Vec3): { low: number; high: number } {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]
  for (const c of corners) {
    const d = dot(c, way)
    if (d < low) low = d
    if (d > high) high = d
  }
  return { low, high }
}
