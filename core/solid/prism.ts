import type { Vec3 } from '../geometry/vec3'
import { boxIndices, type Mesh } from './mesh'

/** A box over its eight corners, or the body between two equal outlines, the second on the side that the first turns about, as a mesh. */
export function prism(corners: Vec3[]): Mesh {
  const positions = corners.flatMap((c) => [c.x, c.y, c.z])
  if (corners.length === 8) return { positions, indices: boxIndices }
  const n = corners.length / 2
  const fan = Array.from({ length: n - 2 }, (_, i): [number, number, number] => [0, i + 1, i + 2])
  const band = Array.from({ length: n }, (_, i) => [i, (i + 1) % n, n + ((i + 1) % n), i, n + ((i + 1) % n), n + i])
  return { positions, indices: [...fan.flatMap(([a, b, c]) => [a, c, b]), ...fan.flat().map((k) => k + n), ...band.flat()] }
}
