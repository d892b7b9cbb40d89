import type { Member } from '../assembly/assembly'
import { centreLine } from '../geometry/centreLine'
import { along, cross, dot, minus, type Point, size, unit, type Vec3 } from '../geometry/vec3'

/**
 * A bent part as it looks after its first `bends` bends, the rest still straight: a line of points in a plane, mm. A flat part is seen square on; one that turns
 * out of its plane a little from the side and above.
 */
export function formedAfter(m: Member, bends: number): Point[] {
  const { path, bendRadiiMm = [] } = m
  const n = Math.min(bends, path.length - 2)
  const way = unit(minus(path[n + 1]!, path[n]!))
  // what is not bent yet goes on straight for as long as it is
  const rest = path.slice(n + 1).reduce((s, p, i) => s + (i ? size(minus(p, path[n + i]!)) : 0), 0)
  const points = [...path.slice(0, n + 1), along(path[n + 1]!, way, rest)]
  return centreLine(points, bendRadiiMm.slice(0, n)).map(viewOf(path))
}

function viewOf(path: Vec3[]): (p: Vec3) => Point {
  const legs = path.slice(1).map((p, i) => unit(minus(p, path[i]!)))
  const normal = legs
    .slice(1)
    .map((l, i) => cross(legs[i]!, l))
    .find((c) => size(c) > 1e-6) ?? { x: 0, y: 1, z: 0 }
  const n = unit(normal)
  const flat = legs.every((l) => Math.abs(dot(l, n)) < 1e-3)
  const e1 = legs[0]!
  const e2 = cross(n, e1)
  return (p) => {
    const d = minus(p, path[0]!)
    const [a, b, c] = [dot(d, e1), dot(d, e2), dot(d, n)]
    return flat ? { x: b, y: a } : { x: b + 0.45 * c, y: a + 0.3 * c }
  }
}
