import type { Face, Plate } from '../assembly/assembly'
import { facesOf, onPlate, plateNormal } from '../assembly/places'
import { edgeOfHole } from '../geometry/hole'
import { along, type Vec3 } from '../geometry/vec3'
import type { Mesh } from './mesh'
import { triangulate } from './triangulate'

/** A flat part as a solid, as thick as it is, each face of a folded one by itself, with the holes through it. */
export function extrude(p: Plate): Mesh {
  const meshes = facesOf(p).map((f) => extrudeFace(f, p.thicknessMm))
  const positions: number[] = []
  const indices: number[] = []
  for (const m of meshes) {
    const from = positions.length / 3
    positions.push(...m.positions)
    indices.push(...m.indices.map((i) => i + from))
  }
  return { positions, indices }
}

export function extrudeFace(f: Face, thicknessMm: number): Mesh {
  const turned =
    f.outline.reduce((s, a, i) => s + a.x * f.outline[(i + 1) % f.outline.length]!.y - f.outline[(i + 1) % f.outline.length]!.x * a.y, 0) <
    0
  const outline = turned ? [...f.outline].reverse() : f.outline
  const holes = (f.holes ?? []).map((h) => edgeOfHole(h))
  const near: Vec3[] = [outline, ...holes].flat().map((q) => onPlate(f, q))
  const far = near.map((q) => along(q, plateNormal(f), thicknessMm))
  const n = near.length
  const positions = [...near, ...far].flatMap((v) => [v.x, v.y, v.z])
  const face = triangulate(outline, holes)
  const indices: number[] = []
  for (let i = 0; i < face.length; i += 3) {
    const [a, b, c] = [face[i]!, face[i + 1]!, face[i + 2]!]
    indices.push(a, c, b, n + a, n + b, n + c)
  }
  const wall = (first: number, count: number, inward: boolean) => {
    for (let k = 0; k < count; k++) {
      const [i, j] = [first + k, first + ((k + 1) % count)]
      if (inward) indices.push(i, n + j, j, i, n + i, n + j)
      else indices.push(i, j, n + j, i, n + j, n + i)
    }
  }
  wall(0, outline.length, false)
  let first = outline.length
  for (const h of holes) {
    wall(first, h.length, true)
    first += h.length
  }
  return { positions, indices }
}
