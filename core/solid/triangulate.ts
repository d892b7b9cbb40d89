import earcut, { flatten } from 'earcut'
import type { Point } from '../geometry/vec3'

/** Triangles over an outline and round the holes in it, each turning counter-clockwise. Indices into the points of the outline and of its holes in turn. */
export function triangulate(outline: Point[], holes: Point[][] = []): number[] {
  const points = [outline, ...holes].flat()
  const flat = flatten([outline, ...holes].map((ring) => ring.map((p): [number, number] => [p.x, p.y])))
  const found = earcut(flat.vertices, flat.holes, flat.dimensions)
  const out: number[] = []
  for (let i = 0; i < found.length; i += 3) {
    const [a, b, c] = [found[i]!, found[i + 1]!, found[i + 2]!]
    const [p, q, r] = [points[a]!, points[b]!, points[c]!]
    out.push(...((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x) > 0 ? [a, b, c] : [a, c, b]))
  }
  return out
}
