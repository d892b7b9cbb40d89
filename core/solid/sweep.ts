import type { Member } from '../assembly/assembly'
import { centreLine, headingAlong, nearestAlong, pointAlong } from '../geometry/centreLine'
import { sectionAxes } from '../geometry/localAxes'
import { along, cross, dot, minus, type Point, plus, times, turnedWith, unit, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import { fibreEndMm } from '../tube/cope'
import { endRun, meetingOf } from '../tube/endCuts'
import { extrudeFace } from './extrude'
import type { Mesh } from './mesh'
import { notchedFace } from './notched'
import { outlineOf } from './outline'
import { triangulate } from './triangulate'

/**
 * A member as a solid: its section carried along its centre line, turned through each bend, its ends cut square or mitred, hollow where it is a tube. A
 * mitred end leans about the axis nearest the vehicle's level way across the member, so that it closes on a level part.
 */
export function sweep(m: Member, mains: Member[] = []): Mesh {
  if (m.notches?.length) {
    const { thicknessMm, ...face } = notchedFace(m)
    return extrudeFace(face, thicknessMm)
  }
  const { outer, inner } = outlineOf(m.profileId)
  const [out, inside] = [ringsAlong(m, mains, outer), inner ? ringsAlong(m, mains, inner) : null]
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
    [out.length - 1, false],
  ] as const) {
    const face = out[at]!
    const hole = inside?.[at] ?? null
    const first = put(hole ? [...face, ...hole] : face)
    const tris = triangulate(outer, inner ? [inner] : [])
    for (let i = 0; i < tris.length; i += 3) {
      const [a, b, c] = [tris[i]!, tris[i + 1]!, tris[i + 2]!]
      mesh.indices.push(...(turned ? [first + a, first + c, first + b] : [first + a, first + b, first + c]))
    }
  }
  return mesh
}

/** An outline carried along a member: where it stands at each point of the centre line, its ends cut as they are. */
export function ringsAlong(m: Member, mains: Member[], outline: Point[]): Vec3[][] {
  const line = centreLine(m.path, m.bendRadiiMm)
  const axes = axesAlong(line, m.rollDeg)
  return line.map((_, i) => ring(m, line, i, outline, axes[Math.max(0, i - 1)]!, mains))
}

type Axes = { run: Vec3; width: Vec3; height: Vec3 }

/** How the section lies on each chord: as the first lies by itself, and then turned with the line at every bend but never about it. */
function axesAlong(line: Vec3[], rollDeg?: number): Axes[] {
  const ways = line.slice(1).map((p, i) => unit(minus(p, line[i]!)))
  const out: Axes[] = [sectionAxes(line[0]!, line[1]!, rollDeg)]
  for (let i = 1; i < ways.length; i++) {
    const { width, height } = out[i - 1]!
    out.push({ run: ways[i]!, width: turnedWith(ways[i - 1]!, ways[i]!, width), height: turnedWith(ways[i - 1]!, ways[i]!, height) })
  }
  return out
}

/** The outline at one point of the line, in the plane that halves the turn there; at an end in the plane of its cut. */
function ring(m: Member, line: Vec3[], i: number, outline: Point[], { run, width, height }: Axes, mains: Member[]): Vec3[] {
  const at = line[i]!
  const [before, after] = [line[i - 1], line[i + 1]]
  if (!before || !after) {
    const saddled = saddle(m, i === 0 ? 0 : 1, outline, { width, height }, mains)
    if (saddled) return saddled
  }
  const normal = before && after ? unit(plus(unit(minus(at, before)), unit(minus(after, at)))) : cutNormal(m, i === 0 ? 0 : 1, run)
  return outline.map((p) => {
    const q = plus(plus(at, times(width, p.x)), times(height, p.y))
    // along the run until it lies in the plane of the cut
    return along(q, run, -dot(minus(q, at), normal) / dot(run, normal))
  })
}

/** The outline at a coped end: every fibre runs on until it meets the tube that it sits on; null where the end is no cope, or a fibre misses. */
function saddle(m: Member, which: 0 | 1, outline: Point[], axes: { width: Vec3; height: Vec3 }, mains: Member[]): Vec3[] | null {
  const end = m.ends[which]
  const main = end.kind === 'cope' ? mains.find((o) => o.id === end.onto) : undefined
  if (!main) return null
  const { at, run } = endRun(m, which)
  const met = meetingOf(at, run, main)
  if (!met || met.lacks) return null
  const side = cross(run, met.zero)
  const line = centreLine(main.path, main.bendRadiiMm)
  // where along the cut tube its line passes the main tube's
  const d = headingAlong(line, nearestAlong(line, at).atMm)
  const to = minus(pointAlong(line, nearestAlong(line, at).atMm), at)
  const [c, b] = [dot(run, d), { run: dot(to, run), d: dot(to, d) }]
  const crossing = (b.run - c * b.d) / (1 - c * c)
  const points = outline.map((p) => {
    const off = plus(times(axes.width, p.x), times(axes.height, p.y))
    // the outline's corners stand a hair outside the circle they stand for: beside an equal tube they would miss it
    const { main: onto, offsetMm } = met.meeting
    const beside = dot(off, side) - offsetMm
    const x =
      onto.kind === 'round' && Math.abs(beside) < 1.01 * onto.radiusMm ? Math.max(-onto.radiusMm, Math.min(onto.radiusMm, beside)) : beside
    const back = fibreEndMm({ x: x + offsetMm, y: dot(off, met.zero) }, met.meeting)
    return back === null ? null : along(plus(at, off), run, crossing - back)
  })
  return points.every((p) => p !== null) ? points : null
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
