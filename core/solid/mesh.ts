import type { Vec3 } from '../geometry/vec3'

/** A closed skin of flat triangles: three numbers a corner, three corners a triangle, turning outward. Vehicle axes, mm. */
export type Mesh = { positions: number[]; indices: number[] }

/** Volume inside a closed skin: Σ a·(b × c)/6 over its triangles (divergence theorem). mm³ */
export function volumeMm3({ positions, indices }: Mesh): number {
  const at = (i: number): Vec3 => ({ x: positions[3 * i]!, y: positions[3 * i + 1]!, z: positions[3 * i + 2]! })
  let sum = 0
  for (let i = 0; i < indices.length; i += 3) {
    const [a, b, c] = [at(indices[i]!), at(indices[i + 1]!), at(indices[i + 2]!)]
    sum += a.x * (b.y * c.z - b.z * c.y) + a.y * (b.z * c.x - b.x * c.z) + a.z * (b.x * c.y - b.y * c.x)
  }
  return sum / 6
}

/** Triangles of a box over its corners as three nested loops give them, x outermost, z innermost. */
export const boxIndices: number[] = [
  [0, 1, 3, 2],
  [4, 6, 7, 5],
  [0, 4, 5, 1],
  [2, 3, 7, 6],
  [0, 2, 6, 4],
  [1, 5, 7, 3],
].flatMap(([a, b, c, d]) => [a!, b!, c!, a!, c!, d!])
