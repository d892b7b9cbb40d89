import type { Member } from '../assembly/assembly'
import { centreLine } from '../geometry/centreLine'
import { sectionAxes } from '../geometry/localAxes'
import { along, cross, dot, minus, type Point, plus, times, unit, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import type { Mesh } from './mesh'
import { outlineOf } from './outline'
import { triangulate } from './triangulate'

/**
 * A member as a solid: its section carried along its centre line, turned through each bend, its ends cut square or mitred, hollow where it is a tube. A
 * mitred end leans about the axis nearest the vehicle's level way across the member, so that it closes on a level part.
 */
export function sweep(m: Member): Mesh {
  const line = centreLine(m.path, m.bendRadiiMm)
  const { outer, inner } = outlineOf(m.profileId)
  const rings = (outline: Point[]) => line.map((_, i) => ring(m, line, i, outline))
  const [out, inside] = [rings(outer), inner ? rings(inner) : null]
  const mesh: Mesh = { positions: [], indices: [] }
  const put = (points: Vec3[]): number => {
    const first = mesh.positions.length / 3
    for (const p of points) mesh.positions.push(p.x, p.y, p.z)
    return first
  }
  const skin = (list: Vec3[][], outward: boolean) => {
    const firsts = list.map(put)
    const n = list[0]?.length ?? 0
    firsts.slice(1).forEach((to, k) => {
      const from = firsts[k]!
      for (let i = 0; i < n; i++) {
        const j = (i + 1) % n
        const quad = [from + i, from + j, to + j, to + i]
        const [a, b, c, d] = (outward ? quad : [...quad].reverse()) as [number, number, number, number]
        mesh.indices.push(a, b, c, a, c, d)
      }
    })
  }
  skin(out, true)
  if (inside) skin(inside, false)
  for (const [at, turned] of [
    [0, true],
    [line.length - 1, false],
  ] as const) {
    const face = out[at]!
    const hole = inside?.[at] ?? null
    const first = put(hole ? [...face, ...hole] : face)
    const tris = triangulate(outer, inner)
    for (let i = 0; i < tris.length; i += 3) {
      const [a, b, c] = [tris[i]!, tris[i + 1]!, tris[i + 2]!]
      mesh.indices.push(...(turned ? [first + a, first + c, first + b] : [first + a, first + b, first + c]))
    }
  }
  return mesh
}

/** The outline at one point of the line, in the plane that halves the turn there; at an end in the plane of its cut. */
function ring(m: Member, line: Vec3[], i: number, outline: Point[]): Vec3[] {
  const at = line[i]!
  const [before, after] = [line[i - 1], line[i + 1]]
  const [from, to] = before ? [before, at] : [at, after ?? at]
  const { run, width, height } = sectionAxes(from, to, m.rollDeg)
  const normal = before && after ? unit(plus(unit(minus(at, before)), unit(minus(after, at)))) : cutNormal(m, i === 0 ? 0 : 1, run)
  return outline.map((p) => {
    const q = plus(plus(at, times(width, p.x)), times(height, p.y))
    // along the run until it lies in the plane of the cut
    return along(q, run, -dot(minus(q, at), normal) / dot(run, normal))
  })
}

/** Which way an end's cut looks: along the member, or leaned off it by its mitre towards upright, so that it lies flat on what is level. */
function cutNormal(m: Member, which: 0 | 1, run: Vec3): Vec3 {
  const end = m.ends[which]
  if (end.kind !== 'mitre') return run
  const upright: Vec3 = { x: 0, y: 0, z: run.z >= 0 ? 1 : -1 }
  const level: Vec3 = { x: 0, y: run.y >= 0 ? 1 : -1, z: 0 }
  // a post is cut level; a bar between posts is cut to their lean
  const wish = Math.abs(run.z) > 0.5 ? upright : level
  const a = radians(end.angleDeg)
  const axis = cross(run, wish)
  const lean = dot(axis, axis) > 1e-9 ? unit(axis) : { x: 1, y: 0, z: 0 }
  return unit(plus(times(run, Math.cos(a)), times(cross(lean, run), Math.sin(a))))
}
