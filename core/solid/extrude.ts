import type { Plate } from '../assembly/assembly'
import { onPlate, plateNormal } from '../assembly/places'
import { along, type Vec3 } from '../geometry/vec3'
import type { Mesh } from './mesh'
import { triangulate } from './triangulate'

/** A flat part as a solid, as thick as it is; its holes are drawn on its face and left out here. */
export function extrude(p: Plate): Mesh {
  const turned =
    p.outline.reduce((s, a, i) => s + a.x * p.outline[(i + 1) % p.outline.length]!.y - p.outline[(i + 1) % p.outline.length]!.x * a.y, 0) <
    0
  const outline = turned ? [...p.outline].reverse() : p.outline
  const near: Vec3[] = outline.map((q) => onPlate(p, q))
  const far = near.map((q) => along(q, plateNormal(p), p.thicknessMm))
  const n = near.length
  const positions = [...near, ...far].flatMap((v) => [v.x, v.y, v.z])
  const face = triangulate(outline, null)
  const indices: number[] = []
  for (let i = 0; i < face.length; i += 3) {
    const [a, b, c] = [face[i]!, face[i + 1]!, face[i + 2]!]
    indices.push(a, c, b, n + a, n + b, n + c)
  }
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n
    indices.push(i, j, n + j, i, n + j, n + i)
  }
  return { positions, indices }
}
